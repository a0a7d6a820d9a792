import {
  distance,
  fitPath,
  measurePath,
  nearestPlace,
  norm,
  pointAtLength,
  subtract,
  type Path,
  type PathPoint,
  type Point,
} from '../../geometry';
import { updateStrokes } from '../parts';
import type { Piece, Stroke } from '../schema';

/** Samples of a path at even distances, with the places of its corners among them. */
function samplesOf(path: Path, step: number): { points: Point[]; corners: number[] } {
  const m = measurePath(path);
  const points: Point[] = [];
  const corners: number[] = [];
  m.segments.forEach((segment, i) => {
    const kind = path.points[i]!.kind;
    if (kind === 'corner' && (i > 0 || path.closed)) corners.push(points.length);
    const n = Math.max(2, Math.min(400, Math.ceil(segment.length / step)));
    for (let k = 0; k < n; k++) {
      points.push(pointAtLength(m, m.starts[i]! + (segment.length * k) / n));
    }
  });
  if (!path.closed) points.push(pointAtLength(m, m.length));
  return { points, corners };
}

/** Greatest distance between a path and samples of another, px. */
export const greatestDeviation = (path: Path, points: readonly Point[]): number =>
  points.reduce(
    (most, p) => Math.max(most, nearestPlace(path, p)?.distance ?? distance(path.points[0]!, p)),
    0,
  );

/**
 * The same line with fewer points. Corners stay corners.
 * @param tolerance greatest distance it may move, px.
 * @returns the path, or the very same where it would not get fewer points.
 */
export function simplifyPath(path: Path, tolerance: number): Path {
  if (path.points.length < 3) return path;
  const { length } = measurePath(path);
  if (length === 0) return path;
  const { points, corners } = samplesOf(path, Math.max(0.5, Math.min(length / 60, tolerance)));
  // A turn of corner points smaller than the tolerance shows is none: fitting decides; a sharp one stays.
  const sharp = corners.filter((i) => turnAt(points, i, path.closed) > 0.35);
  const fitted = fitPath(points, tolerance, sharp, path.closed);
  return fitted.points.length < path.points.length ? fitted : path;
}

function turnAt(points: readonly Point[], i: number, closed: boolean): number {
  const n = points.length;
  const [a, b] = [
    points[closed ? (i - 1 + n) % n : Math.max(0, i - 1)]!,
    points[closed ? (i + 1) % n : Math.min(n - 1, i + 1)]!,
  ];
  const p = points[i]!;
  const [u, v] = [subtract(p, a), subtract(b, p)];
  return Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y));
}

/** What simplifying strokes would do: points before and after, and how far a line moves at the most. */
export function simplifyPreview(
  strokes: readonly Stroke[],
  tolerance: number,
): { before: number; after: number; deviation: number; paths: ReadonlyMap<string, Path> } {
  let [before, after, deviation] = [0, 0, 0];
  const paths = new Map<string, Path>();
  for (const stroke of strokes) {
    const path = simplifyPath(stroke.path, tolerance);
    before += stroke.path.points.length;
    after += path.points.length;
    if (path !== stroke.path) {
      paths.set(stroke.id, path);
      const step = Math.max(1, measurePath(stroke.path).length / 200);
      deviation = Math.max(deviation, greatestDeviation(path, samplesOf(stroke.path, step).points));
    }
  }
  return { before, after, deviation, paths };
}

export const simplifyStrokes = (piece: Piece, ids: readonly string[], tolerance: number): Piece =>
  updateStrokes(piece, ids, (stroke) => {
    const path = simplifyPath(stroke.path, tolerance);
    return path === stroke.path ? stroke : { ...stroke, path };
  });

/** Makes the stretch between neighbouring chosen points straight; of fewer than two the whole path between its ends. */
export function straighten(path: Path, indices: readonly number[]): Path {
  const n = path.points.length;
  const chosen = indices.length > 1 ? [...indices].sort((a, b) => a - b) : [0, n - 1];
  const runs = chosen.slice(1).map((b, i) => [chosen[i]!, b] as const);
  const drop = new Set<number>();
  const points = path.points.map((p, i): PathPoint => {
    let q = p;
    for (const [a, b] of runs) {
      if (i > a && i < b) drop.add(i);
      if (i === a) q = { ...q, out: { x: 0, y: 0 } };
      if (i === b) q = { ...q, in: { x: 0, y: 0 } };
    }
    return q === p ? p : { ...q, kind: norm(q.in) > 0 && norm(q.out) > 0 ? q.kind : 'corner' };
  });
  return { ...path, points: points.filter((_, i) => !drop.has(i)) };
}
