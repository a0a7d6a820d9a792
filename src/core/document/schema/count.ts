import { z } from 'zod';
import { idSchema, keyedNumber, number, wholeNumber } from '../../properties';

/** A number that stands in lettering where its text has a #, counted as its keys go. */
export const countSchema = z.strictObject({
  value: keyedNumber({ name: 'Number', unit: 'number', min: -1e9, max: 1e9 }),
  /** Digits after the point. */
  places: wholeNumber({ name: 'Digits after the point', unit: 'number', min: 0, max: 6 }),
  /** It goes with the head of a stroke: what it is where nothing of the path is inked, and where all of it is. */
  follows: z
    .strictObject({
      to: idSchema,
      none: number({ name: 'At no ink', unit: 'number', min: -1e9, max: 1e9 }),
      all: number({ name: 'At the full path', unit: 'number', min: -1e9, max: 1e9, initial: 100 }),
    })
    .exactOptional(),
});
export type Count = z.infer<typeof countSchema>;

/** The sign in a text that its number takes the place of. */
export const COUNT_SIGN = '#';
