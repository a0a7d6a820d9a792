import { clamp } from '../numbers';
import { cubicPoint, type Cubic } from './cubic';
import { measurePath, type PathPlace } from './measured-path';
import type { Path } from './path';
import { distance, type Point } from './point';

export interface NearestPlace extends PathPlace {
  readonly point: Point;
  /** Distance from the asked point, px. */
  readonly distance: number;
}

const COARSE = 24;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Narrows a bracket around a minimum of `away` by golden-section search. */
function narrow(away: (t: number) => number, low: number, high: number): number {
  for (let k = 0; k < 30; k++) {
    const a = high - (high - low) * GOLDEN;
    const b = low + (high - low) * GOLDEN;
    if (away(a) < away(b)) high = b;
    else low = a;
  }
  const middle = (low + high) / 2;
  return [low, high, middle].reduce((p, q) => (away(q) < away(p) ? q : p));
}

/** The place of a straight line nearest to a point: how far along it that lies. */
function nearestOnLine([x0, y0, , , , , x1, y1]: Cubic, to: Point): { t: number; point: Point } {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const along = dx * dx + dy * dy;
  const t = along > 0 ? clamp(((to.x - x0) * dx + (to.y - y0) * dy) / along, 0, 1) : 0;
  return { t, point: { x: x0 + t * dx, y: y0 + t * dy } };
}

/**
 * The place on a path nearest to a point: every curve is sampled, and each sample that is nearer than its
 * neighbours is narrowed down; on a straight line it is where the point falls on it. Null for a path without curves.
 */
export function nearestPlace(path: Path, to: Point): NearestPlace | null {
  let best: NearestPlace | null = null;
  measurePath(path).segments.forEach(({ cubic, lengths }, segment) => {
    // Places on a line without handles are told by its length; as a curve it would be gone through at another pace.
    if (!lengths) {
      const found = nearestOnLine(cubic, to);
      const gap = distance(found.point, to);
      if (!best || gap < best.distance) best = { segment, ...found, distance: gap };
      return;
    }
    const away = (t: number) => distance(cubicPoint(cubic, t), to);
    const samples = Array.from({ length: COARSE + 1 }, (_, k) => away(k / COARSE));
    samples.forEach((here, k) => {
      if (here > (samples[k - 1] ?? Infinity) || here > (samples[k + 1] ?? Infinity)) return;
      const t = narrow(away, Math.max(0, k - 1) / COARSE, Math.min(COARSE, k + 1) / COARSE);
      const found = away(t);
      if (!best || found < best.distance) best = { segment, t, point: cubicPoint(cubic, t), distance: found };
    });
  });
  return best;
}
