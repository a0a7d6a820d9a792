import { splitCubic } from './cubic';
import type { PathPlace } from './measured-path';
import { corner, isStraight, segmentCubic, type Path, type PathPoint } from './path';
import { mix, subtract } from './point';

/** The points of a path with one put in after a curve. */
const withPoint = (path: Path, points: readonly PathPoint[], segment: number, made: PathPoint): Path => ({
  ...path,
  points: [...points.slice(0, segment + 1), made, ...points.slice(segment + 1)],
});

/** Puts a new point on the path without changing its shape: the curve is split exactly. */
export function insertPoint(path: Path, { segment, t }: PathPlace): Path {
  const { points } = path;
  const next = (segment + 1) % points.length;
  if (isStraight(path, segment)) {
    const { x, y } = mix(points[segment]!, points[next]!, t);
    return withPoint(path, points, segment, corner(x, y));
  }
  const [left, right] = splitCubic(segmentCubic(path, segment), t);
  const here = { x: left[6], y: left[7] };
  const made: PathPoint = {
    ...here,
    in: { x: left[4] - here.x, y: left[5] - here.y },
    out: { x: right[2] - here.x, y: right[3] - here.y },
    kind: 'smooth',
  };
  const changed = points.map((p, i): PathPoint => {
    const out = i === segment ? subtract({ x: left[2], y: left[3] }, p) : p.out;
    return { ...p, out, in: i === next ? subtract({ x: right[4], y: right[5] }, p) : p.in };
  });
  return withPoint(path, changed, segment, made);
}
