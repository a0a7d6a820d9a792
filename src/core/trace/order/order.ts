import { measurePath, pathBounds, pointAtLength, type Bounds, type Path, type Point } from '../../geometry';
import { clamp } from '../../numbers';
import { seenByHand, type WritingDirection } from './direction';
import { afterWhatTheyHangOn, overlap, type Hanging } from './hanging';

/** How strokes are put into the order of a hand. */
export interface OrderOptions {
  readonly direction: WritingDirection;
  /** Dots and crossing bars: as soon as their letter is done, or when the word is. */
  readonly marks: 'at once' | 'after the word';
}

/** What ordering looks at. */
export interface Orderable {
  readonly path: Path;
  readonly width: number;
}

interface Seen extends Hanging {
  readonly index: number;
  /** A dot, or a bar across or on other strokes. */
  readonly mark: boolean;
}

const middleX = (b: Bounds): number => (b.left + b.right) / 2;
const height = (b: Bounds): number => b.bottom - b.top;
const width = (b: Bounds): number => b.right - b.left;

/** Lines of writing, top to bottom: strokes whose middles lie within each other's height belong to one. */
function rowsOf(strokes: readonly Seen[]): Seen[][] {
  const tall = [...strokes].sort((a, b) => height(b.bounds) - height(a.bounds));
  const rows: { top: number; bottom: number; strokes: Seen[] }[] = [];
  for (const stroke of tall) {
    const middle = (stroke.bounds.top + stroke.bounds.bottom) / 2;
    const reach = (row: { top: number; bottom: number }) => 0.35 * (row.bottom - row.top);
    const row = rows.find((r) => middle > r.top - reach(r) && middle < r.bottom + reach(r));
    if (row) {
      row.strokes.push(stroke);
      row.top = Math.min(row.top, stroke.bounds.top);
      row.bottom = Math.max(row.bottom, stroke.bounds.bottom);
    } else rows.push({ top: stroke.bounds.top, bottom: stroke.bounds.bottom, strokes: [stroke] });
  }
  return rows.sort((a, b) => a.top - b.top).map((row) => row.strokes);
}

/** Words of a line: groups with a wider gap between them than letters have. */
function wordsOf(row: readonly Seen[], sign: 1 | -1): Seen[][] {
  const sorted = [...row].sort(
    (a, b) => sign * (sign > 0 ? a.bounds.left - b.bounds.left : a.bounds.right - b.bounds.right),
  );
  const tall = Math.max(...row.map((s) => height(s.bounds)), 1);
  const words: Seen[][] = [];
  let edge = sign * -Infinity;
  for (const stroke of sorted) {
    const near = sign > 0 ? stroke.bounds.left - edge : edge - stroke.bounds.right;
    if (words.length === 0 || near > 0.28 * tall) words.push([]);
    words.at(-1)!.push(stroke);
    edge = sign > 0 ? Math.max(edge, stroke.bounds.right) : Math.min(edge, stroke.bounds.left);
  }
  return words;
}

/**
 * The order in which a hand would write strokes: line by line, word by word, letter parts along the writing, dots and
 * crossing bars after their letter or their word.
 * @returns indices of the strokes in that order.
 */
