import { create } from 'zustand';
import {
  groupsAround,
  isOfWindow,
  keyedById,
  keyedParts,
  membersOf,
  otherKeyed,
  type Group,
  type KeyBearers,
  type KeyedPart,
  type Layer,
} from '@/core/document';
import { groupOwner, layerOwner, otherOwner, type LaneOwner } from './lane-owner';

interface Common {
  /** Unlike that of any other row. */
  readonly key: string;
  /** How many groups it lies in. */
  readonly depth: number;
  /** Whose keys it shows. */
  readonly owner: LaneOwner;
}

/** A row of the score. All are equally high. */
export type Row = Common &
  (
    | {
        readonly kind: 'group';
        readonly group: Group;
        readonly members: readonly Layer[];
        readonly parts: readonly KeyedPart[];
      }
    | {
        readonly kind: 'layer';
        readonly layer: Layer;
        /** Its number in the writing order; null for what is not a stroke. */
        readonly order: number | null;
        /** Parts of it that are keyed besides those its own lane shows. */
        readonly parts: readonly KeyedPart[];
      }
    | { readonly kind: 'part'; readonly part: KeyedPart }
  );

/** What a person opened and closed in the score. */
export interface OpenRows {
  /** Groups that were opened or closed; others are closed where they hold many. */
  readonly groups: Readonly<Record<string, 'open' | 'closed'>>;
  /** Layers and groups of which everything keyed is shown. */
  readonly opened: readonly string[];
}

export const useRows = create<OpenRows>(() => ({ groups: {}, opened: [] }));

/** A group of so many layers is closed until it is opened: as many lanes as a score has in sight. */
const MANY = 10;

/** Whether what a group holds is hidden. */
export const isClosed = ({ groups }: OpenRows, group: string, members: number): boolean =>
  groups[group] === undefined ? members >= MANY : groups[group] === 'closed';

const toggled = (list: readonly string[], id: string, on: boolean): readonly string[] =>
  on === list.includes(id) ? list : on ? [...list, id] : list.filter((other) => other !== id);

export const setClosed = (group: string, to: boolean): void =>
  useRows.setState(({ groups }) => ({ groups: { ...groups, [group]: to ? 'closed' : 'open' } }));
export const setOpened = (id: string, to: boolean): void =>
  useRows.setState(({ opened }) => ({ opened: toggled(opened, id, to) }));

/** Opens or closes what lies under a row; null where nothing does. */
export function turnOf(row: Row): ((to: boolean) => void) | null {
  if (row.kind === 'group') return (to) => setClosed(row.group.id, !to);
  return row.kind === 'layer' && row.parts.length > 0 ? (to) => setOpened(row.owner.id, to) : null;
}

/** Whether what lies under a row is shown. */
export const isRowOpen = (row: Row, open: OpenRows): boolean =>
  row.kind === 'group'
    ? !isClosed(open, row.group.id, row.members.length)
    : row.kind === 'layer' && open.opened.includes(row.layer.id);

const WINDOW = ['head', 'tail'];
/** The keyed parts of an owner that its own lane does not show; those of a window are not its own where a line leads it. */
function moreParts(owner: LaneOwner): readonly KeyedPart[] {
  let parts = more.get(owner);
  if (!parts) {
    parts = keyedParts(owner.keyed).filter((part) =>
      isOfWindow(part) ? !owner.led && !WINDOW.includes(part) : part !== owner.lead,
    );
    more.set(owner, parts);
  }
  return parts;
}
const more = new WeakMap<LaneOwner, readonly KeyedPart[]>();

/** What the score shows from top to bottom. */
export function rowsOf(piece: KeyBearers, open: OpenRows): Row[] {
  let order = 0;
  /** Of the groups that have begun, how many layers each holds. */
  const begun = new Map<string, number>();
  const partRows = (owner: LaneOwner, parts: readonly KeyedPart[], depth: number): Row[] =>
    open.opened.includes(owner.id)
      ? parts.map((part) => ({ kind: 'part', key: `${owner.id} ${part}`, depth, owner, part }))
      : [];
  const ofLayers = piece.layers.flatMap((layer): Row[] => {
    const rows: Row[] = [];
    const number = layer.type === 'stroke' ? ++order : null;
    const around = groupsAround(piece, layer).reverse();
    for (const [depth, group] of around.entries()) {
      if (!begun.has(group.id)) {
        const members = membersOf(piece, group.id);
        begun.set(group.id, members.length);
        const owner = groupOwner(group, members, keyedById(piece, group.id)!);
        const parts = moreParts(owner);
        rows.push({ kind: 'group', key: `group ${group.id}`, depth, group, members, parts, owner });
        rows.push(...partRows(owner, parts, depth));
      }
      if (isClosed(open, group.id, begun.get(group.id)!)) return rows;
    }
    const depth = around.length;
    const owner = layerOwner(layer, around.at(-1)?.line !== undefined);
    const parts = moreParts(owner);
    rows.push({ kind: 'layer', key: layer.id, depth, layer, order: number, parts, owner });
    rows.push(...partRows(owner, parts, depth));
    return rows;
  });
  // Pins and the piece itself have no lane to open: what is keyed of them stands below all layers.
  const others = otherKeyed(piece).flatMap(({ id, name, keyed }) => {
    const owner = otherOwner(id, name, keyed);
    return keyedParts(keyed).map((part): Row => ({
      kind: 'part',
      key: `${id} ${part}`,
      depth: 0,
      owner,
      part,
    }));
  });
  return [...ofLayers, ...others];
}

/** The layers that a row stands for. */
export const layersOfRow = (row: Row): readonly string[] => row.owner.layers;

/** The row in which the keys of an owner's part are shown; −1 where none shows them. */
export const rowOfKeys = (rows: readonly Row[], owner: string, part: KeyedPart): number =>
  rows.findIndex((row) => {
    if (row.owner.id !== owner) return false;
    if (row.kind === 'part') return row.part === part;
    return WINDOW.includes(part) || part === row.owner.lead;
  });

/** The row in which a layer is shown, itself or within its closed group; −1 where it is not there. */
export const rowOfLayer = (rows: readonly Row[], id: string): number => {
  const own = rows.findIndex((row) => row.kind === 'layer' && row.layer.id === id);
  return own >= 0
    ? own
    : rows.findLastIndex((row) => row.kind === 'group' && row.members.some((layer) => layer.id === id));
};
