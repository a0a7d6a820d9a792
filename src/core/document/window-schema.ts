import { z } from 'zod';
import { animatedSchema, paceSchema } from '../timing';

/**
 * A window of a length of its own that travels along the stroke: it grows in at the start and shrinks out at the end.
 * `share` is of the stroke's length; `frames` is how much later the tail passes where the head has been.
 */
export const travelSchema = z.strictObject({
  length: animatedSchema(0, 100_000),
  unit: z.enum(['px', 'share', 'frames']),
});
export type Travel = z.infer<typeof travelSchema>;

/** What of a path is inked. Values beyond 0..1 are ends that have run off the path. */
export const windowSchema = z.strictObject({
  head: animatedSchema(-100_000, 100_000),
  tail: animatedSchema(-100_000, 100_000),
  slide: animatedSchema(-1000, 1000),
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
  pace: paceSchema.exactOptional(),
});
export type LineOfStrokes = z.infer<typeof lineSchema>;
