import { insertPoint } from './insert-point';
import type { PathPlace } from './measured-path';
import type { Path, PathPoint } from './path';

/** Cuts a path at a place: an open one into two, a closed one open there. */
export function splitPath(path: Path, place: PathPlace): Path[] {
  const { segment, t } = place;
  // On a point, cut there; between points, put one there first.
  const atStart = t < 1e-6;
  const atEnd = t > 1 - 1e-6;
  const whole = atStart || atEnd ? path : insertPoint(path, place);
  const n = whole.points.length;
  const index = (segment + (atStart ? 0 : 1)) % n;
  const open = (points: readonly PathPoint[]): Path => ({
    closed: false,
    points: points.map((p, i) => ({
      ...p,
      in: i === 0 ? { x: 0, y: 0 } : p.in,
      out: i === points.length - 1 ? { x: 0, y: 0 } : p.out,
    })),
  });
  if (path.closed) {
    const turned = [...whole.points.slice(index), ...whole.points.slice(0, index)];
    return [open([...turned, turned[0]!])];
  }
  if (index === 0 || index === n - 1) return [path];
  return [open(whole.points.slice(0, index + 1)), open(whole.points.slice(index))];
}
