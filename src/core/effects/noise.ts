import { createNoise2D } from 'simplex-noise';
import type { Point } from '../geometry';
import { remembered } from '../keep';
import { seeded } from './seeded';

/** Root mean square of simplex noise in two dimensions, as measured over 1.2 million places. */
const RMS = 0.4412;
/** The distance at which simplex noise no longer goes along with itself: its autocorrelation crosses nought, measured likewise. */
const APART = 0.405;

/** Which way a place is moved, px. */
export type Field = (at: Point) => Point;

const noiseOf = remembered(
  { most: 64 },
  (seed: number) => [createNoise2D(seeded(seed * 2)), createNoise2D(seeded(seed * 2 + 1))] as const,
);

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
