import { z } from 'zod';
import { idSchema, keyedNumber, number } from '../../properties';

/**
 * How lettering comes and goes, all at once or part by part. `shown` says how far it is there, from 0 (not yet) to 1 (in
 * place); every part follows it `gap` frames after the one before.
 */
export const arrivalSchema = z.strictObject({
  by: z.enum(['all', 'line', 'word', 'letter']),
  order: z.enum(['first to last', 'last to first', 'from the middle']),
  /** Frames between one part and the next. */
  gap: number({ name: 'Gap', unit: 'frames', min: 0, max: 1000 }),
  /** Frames within which all of them set out, however many there are: then the gaps between them are shorter. */
  within: number({ name: 'All within', unit: 'frames', min: 0, max: 10_000 }).exactOptional(),
  shown: keyedNumber({ name: 'There', unit: 'share', min: -2, max: 3, usual: [0, 1] }),
  /** Side from which it slides in and to which it slides out; null where it stays in its place. */
  from: z.enum(['below', 'above', 'left', 'right']).nullable(),
  /** Goes on to the other side where it leaves, instead of back. */
  onward: z.boolean(),
  /** A stroke along whose middle it is cut off and out of which it slides; else the edge of its own line of text. */
  line: idSchema.exactOptional(),
  /** Between the text's edge and where it is cut off where no stroke says so, px. */
  margin: number({ name: 'Margin', unit: 'px', min: -4000, max: 4000, scales: 'size' }),
  /** Not cut off: it slides in through the open. */
  open: z.boolean(),
  /** Share of its opacity with which it begins. */
  fade: z.boolean(),
  /** Size with which it begins, as a share of its own. */
  scale: number({ name: 'Scale', unit: 'share', min: 0, max: 100 }),
  /** Added between letters where it begins, in thousandths of the size. */
  tracking: number({ name: 'Tracking', unit: 'number', min: -1000, max: 5000, step: 10 }),
});
export type Arrival = z.infer<typeof arrivalSchema>;

/** Lettering that is simply there. */
export const newArrival = (part: Partial<Arrival> = {}): Arrival => ({
  by: 'all',
  order: 'first to last',
  gap: 2,
  shown: 1,
  from: 'below',
  onward: false,
  margin: 0,
  open: false,
  fade: false,
  scale: 1,
  tracking: 0,
  ...part,
});
