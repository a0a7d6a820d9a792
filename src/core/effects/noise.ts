import { createNoise2D } from 'simplex-noise';
import type { Point } from '../geometry';
import { seeded } from './seeded';

/** Root mean square of simplex noise in two dimensions, as measured over 1.2 million places. */
const RMS = 0.4412;
/** The distance at which simplex noise no longer goes along with itself: its autocorrelation crosses nought, measured likewise. */
const APART = 0.405;

/** Which way a place is moved, px. */
export type Field = (at: Point) => Point;

const known = new Map<
  number,
  readonly [ReturnType<typeof createNoise2D>, ReturnType<typeof createNoise2D>]
>();
const KNOWN_AT_MOST = 64;

function noiseOf(seed: number) {
  let pair = known.get(seed);
  if (!pair) {
    if (known.size >= KNOWN_AT_MOST) known.clear();
    pair = [createNoise2D(seeded(seed * 2)), createNoise2D(seeded(seed * 2 + 1))];
    known.set(seed, pair);
  }
  return pair;
}

/**
 * A field that moves places as by an unsteady hand: as far as `amount` (px, root mean square), neighbours alike, places further
 * apart than `grain` (px) each by themselves. The same for a seed everywhere.
 */
export function unsteady(amount: number, grain: number, seed: number): Field {
  const [x, y] = noiseOf(seed);
  const k = amount / (RMS * Math.SQRT2);
  const f = APART / Math.max(grain, 1e-3);
  return (at) => ({ x: k * x(at.x * f, at.y * f), y: k * y(at.x * f, at.y * f) });
}
