import {
  distance,
  lengthAtPlace,
  measurePath,
  nearestPlace,
  pointAtLength,
  type Bounds,
  type NearestPlace,
  type Path,
  type Point,
} from '../../geometry';
import { LEVEL, STRAIGHT } from './direction';

/** What is looked at to tell which of two strokes that touch is written first. */
export interface Hanging {
  readonly bounds: Bounds;
  readonly start: Point;
  readonly path: Path;
  readonly width: number;
  readonly isStraight: boolean;
  readonly isLevel: boolean;
}

/** How much of the line of writing two boxes share, px; less than nothing where there is a gap between them. */
export const overlap = (a: Bounds, b: Bounds): number =>
  Math.min(a.right, b.right) - Math.max(a.left, b.left);

/** Whether two strokes that touch are written one before the other: -1 where the first comes first, 1 the second, 0 either way. */
function hangs(a: Hanging, b: Hanging, sign: 1 | -1): -1 | 0 | 1 {
  const near = 0.4 * (a.width + b.width);
  if (overlap(a.bounds, b.bounds) < -near || a.bounds.top > b.bounds.bottom + near) return 0;
  if (b.bounds.top > a.bounds.bottom + near) return 0;
  const [onB, onA] = [endsOn(a, b, near), endsOn(b, a, near)];
  if (!onB && !onA) return 0;
  // Bars and arms come after what they lie on.
  const [barA, barB] = [a.isStraight && a.isLevel, b.isStraight && b.isLevel];
  if (barA !== barB) return barA ? 1 : -1;
  const one = onB ? comesFirst(a, onB, b, sign) : 0;
  const other = onA ? (-comesFirst(b, onA, a, sign) as -1 | 0 | 1) : 0;
  // Where each hangs on the other, the one that hangs on a straight stem tells.
  return (a.isStraight && other) || one || other;
}

/** Where a stroke's ends lie on another: at its own beginning or end, or between; null where they don't. */
interface EndsOn {
  readonly start: 'start' | 'within' | 'end' | null;
  readonly end: 'start' | 'within' | 'end' | null;
}

function endsOn(of: Hanging, on: Hanging, near: number): EndsOn | null {
  if (of.path.closed || of.path.points.length < 2) return null;
  const where = (p: Point): EndsOn['start'] => {
    const found = nearestPlace(on.path, p);
    if (!found || found.distance > near) return null;
    if (on.path.closed) return 'within';
    if (distance(found.point, on.path.points[0]!) < near) return 'start';
    return distance(found.point, on.path.points.at(-1)!) < near ? 'end' : 'within';
  };
  const [start, end] = [where(of.path.points[0]!), where(of.path.points.at(-1)!)];
  return start || end ? { start, end } : null;
}

/**
 * A stroke that leaves another is written after it, one that arrives at it from where writing comes from before it; a bowl on a
 * stem that has come down straight is written before the stem on that side of it and after it on the other.
 */
function comesFirst(a: Hanging, { start, end }: EndsOn, b: Hanging, sign: 1 | -1): -1 | 0 | 1 {
  const m = measurePath(a.path);
  const middle = pointAtLength(m, m.length / 2);
  const found = nearestPlace(b.path, end ? a.path.points.at(-1)! : a.start);
  const isBefore = found !== null && sign * (found.point.x - middle.x) > 0;
  if (start && end) {
    if (start === 'start' && end === 'end') return 0;
    return isBefore && hasComeStraight(b, found) ? -1 : 1;
  }
  if (end) {
    if (end === 'start') return -1;
    return end === 'end' ? 0 : isBefore ? -1 : 1;
  }
  return start === 'start' ? 0 : 1;
}

/** Whether a stroke has come down straight to a place on it. */
function hasComeStraight({ path }: Hanging, at: NearestPlace): boolean {
  const m = measurePath(path);
  const start = path.points[0]!;
  const chord = distance(start, at.point);
  return at.point.y - start.y > LEVEL * chord && chord > STRAIGHT * lengthAtPlace(m, at);
}

/** Strokes in their order, but none before those that it hangs on. `sign` is 1 where one writes from left to right, else -1. */
export function afterWhatTheyHangOn<T extends Hanging>(ordered: readonly T[], sign: 1 | -1): T[] {
  const first = new Map<T, Set<T>>(ordered.map((s) => [s, new Set()]));
  ordered.forEach((a, i) => {
    for (const b of ordered.slice(i + 1)) {
      const which = hangs(a, b, sign);
      if (which === -1) first.get(b)!.add(a);
      if (which === 1) first.get(a)!.add(b);
    }
  });
  const left = [...ordered];
  const done = new Set<T>();
  while (left.length > 0) {
    // Where each waits for another, the order along the line decides.
    const free = left.findIndex((s) => [...first.get(s)!].every((other) => done.has(other)));
    done.add(left.splice(Math.max(0, free), 1)[0]!);
  }
  return [...done];
}
