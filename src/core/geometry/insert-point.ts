import { splitCubic } from './cubic';
import type { PathPlace } from './measured-path';
import { corner, isStraight, segmentCubic, type Path, type PathPoint } from './path';
import { mix, subtract } from './point';

/** Puts a new point on the path without changing its shape: the curve is split exactly. */
export function insertPoint(path: Path, place: PathPlace): Path {
  const { segment, t } = place;
  const next = (segment + 1) % path.points.length;
  const [left, right] = splitCubic(segmentCubic(path, segment), t);
  const straight = isStraight(path, segment);
  const here = straight ? mix(path.points[segment]!, path.points[next]!, t) : { x: left[6], y: left[7] };
  const made: PathPoint = straight
    ? corner(here.x, here.y)
    : {
        ...here,
        in: { x: left[4] - here.x, y: left[5] - here.y },
        out: { x: right[2] - here.x, y: right[3] - here.y },
        kind: 'smooth',
      };
  const points = path.points.map((p, i): PathPoint => {
    let changed = p;
    if (straight) return changed;
    if (i === segment) changed = { ...changed, out: subtract({ x: left[2], y: left[3] }, p) };
    if (i === next) changed = { ...changed, in: subtract({ x: right[4], y: right[5] }, p) };
    return changed;
  });
  points.splice(segment + 1, 0, made);
  return { ...path, points };
}
