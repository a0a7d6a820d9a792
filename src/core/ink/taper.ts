import { z } from 'zod';
import { FACTS, keyedNumber } from '../properties';
import { ease, easingSchema, type Easing } from '../timing';

/** How one end of a stroke runs out: over a length, down to a share of the width. */
const taperEndSchema = z.strictObject({
  /** In `unit`. */
  length: keyedNumber({ name: 'Length', unit: { field: 'unit' }, min: 0, max: 4000, scales: 'size' }),
  unit: z.enum(['px', 'share']),
  /** Share of the width at the very end. */
  tip: keyedNumber({ name: 'Tip', unit: 'share', min: 0, max: 1 }),
  /** How the width grows from the tip. */
  curve: easingSchema,
});

export const taperSchema = z.strictObject({
  start: taperEndSchema.exactOptional().register(FACTS, { kind: 'parts', name: 'Taper at the start' }),
  end: taperEndSchema.exactOptional().register(FACTS, { kind: 'parts', name: 'Taper at the end' }),
  /** Measured on the whole path, or on what is inked: then a growing line keeps its fine ends. */
  over: z.enum(['whole', 'visible']),
});
export type Taper = z.infer<typeof taperSchema>;
export type TaperEnd = z.infer<typeof taperEndSchema>;

/** One end of a taper at a moment: its length in px. */
export interface TaperNow {
  readonly length: number;
  readonly tip: number;
  readonly curve: Easing;
}

/** Share of the width at a distance (px) from the end that is tapered. */
export function taperShare(taper: TaperNow, away: number): number {
  if (away >= taper.length) return 1;
  const grown = Math.max(0, ease(taper.curve, Math.max(0, away) / taper.length));
  return taper.tip + (1 - taper.tip) * grown;
}
