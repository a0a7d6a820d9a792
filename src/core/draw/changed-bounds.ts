import {
  commandsBounds,
  subCubic,
  unite,
  widened,
  type Bounds,
  type Cubic,
  type PathCommand,
} from '../geometry';
import { isRibbon } from '../ink';
import type { DrawItem, GroupItem, ShapeItem } from './draw-list';
import { itemBounds, strokeReach } from './item-bounds';

const sameCommand = (a: PathCommand, b: PathCommand): boolean =>
  a.length === b.length && a.every((part, i) => part === b[i]);

/** Where a path came to with a command: its last point, or, closed, where its line began. */
function endOf(path: readonly PathCommand[], i: number): PathCommand[] {
  const c = path[i];
  if (!c) return [];
  if (c[0] !== 'Z') return [['M', c.at(-2) as number, c.at(-1) as number]];
  return endOf(
    path,
    path.findLastIndex((one, k) => k < i && one[0] === 'M'),
  );
}

/** Points that lie so close together are the same, px. */
const SAME = 1e-6;

/**
 * What a curve has more than another from the same place that goes as far as it goes: of a line that is written, what came to
 * it. Null where neither is the beginning of the other.
 */
function growth(start: PathCommand, a: PathCommand, b: PathCommand): PathCommand[] | null {
  if (start[0] !== 'M' || a[0] !== 'C' || b[0] !== 'C') return null;
  const [x, y] = [start[1], start[2]];
  const handle = (c: PathCommand): number => Math.hypot((c[1] as number) - x, (c[2] as number) - y);
  const [short, long] = handle(a) <= handle(b) ? [a, b] : [b, a];
  const t = handle(long) > 0 ? handle(short) / handle(long) : 1;
  const cubic: Cubic = [x, y, long[1], long[2], long[3], long[4], long[5], long[6]];
  const begun = subCubic(cubic, 0, t).slice(2);
  if (begun.some((part, i) => Math.abs(part - (short[i + 1] as number)) > SAME)) return null;
  const [x0, y0, ...rest] = subCubic(cubic, t, 1);
  return [
    ['M', x0, y0],
    ['C', ...rest],
  ];
}

/** A curve the other way round, from where it ends. */
function turned(start: PathCommand, c: PathCommand): readonly [PathCommand, PathCommand] | null {
  if (start[0] !== 'M' || c[0] !== 'C') return null;
  return [
    ['M', c[5], c[6]],
    ['C', c[3], c[4], c[1], c[2], start[1], start[2]],
  ];
}

/** Commands of a path from one up to another. */
interface Part {
  readonly path: readonly PathCommand[];
  readonly from: number;
  readonly to: number;
}

/** What two lines differ by that begin alike where the one has been written further. */
function headGrowth(a: Part, b: Part): PathCommand[] | null {
  const [start] = endOf(a.path, a.from - 1);
  const [one, other] = [a.path[a.from], b.path[b.from]];
  return start && one && other && a.from < a.to && b.from < b.to ? growth(start, one, other) : null;
}

/** What two lines differ by that end alike where the one has left further. */
function tailGrowth(a: Part, b: Part): PathCommand[] | null {
  const [one, other] = [a, b].map(({ path, from, to }) => {
    const [start] = endOf(path, to - 2);
    return to - from > 1 && start ? turned(start, path[to - 1]!) : null;
  });
  if (!one || !other || !sameCommand(one[0], other[0])) return null;
  return growth(one[0], one[1], other[1]);
}

/** About part of a path, with the place it comes from and, where that is asked for, what it goes on to. */
function partBounds({ path, from, to }: Part, onward: boolean): Bounds | null {
  const next = path[to];
  const back = next?.[0] === 'Z' || !next || next[0] === 'M';
  const start = path.findLast((one, k) => k < to && one[0] === 'M');
  const on = back ? (start ?? null) : next;
  return commandsBounds([...endOf(path, from - 1), ...path.slice(from, to), ...(onward && on ? [on] : [])]);
}

