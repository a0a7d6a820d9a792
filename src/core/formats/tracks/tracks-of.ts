import type { DrawItem } from '../../draw';
import { grounded } from './ground';
import type { Track, TrackGroup, TrackItem, TrackShape } from './track';

type Items = readonly TrackItem[];

/** A track while it is made. */
interface Lane {
  readonly items: (TrackItem | null)[];
  last: TrackItem;
}

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Whether two shapes differ only in what a track may change. */
function alikeShapes(a: TrackShape, b: TrackShape): boolean {
  const paints =
    typeof a.colour === 'string' && typeof b.colour === 'string' ? true : same(a.colour, b.colour);
  if (!paints) return false;
  if (a.kind === 'fill') return b.kind === 'fill' && a.rule === b.rule;
  return (
    b.kind === 'stroke' &&
    a.cap === b.cap &&
    a.join === b.join &&
    a.miterLimit === b.miterLimit &&
    a.dashPhase === b.dashPhase &&
    same(a.dashes, b.dashes) &&
    same(a.transform, b.transform)
  );
}

const filterKinds = ({ filters = [] }: TrackGroup): string => filters.map(({ kind }) => kind).join();

/** Whether two items could be the same thing at two moments. */
function alike(a: TrackItem, b: TrackItem): boolean {
  if (a.kind !== b.kind || a.operator !== b.operator || a.blend !== b.blend) return false;
  if (a.kind === 'group' || b.kind === 'group') {
    const [one, other] = [a as TrackGroup, b as TrackGroup];
    return (
      Boolean(one.ground) === Boolean(other.ground) &&
      one.moments === other.moments &&
      filterKinds(one) === filterKinds(other)
    );
  }
  return alikeShapes(a, b);
}

const [FAR, NEAR] = [40, 4];
const endsOf = (item: TrackShape): readonly [number, number, number, number] => {
  const first = item.path[0];
  const last = item.path.findLast((c) => c[0] !== 'Z');
  if (!first || !last) return [0, 0, 0, 0];
  return [first.at(-2) as number, first.at(-1) as number, last.at(-2) as number, last.at(-1) as number];
};

/** How surely two items are the same thing at two moments; 0 where they can't be or are too far from one another. */
function likeness(a: TrackItem, b: TrackItem): number {
  if (a === b) return 8;
  if (!alike(a, b)) return 0;
  if (a.kind === 'group') {
    const [x, y] = [a.items[0], (b as TrackGroup).items[0]];
    if (!x || !y) return 1;
    return x.kind === y.kind ? Math.max(0.5, likeness(x, y)) : 0.5;
  }
  const shape = b as TrackShape;
  const [p, q] = [endsOf(a), endsOf(shape)];
  const begin = Math.hypot(p[0] - q[0], p[1] - q[1]);
  const end = Math.hypot(p[2] - q[2], p[3] - q[3]);
  // Of two that end in the same place the one of the same colour is it.
  const sameColour = a.colour === shape.colour ? 1 : 0;
  if (Math.min(begin, end) < NEAR) return 4 + sameColour;
  return Math.min(begin, end) < FAR || a.path.length === shape.path.length ? 2 + sameColour : 0;
}

/** Lays a frame's items beside the lanes so that together they are the most alike, both in their order. */
function laidBeside(
  lanes: readonly Lane[],
  items: Items,
): readonly (readonly [Lane | null, TrackItem | null])[] {
  const [rows, columns] = [lanes.length, items.length];
  const best = Array.from({ length: rows + 1 }, () => new Float64Array(columns + 1));
  for (let i = rows - 1; i >= 0; i--) {
    for (let j = columns - 1; j >= 0; j--) {
      const together = likeness(lanes[i]!.last, items[j]!);
      best[i]![j] = Math.max(
        best[i + 1]![j]!,
        best[i]![j + 1]!,
        together > 0 ? together + best[i + 1]![j + 1]! : 0,
      );
    }
  }
  const out: [Lane | null, TrackItem | null][] = [];
  let [i, j] = [0, 0];
  while (i < rows || j < columns) {
    const here = best[i]![j]!;
    const together = i < rows && j < columns ? likeness(lanes[i]!.last, items[j]!) : 0;
    if (together > 0 && here === together + best[i + 1]![j + 1]!) out.push([lanes[i++]!, items[j++]!]);
    else if (i < rows && here === best[i + 1]![j]!) out.push([lanes[i++]!, null]);
    else out.push([null, items[j++]!]);
  }
  return out;
}

/**
 * What lists of items have in common, as tracks in their painting order: at each frame the items of all tracks that are there,
 * one after another, are that frame's list. So a picture made of tracks is the picture that was painted; which items are taken
 * for the same thing only decides how much is to be written.
 */
export const tracksOf = (lists: readonly (readonly DrawItem[])[]): Track[] =>
  tracksThrough(lists.map((items) => items.map(grounded)));

function tracksThrough(lists: readonly Items[]): Track[] {
  let lanes: Lane[] = [];
  lists.forEach((items, frame) => {
    const before = lists[frame - 1];
    if (before?.length === items.length && before.every((one, k) => one === items[k])) {
      for (const lane of lanes) lane.items.push(lane.items[frame - 1]!);
      return;
    }
    lanes = laidBeside(lanes, items).map(([lane, item]) => {
      if (!lane) return { items: [...Array<null>(frame).fill(null), item], last: item! };
      lane.items.push(item);
      if (item) lane.last = item;
      return lane;
    });
  });
  return lanes.map(({ items, last }): Track => {
    if (last.kind !== 'group') return { kind: 'shape', items: items as (TrackShape | null)[] };
    const groups = items as (TrackGroup | null)[];
    return {
      kind: 'group',
      items: groups,
      children: tracksThrough(groups.map((group) => group?.items ?? [])),
    };
  });
}
