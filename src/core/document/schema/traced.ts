import { z } from 'zod';
import { idSchema } from '../../properties';
import { LIMITS } from './limits';
import { share } from './measures';

/** How a hand wrote a stroke: share of its time at shares of its length, and the seconds it took. */
export const handSchema = z.strictObject({
  seconds: z.number().min(0).max(3600),
  pace: z
    .array(z.strictObject({ at: share, time: share }))
    .min(2)
    .max(500)
    .readonly(),
});

/**
 * What a stroke was traced from, and a mark of the path as it was traced: another mark now means hand corrections. `glyph` is the
 * one of a text that it writes, as the text was set when its strokes were found.
 */
export const tracedSchema = z.strictObject({
  from: idSchema,
  mark: z.string().max(40),
  glyph: z
    .number()
    .int()
    .min(0)
    .max(LIMITS.textLength * 4)
    .exactOptional(),
});