/** A rectangle about all that differs between two paths, as lines; null where they are the same. */
function pathChange(
  a: readonly PathCommand[],
  b: readonly PathCommand[],
  { isDashed, isFill }: { readonly isDashed: boolean; readonly isFill: boolean },
): Bounds | null {
  const most = Math.min(a.length, b.length);
  let before = 0;
  while (before < most && sameCommand(a[before]!, b[before]!)) before++;
  if (before === a.length && before === b.length) return null;
  let after = 0;
  // Dashes are counted from the beginning: beyond a change all of them may lie elsewhere.
  if (!isDashed) while (after < most - before && sameCommand(a.at(-1 - after)!, b.at(-1 - after)!)) after++;
  let parts = [a, b].map((path): Part => ({ path, from: before, to: path.length - after }));
  // Where a line begins elsewhere and goes back there, its last side is another too, wherever that comes from.
  const begins = parts.some(({ path, from, to }) => path.slice(from, to).some(([kind]) => kind === 'M'));
  if (begins && (isFill || [...a, ...b].some(([kind]) => kind === 'Z')))
    return unite([a, b].flatMap((path) => commandsBounds(path) ?? []));
  const [one, other] = parts as [Part, Part];
  const head = isFill ? null : headGrowth(one, other);
  const tail = isFill || isDashed || head ? null : tailGrowth(one, other);
  if (head) parts = parts.map((part) => ({ ...part, from: part.from + 1 }));
  if (tail) parts = parts.map((part) => ({ ...part, to: part.to - 1 }));
  // A line goes on as before from where both have come to; a fill goes back to where it began.
  const [end, otherEnd] = parts.map(({ path, to }) => endOf(path, to - 1)[0]);
  const onward = !tail && (isFill || after > 0) && !(end && otherEnd && sameCommand(end, otherEnd));
  const all = [
    ...parts.map((part) => partBounds(part, onward || isFill)),
    head && commandsBounds(head),
    tail && commandsBounds(tail),
  ];
  return unite(all.flatMap((box) => box ?? []));
}

/** Whether two shapes are painted alike but for their paths. */
function sameLook({ path: _, ...a }: ShapeItem, { path: __, ...b }: ShapeItem): boolean {
  const [of, other] = [a, b] as readonly Record<string, unknown>[];
  const keys = Object.keys(of!);
  return (
    keys.length === Object.keys(other!).length &&
    keys.every(
      (key) =>
        of![key] === other![key] ||
        // The colours of a line that grows differ with every frame, and are long to spell out.
        (!(key === 'colour' && isRibbon(a.colour)) &&
          JSON.stringify(of![key]) === JSON.stringify(other![key])),
    )
  );
}

/** Whether two groups are laid down alike, and need no more than their items to be looked at. */
const sameFrame = (a: GroupItem, b: GroupItem): boolean =>
  [a, b].every(({ filters, moments }) => !filters && !moments) &&
  a.opacity === b.opacity &&
  a.operator === b.operator &&
  a.blend === b.blend &&
  a.items.length === b.items.length;

/** A rectangle that surely holds every place in which two items look different; null where they look the same. */
export function changedBounds(a: DrawItem, b: DrawItem): Bounds | null {
  if (a === b) return null;
  if (a.kind === 'group' && b.kind === 'group' && sameFrame(a, b))
    return unite(a.items.flatMap((item, i) => changedBounds(item, b.items[i]!) ?? []));
  if (a.kind !== 'group' && b.kind !== 'group' && sameLook(a, b)) {
    if (a.kind === 'fill') return pathChange(a.path, b.path, { isDashed: false, isFill: true });
    if (!a.transform) {
      const change = pathChange(a.path, b.path, { isDashed: a.dashes !== undefined, isFill: false });
      return change && widened(change, strokeReach(a));
    }
  }
  return unite([itemBounds(a), itemBounds(b)].flatMap((box) => box ?? []));
}
