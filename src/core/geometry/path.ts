import type { Cubic } from './cubic';
import type { Point } from './point';

/**
 * A point of a path. `in` and `out` are its handles as offsets from the point; a zero offset is no handle.
 * `kind` says how the handles behave when one is moved: `smooth` keeps them in one line, `symmetric` also of one
 * length, `corner` lets them be.
 */
export interface PathPoint extends Point {
  readonly in: Point;
  readonly out: Point;
  readonly kind: 'corner' | 'smooth' | 'symmetric';
}

/** A single path through its points in order; a closed one also returns from the last point to the first. */
export interface Path {
  readonly closed: boolean;
  readonly points: readonly PathPoint[];
}

/** A corner point without handles. */
export const corner = (x: number, y: number): PathPoint => ({
  x,
  y,
  in: { x: 0, y: 0 },
  out: { x: 0, y: 0 },
  kind: 'corner',
});

/** A smooth point whose handles lie on one line: `out` as given, `in` opposite with the given length. */
export function smooth(
  x: number,
  y: number,
  out: Point,
  inLength: number = Math.hypot(out.x, out.y),
): PathPoint {
  const n = Math.hypot(out.x, out.y) || 1;
  return { x, y, in: { x: 0 - (out.x / n) * inLength, y: 0 - (out.y / n) * inLength }, out, kind: 'smooth' };
}

/** How many curves the path has: one between each pair of neighbours. */
export function segmentCount(path: Path): number {
  const n = path.points.length;
  return n < 2 ? 0 : path.closed ? n : n - 1;
}

/** The i-th curve of the path, from point i to the next. */
export function segmentCubic(path: Path, i: number): Cubic {
  const a = path.points[i]!;
  const b = path.points[(i + 1) % path.points.length]!;
  return [a.x, a.y, a.x + a.out.x, a.y + a.out.y, b.x + b.in.x, b.y + b.in.y, b.x, b.y];
}

/** Whether the i-th curve is a straight line drawn without handles. */
export function isStraight(path: Path, i: number): boolean {
  const a = path.points[i]!;
  const b = path.points[(i + 1) % path.points.length]!;
  return a.out.x === 0 && a.out.y === 0 && b.in.x === 0 && b.in.y === 0;
}

/** The same path written the other way; a closed one keeps its first point. */
export function reversePath(path: Path): Path {
  const turned = [...path.points].reverse().map((p): PathPoint => ({ ...p, in: p.out, out: p.in }));
  const points = path.closed ? [turned.at(-1)!, ...turned.slice(0, -1)] : turned;
  return { ...path, points };
}

/** The same closed path begun at another of its points; an open one stays as it is. */
export function withFirstPoint(path: Path, index: number): Path {
  if (!path.closed || index === 0) return path;
  return { ...path, points: [...path.points.slice(index), ...path.points.slice(0, index)] };
}
