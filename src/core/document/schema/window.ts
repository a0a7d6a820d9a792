import { z } from 'zod';
import { keyedNumber } from '../../properties';
import { paceSchema } from '../../timing';
import { givenMannerSchema } from './manner';

/**
 * A window of a length of its own that travels along the stroke: it grows in at the start and shrinks out at the end.
 * `share` is of the stroke's length; `frames` is how much later the tail passes where the head has been.
 */
const travelSchema = z.strictObject({
  length: keyedNumber({
    name: 'Length of the window',
    unit: { field: 'unit' },
    min: 0,
    max: 100_000,
    scales: 'size',
  }),
  unit: z.enum(['px', 'share', 'frames']),
});
export type Travel = z.infer<typeof travelSchema>;

/** An end of what is inked. */
const END = { unit: 'share', min: -100_000, max: 100_000, typed: [-10, 10], ofPath: true } as const;

/** What of a path is inked. Values beyond 0..1 are ends that have run off the path. */
export const windowSchema = z.strictObject({
  head: keyedNumber({ name: 'Head', ...END, usual: [0, 1] }),
  tail: keyedNumber({ name: 'Tail', ...END, usual: [0, 1] }),
  slide: keyedNumber({ name: 'Slide', unit: 'share', min: -1000, max: 1000, ofPath: true }),
  /** Where given, the tail follows the head, and the head's value is how much of the way the window has gone. */
  travel: travelSchema.exactOptional(),
  /** Ink lies before the tail and after the head instead of between them. */
  outside: z.literal(true).exactOptional(),
});
export type WindowKeys = z.infer<typeof windowSchema>;

/** Several strokes timed as if they were one, all at once or one after another. */
export const lineSchema = z.strictObject({
  how: z.enum(['together', 'after']),
  window: windowSchema,
  /** The manner its window was given: what differs from it was set by hand. */
  manner: givenMannerSchema.exactOptional(),
  pace: paceSchema.exactOptional(),
});
export type LineOfStrokes = z.infer<typeof lineSchema>;