export function writingOrder(strokes: readonly Orderable[], options: OrderOptions): number[] {
  const sign = options.direction === 'left to right' ? 1 : -1;
  const bare = strokes.map((stroke, index) => {
    const bounds = pathBounds(stroke.path)!;
    const { path } = stroke;
    const { isStraight, isLevel } = path.closed
      ? { isStraight: false, isLevel: false }
      : seenByHand(path, options.direction);
    return { index, bounds, start: path.points[0]!, path, width: stroke.width, isStraight, isLevel };
  });
  const tallest = Math.max(...bare.map((s) => height(s.bounds)), 0);
  const seen = bare.map((s): Seen => ({ ...s, mark: isMark(s, bare, tallest) }));
  const along = (a: Seen, b: Seen): number => {
    const edge = (s: Seen) => (sign > 0 ? s.bounds.left : -s.bounds.right);
    // Strokes that stand over one another, as an E's arms do: from the top down, the tall one first.
    const shared = overlap(a.bounds, b.bounds) + Math.min(a.width, b.width);
    const wide = (s: Seen) => width(s.bounds) + s.width;
    const close = Math.abs(edge(a) - edge(b)) < 0.12 * tallest;
    if (close && shared > 0.3 * Math.min(wide(a), wide(b))) {
      const taller = height(b.bounds) - height(a.bounds);
      if (Math.abs(taller) > 0.5 * tallest) return taller;
      const lower = a.start.y - b.start.y;
      if (Math.abs(lower) > 0.1 * tallest) return lower;
      // Of two that begin together the stem comes first: the straight one, and the one that leads less far on.
      const far = (s: Seen) => (sign > 0 ? s.bounds.right : -s.bounds.left);
      return Number(b.isStraight) - Number(a.isStraight) || far(a) - far(b);
    }
    return edge(a) - edge(b) || a.bounds.top - b.bounds.top;
  };
  const out: number[] = [];
  for (const row of rowsOf(seen)) {
    for (const word of wordsOf(row, sign)) {
      const body = word.filter((s) => !s.mark);
      const marks = word.filter((s) => s.mark).sort((a, b) => sign * (middleX(a.bounds) - middleX(b.bounds)));
      const ordered = afterWhatTheyHangOn(insertionSorted(body, along), sign);
      if (options.marks === 'after the word') {
        out.push(...ordered.map((s) => s.index), ...marks.map((s) => s.index));
        continue;
      }
      const waiting = new Set(marks);
      const last = new Map<Seen, Seen[]>();
      for (const mark of marks) {
        const under =
          ordered.filter((s) => overlap(s.bounds, mark.bounds) > -0.05 * tallest).at(-1) ?? ordered.at(-1);
        if (!under) continue;
        last.set(under, [...(last.get(under) ?? []), mark]);
        waiting.delete(mark);
      }
      for (const s of ordered) {
        out.push(s.index, ...(last.get(s) ?? []).map((m) => m.index));
      }
      out.push(...[...waiting].map((m) => m.index));
    }
  }
  return out;
}

/** By insertion: the comparison looks at neighbours and need not be transitive over a whole word. */
function insertionSorted<T>(items: readonly T[], compare: (a: T, b: T) => number): T[] {
  const out: T[] = [];
  for (const item of items) {
    let at = out.length;
    while (at > 0 && compare(item, out[at - 1]!) < 0) at--;
    out.splice(at, 0, item);
  }
  return out;
}

/** Places along a path, evenly spread between two shares of its length. */
function placesOn(path: Path, from: number, to: number, count: number): Point[] {
  const m = measurePath(path);
  return Array.from({ length: count }, (_, i) =>
    pointAtLength(m, m.length * (from + ((to - from) * i) / (count - 1))),
  );
}

/** Whether a path comes within a distance of another's middle part: it runs across it, not merely up to it. */
function crosses(bar: Path, other: Path, near: number): boolean {
  const along = placesOn(other, 0, 1, clamp(Math.ceil(measurePath(other).length / near) + 1, 8, 1500));
  return placesOn(bar, 0.18, 0.82, 40).some((p) =>
    along.some((q) => Math.abs(p.x - q.x) < near && Math.abs(p.y - q.y) < near),
  );
}

/** A dot above or below, or a short level bar that runs across another stroke. */
function isMark(
  s: { bounds: Bounds; path: Path; width: number; index: number },
  all: readonly { bounds: Bounds; path: Path; index: number; width: number }[],
  tallest: number,
): boolean {
  const [w, h] = [width(s.bounds), height(s.bounds)];
  const others = all.filter((o) => o.index !== s.index);
  const small = Math.max(w, h) < 0.28 * tallest;
  const overOrUnder = others.some(
    (o) =>
      overlap(o.bounds, s.bounds) > -0.6 * s.width - 0.1 * tallest &&
      (s.bounds.bottom <= o.bounds.top || s.bounds.top >= o.bounds.bottom),
  );
  if (small && overOrUnder) return true;
  if (s.path.closed || s.path.points.length < 2 || w < 2.2 * h || h > 0.25 * tallest) return false;
  return others.some(
    (o) =>
      height(o.bounds) > 2.5 * h &&
      overlap(o.bounds, s.bounds) > -s.width &&
      s.bounds.bottom < o.bounds.bottom - 0.15 * height(o.bounds) &&
      crosses(s.path, o.path, Math.max(0.4 * s.width, 0.5)),
  );
}
