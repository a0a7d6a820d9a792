import {
  corner,
  distance,
  norm,
  ORIGIN,
  reversePath,
  scale,
  subtract,
  unit,
  type Path,
  type PathPoint,
  type Point,
} from '../../geometry';
import { capsOf, mirroredWidths, saidCaps } from '../../ink';
import { changed, updateStrokes } from '../parts';
import type { Ink, Piece } from '../schema';

/** Replaces the path of one stroke. */
export const withPath = (piece: Piece, id: string, path: Path): Piece =>
  updateStrokes(piece, [id], (stroke) => (stroke.path === path ? stroke : { ...stroke, path }));

const replacePoint = (path: Path, index: number, change: (point: PathPoint) => PathPoint): Path => ({
  ...path,
  points: path.points.map((point, i) => (i === index ? change(point) : point)),
});

/**
 * Puts a handle at an offset from its point. The opposite handle of a smooth point turns with it and keeps its
 * length; `free` breaks the two apart and makes the point a corner.
 */
export function moveHandle(path: Path, index: number, side: 'in' | 'out', to: Point, free = false): Path {
  return replacePoint(path, index, (p) => {
    const other = side === 'in' ? 'out' : 'in';
    if (free) return { ...p, [side]: to, kind: 'corner' };
    if (p.kind === 'corner' || norm(to) === 0) return { ...p, [side]: to };
    const length = p.kind === 'symmetric' ? norm(to) : norm(p[other]);
    return { ...p, [side]: to, [other]: scale(unit(to), -length) };
  });
}

/** Makes points corners without handles. */
export const toCorner = (path: Path, indices: readonly number[]): Path => ({
  ...path,
  points: path.points.map((p, i) => (indices.includes(i) ? corner(p.x, p.y) : p)),
});

/** Makes points smooth: handles along the line between the neighbours, a third of the way to each. */
export function toSmooth(path: Path, indices: readonly number[]): Path {
  const n = path.points.length;
  const neighbour = (i: number): PathPoint | undefined =>
    path.closed ? path.points[(i + n) % n] : path.points[i];
  return {
    ...path,
    points: path.points.map((p, i) => {
      if (!indices.includes(i)) return p;
      const a = neighbour(i - 1);
      const b = neighbour(i + 1);
      const along = unit(subtract(b ?? p, a ?? p));
      return {
        ...p,
        kind: 'smooth',
        in: a ? scale(along, -distance(a, p) / 3) : ORIGIN,
        out: b ? scale(along, distance(b, p) / 3) : ORIGIN,
      };
    }),
  };
}

/** Closes an open path with a curve from its last to its first point, or opens a closed one there. */
export const withClosed = (path: Path, closed: boolean): Path => ({
  ...path,
  closed: closed && path.points.length > 1,
});

/** Draws the path on by a point at its end, or at its start. */
export function extendPath(path: Path, point: PathPoint, at: 'start' | 'end'): Path {
  if (at === 'end') return { ...path, points: [...path.points, point] };
  return { ...path, points: [{ ...point, in: point.out, out: point.in }, ...path.points] };
}

/** Caps and widths belong to places of the paper: written the other way, a stroke leaves the same line. */
function reversedInk(ink: Ink): Ink {
  const { start, end } = capsOf(ink);
  return changed(ink, {
    ...saidCaps({ start: end, end: start }),
    widths: ink.widths && mirroredWidths(ink.widths),
  });
}

/** Reverses the writing direction of strokes; head and tail keep their timing. */
export const reverseStrokes = (piece: Piece, ids: readonly string[]): Piece =>
  updateStrokes(piece, ids, (stroke) => ({
    ...stroke,
    path: reversePath(stroke.path),
    ink: reversedInk(stroke.ink),
  }));
