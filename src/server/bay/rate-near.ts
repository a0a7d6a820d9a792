import { clamp } from '@/core/numbers';
import { framesPerSecond, RATES, type Rate } from '@/core/timing';

/** How far, as a share, a rate that a file tells may be off one that is in use: whole milliseconds are what some keep. */
const NEAR = 0.002;

/** The rate in use that is nearest to so many frames a second; one that nobody uses to a thousandth. */
export function rateNear(perSecond: number): Rate {
  const off = (rate: Rate): number => Math.abs(framesPerSecond(rate) / perSecond - 1);
  const nearest = RATES.reduce((best, rate) => (off(rate) < off(best) ? rate : best));
  if (off(nearest) <= NEAR) return nearest;
  return { numerator: clamp(Math.round(perSecond * 1000), 1, 240_000), denominator: 1000 };
}
