import { clamp } from '../numbers';
import type { Point } from './point';

/** Distance of a point from the stretch between two others. */
export function distanceToStretch(p: Point, a: Point, b: Point): number {
  const [ex, ey] = [b.x - a.x, b.y - a.y];
  const below = ex * ex + ey * ey;
  const t = below > 0 ? clamp(((p.x - a.x) * ex + (p.y - a.y) * ey) / below, 0, 1) : 0;
  return Math.hypot(p.x - a.x - ex * t, p.y - a.y - ey * t);
}

/**
 * Indices of the values that are kept when all others lie within a tolerance of what joins the kept ones.
 * Source: Douglas & Peucker 1973, "Algorithms for the reduction of the number of points required to represent a
 * digitized line". `off` says how far the value at `i` is from the join of those at `a` and `b`.
 */
export function keptIndices(
  count: number,
  tolerance: number,
  off: (i: number, a: number, b: number) => number,
): number[] {
  if (count <= 2) return Array.from({ length: count }, (_, i) => i);
  const keep = new Set([0, count - 1]);
  const stack: [number, number][] = [[0, count - 1]];
  while (stack.length > 0) {
    const [a, b] = stack.pop()!;
    let worst = tolerance;
    let at = -1;
    for (let i = a + 1; i < b; i++) {
      const d = off(i, a, b);
      if (d > worst) {
        worst = d;
        at = i;
      }
    }
    if (at === -1) continue;
    keep.add(at);
    stack.push([a, at], [at, b]);
  }
  return [...keep].sort((a, b) => a - b);
}

/** A polyline with fewer points that stays within a tolerance (px) of all of them. */
export const simplifiedPoints = <P extends Point>(points: readonly P[], tolerance: number): P[] =>
  keptIndices(points.length, tolerance, (i, a, b) =>
    distanceToStretch(points[i]!, points[a]!, points[b]!),
  ).map((i) => points[i]!);
