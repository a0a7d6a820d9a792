import { create } from 'zustand';
import { lineOwner, strokeOwner, type LaneOwner } from './lane-owner';
import {
  groupOf,
  keyedParts,
  membersOf,
  type Group,
  type KeyedPart,
  type Layer,
  type Piece,
  type Stroke,
} from '@/core/document';

interface Common {
  /** Unlike that of any other row. */
  readonly key: string;
  /** Whose keys it shows; null for what is there all the time, and for groups whose strokes are timed apart. */
  readonly owner: LaneOwner | null;
}

/** A row of the score. All are equally high. */
export type Row = Common &
  (
    | { readonly kind: 'group'; readonly group: Group; readonly members: readonly Layer[] }
    | {
        readonly kind: 'layer';
        readonly layer: Layer;
        /** Its number in the writing order; null for what is not a stroke. */
        readonly order: number | null;
        readonly group: Group | undefined;
        /** Parts of it that are keyed besides head and tail. */
        readonly parts: readonly KeyedPart[];
      }
    | { readonly kind: 'part'; readonly stroke: Stroke; readonly part: KeyedPart; readonly inGroup: boolean }
  );

/** Which groups are closed, and of which strokes everything keyed is shown. */
export const useRows = create<{ readonly collapsed: readonly string[]; readonly opened: readonly string[] }>(
  () => ({
    collapsed: [],
    opened: [],
  }),
);

const toggled = (list: readonly string[], id: string, on: boolean): readonly string[] =>
  on === list.includes(id) ? list : on ? [...list, id] : list.filter((other) => other !== id);

export const setCollapsed = (group: string, to: boolean): void =>
  useRows.setState(({ collapsed }) => ({ collapsed: toggled(collapsed, group, to) }));
export const setOpened = (layer: string, to: boolean): void =>
  useRows.setState(({ opened }) => ({ opened: toggled(opened, layer, to) }));

/** The keyed parts of a stroke that its own lane does not show; those of its window are not its own where a line leads it. */
const moreParts = (stroke: Stroke, led: boolean): KeyedPart[] =>
  keyedParts(stroke).filter(
    (part) => part.startsWith('ink.') || (!led && part !== 'head' && part !== 'tail'),
  );

/** What the score shows from top to bottom. */
export function rowsOf(
  piece: Pick<Piece, 'layers' | 'groups'>,
  { collapsed, opened }: { readonly collapsed: readonly string[]; readonly opened: readonly string[] },
): Row[] {
  let order = 0;
  const begun = new Set<string>();
  return piece.layers.flatMap((layer): Row[] => {
    const rows: Row[] = [];
    const number = layer.type === 'stroke' ? ++order : null;
    const group = groupOf(piece, layer);
    if (group && !begun.has(group.id)) {
      begun.add(group.id);
      const members = membersOf(piece, group.id);
      rows.push({
        kind: 'group',
        key: `group ${group.id}`,
        group,
        members,
        owner: lineOwner(group, members),
      });
    }
    if (group && collapsed.includes(group.id)) return rows;
    const led = group?.line !== undefined;
    const owner = layer.type === 'stroke' ? strokeOwner(layer, led) : null;
    const parts = layer.type === 'stroke' ? moreParts(layer, led) : [];
    rows.push({ kind: 'layer', key: layer.id, layer, order: number, group, parts, owner });
    if (layer.type === 'stroke' && opened.includes(layer.id)) {
      for (const part of parts) {
        rows.push({
          kind: 'part',
          key: `${layer.id} ${part}`,
          stroke: layer,
          part,
          inGroup: group !== undefined,
          owner,
        });
      }
    }
    return rows;
  });
}

/** The layers that a row stands for. */
export const layersOfRow = (row: Row): readonly string[] =>
  row.kind === 'group'
    ? row.members.map((layer) => layer.id)
    : [row.kind === 'layer' ? row.layer.id : row.stroke.id];

/** The row in which the keys of an owner's part are shown; −1 where none shows them. */
export const rowOfKeys = (rows: readonly Row[], owner: string, part: KeyedPart): number =>
  rows.findIndex((row) => {
    if (row.kind === 'group') return row.group.id === owner;
    if (row.kind === 'part') return row.stroke.id === owner && row.part === part;
    return row.layer.id === owner && (part === 'head' || part === 'tail');
  });

/** The row in which a layer is shown, itself or within its closed group; −1 where it is not there. */
export const rowOfLayer = (rows: readonly Row[], id: string): number => {
  const own = rows.findIndex((row) => row.kind === 'layer' && row.layer.id === id);
  return own >= 0
    ? own
    : rows.findIndex((row) => row.kind === 'group' && row.members.some((layer) => layer.id === id));
};
