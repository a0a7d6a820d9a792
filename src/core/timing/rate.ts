import { z } from 'zod';

/** Frames a second as a fraction, so that 29.97 is exactly 30000/1001. */
export const rateSchema = z.strictObject({
  numerator: z.number().int().min(1).max(240_000),
  denominator: z.number().int().min(1).max(1001),
});
export type Rate = z.infer<typeof rateSchema>;

export const framesPerSecond = (rate: Rate): number => rate.numerator / rate.denominator;

/** The rates offered: film, television, the web, and 12 for work held on twos. */
export const RATES: readonly Rate[] = [
  { numerator: 12, denominator: 1 },
  { numerator: 24000, denominator: 1001 },
  { numerator: 24, denominator: 1 },
  { numerator: 25, denominator: 1 },
  { numerator: 30000, denominator: 1001 },
  { numerator: 30, denominator: 1 },
  { numerator: 50, denominator: 1 },
  { numerator: 60000, denominator: 1001 },
  { numerator: 60, denominator: 1 },
];

/** The rate as people say it: 25, 29.97, 23.976. */
export function rateName(rate: Rate): string {
  const fps = framesPerSecond(rate);
  if (Number.isInteger(fps)) return String(fps);
  return String(Number(fps.toFixed(Math.abs(fps - 23.976) < 0.01 ? 3 : 2)));
}
