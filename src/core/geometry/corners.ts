import { tangentAtLength, measurePath, type MeasuredPath } from './measured-path';
import type { Path } from './path';
import type { Point } from './point';

/** Turn on the spot, in radians, that is a corner. */
const CORNER = 0.02;

/** A place where a path turns on the spot: its length from the start (px), and the directions before and after. */
export interface Corner {
  readonly s: number;
  readonly into: Point;
  readonly out: Point;
}

const known = new WeakMap<Path, readonly Corner[]>();

/** The corners of a path in their order; the ends of an open one are none. */
export function cornersOf(path: Path): readonly Corner[] {
  let corners = known.get(path);
  if (!corners) {
    corners = findCorners(measurePath(path));
    known.set(path, corners);
  }
  return corners;
}

function findCorners(m: MeasuredPath): Corner[] {
  if (m.length === 0) return [];
  const reach = Math.min(0.01, m.length * 1e-4);
  const inner = m.starts.slice(m.path.closed ? 0 : 1, -1);
  return inner
    .filter((s, i) => i === 0 || s - inner[i - 1]! > reach)
    .map((s) => ({
      s,
      into: tangentAtLength(m, s > 0 ? s - reach : m.length - reach),
      out: tangentAtLength(m, s + reach),
    }))
    .filter(({ into, out }) => {
      const turn = Math.atan2(into.x * out.y - into.y * out.x, into.x * out.x + into.y * out.y);
      return Math.abs(turn) > CORNER;
    });
}
