import { cubicPoint } from './cubic';
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

/**
 * The place on a path nearest to a point: every curve is sampled, and each sample that is nearer than its
 * neighbours is narrowed down. Null for a path without curves.
 */
export function nearestPlace(path: Path, to: Point): NearestPlace | null {
  let best: NearestPlace | null = null;
  measurePath(path).segments.forEach(({ cubic }, segment) => {
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
