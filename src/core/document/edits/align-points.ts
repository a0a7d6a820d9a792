import { distance, norm, scale, subtract, unit, type Path, type PathPoint, type Point } from '../../geometry';

type Axis = 'x' | 'y';

export const movedTo = (path: Path, to: ReadonlyMap<number, Partial<Point>>): Path => ({
  ...path,
  points: path.points.map((p, i) => (to.has(i) ? { ...p, ...to.get(i) } : p)),
});

/** Puts chosen points on one level (`y`) or upright (`x`) line: their mean, or their first or last along it. */
export function alignPoints(
  path: Path,
  indices: readonly number[],
  axis: Axis,
  to: 'least' | 'mean' | 'most',
): Path {
  const values = indices.map((i) => path.points[i]![axis]);
  if (values.length < 2) return path;
  const at =
    to === 'least'
      ? Math.min(...values)
      : to === 'most'
        ? Math.max(...values)
        : values.reduce((a, b) => a + b, 0) / values.length;
  return movedTo(path, new Map(indices.map((i) => [i, { [axis]: at }])));
}

/** A handle turned to lie along a level (`y`) or upright (`x`) line, as long as it was; none stays none. */
function levelled(handle: Point, axis: Axis): Point {
  const length = norm(handle);
  if (length === 0) return handle;
  const sign = Math.sign(axis === 'y' ? handle.x : handle.y) || 1;
  return axis === 'y' ? { x: sign * length, y: 0 } : { x: 0, y: sign * length };
}

/**
 * Puts chosen points on one level (`y`) or upright (`x`) line and straightens what lies between those that follow one another, so
 * that the line between them is straight. The far handle of a smooth point turns along, and keeps its length.
 */
export function levelPoints(path: Path, indices: readonly number[], axis: Axis): Path {
  const level = alignPoints(path, indices, axis, 'mean');
  const { points, closed } = level;
  if (indices.length < 2) return level;
  const chosen = new Set(indices);
  const follows = (i: number): boolean =>
    chosen.has(i) &&
    (closed ? chosen.has((i + 1) % points.length) : i + 1 < points.length && chosen.has(i + 1));
  return {
    ...level,
    points: points.map((point, i) => {
      const [before, after] = [follows((i - 1 + points.length) % points.length), follows(i)];
      if (!before && !after) return point;
      const smooth = point.kind === 'smooth';
      return {
        ...point,
        in: before || smooth ? levelled(point.in, axis) : point.in,
        out: after || smooth ? levelled(point.out, axis) : point.out,
      };
    }),
  };
}

/** Spaces chosen points evenly along an axis, the outermost staying. */
export function distributePoints(path: Path, indices: readonly number[], axis: Axis): Path {
  if (indices.length < 3) return path;
  const sorted = [...indices].sort((a, b) => path.points[a]![axis] - path.points[b]![axis]);
  const [first, last] = [path.points[sorted[0]!]![axis], path.points[sorted.at(-1)!]![axis]];
  return movedTo(
    path,
    new Map(sorted.map((i, k) => [i, { [axis]: first + ((last - first) * k) / (sorted.length - 1) }])),
  );
}

/** Puts chosen points at their common mean, on both axes. */
export const averagePoints = (path: Path, indices: readonly number[]): Path =>
  alignPoints(alignPoints(path, indices, 'x', 'mean'), indices, 'y', 'mean');

/** Turns a nearly level (or upright) handle pair exactly level: the handles of chosen points lie along an axis. */
export const levelHandles = (path: Path, indices: readonly number[], axis: Axis): Path => ({
  ...path,
  points: path.points.map((p, i) =>
    indices.includes(i) ? { ...p, in: levelled(p.in, axis), out: levelled(p.out, axis) } : p,
  ),
});

/** Makes points symmetric: handles in one line and of one length, along the way the path has there. */
export function toSymmetric(path: Path, indices: readonly number[]): Path {
  const n = path.points.length;
  return {
    ...path,
    points: path.points.map((p, i): PathPoint => {
      if (!indices.includes(i)) return p;
      const ends = !path.closed && (i === 0 || i === n - 1);
      if (ends) return { ...p, kind: 'symmetric' };
      const before = path.points[(i - 1 + n) % n]!;
      const after = path.points[(i + 1) % n]!;
      const own = unit(subtract(p.out, p.in));
      const along = norm(own) > 0 ? own : unit(subtract(after, before));
      const length = (norm(p.in) + norm(p.out)) / 2 || (distance(before, p) + distance(p, after)) / 6;
      return { ...p, kind: 'symmetric', in: scale(along, -length), out: scale(along, length) };
    }),
  };
}
