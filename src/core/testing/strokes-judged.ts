import { measurePath, pointAtLength, type Point } from '../geometry';
import type { TracedStroke } from '../trace';

/** px. */
const APART = 1.5;

/** Places on the way of a stroke, evenly spread. */
export function placesOf({ path }: Pick<TracedStroke, 'path'>): Point[] {
  const m = measurePath(path);
  const count = Math.max(1, Math.ceil(m.length / APART));
  return Array.from({ length: count + 1 }, (_, i) => pointAtLength(m, (m.length * i) / count));
}

/** Times that the pen is lifted between strokes that are written one after another. */
export const liftsBetween = (strokes: readonly TracedStroke[]): number =>
  strokes.filter((stroke, i) => {
    if (i === 0) return false;
    const before = strokes[i - 1]!;
    const [p, q] = [before.path.points.at(-1)!, stroke.path.points[0]!];
    return (
      before.path.closed || Math.hypot(p.x - q.x, p.y - q.y) > 0.6 * Math.max(before.width, stroke.width)
    );
  }).length;
