import { z } from 'zod';
import { check, choice, initialOf, keyedNumber, length, number, reference } from '../../properties';

/** How something rides on a stroke, by its pivot. */
export const riderSchema = z.strictObject({
  /** A stroke, or a group whose strokes it goes along one after another. */
  on: reference('Rides on', 'stroke or group'),
  at: choice('Where', ['head', 'tail', 'point']),
  /** Share of the length at which the point lies, where it rides on one. */
  point: keyedNumber({ name: 'Point', unit: 'share', min: 0, max: 1, initial: 0.5 }),
  turned: check('Turned with the stroke', true),
  /** Length over which the direction is looked at, so that it does not twitch. */
  over: length('Looked at over', { initial: 30 }),
  /** On top of the direction, or by itself where it stays upright. */
  lean: keyedNumber({ name: 'Lean', unit: 'angle', min: -100, max: 100 }),
  /** It comes in the frames before the ink sets out, and goes in those after it has arrived. */
  comes: number({ name: 'Comes in', unit: 'frames', min: 0, max: 1000, initial: 4 }),
  goes: number({ name: 'Goes in', unit: 'frames', min: 0, max: 1000, initial: 6 }),
  stays: check('Stays when it has arrived'),
  /** Its size follows the width of the ink: it is as it was made where that is so wide. */
  sized: check('Size follows the width'),
  width: number({
    name: 'As made at a width of',
    unit: 'px',
    min: 0.1,
    max: 4000,
    scales: 'size',
    initial: 12,
  }),
});
export type Rider = z.infer<typeof riderSchema>;

/**
 * A rider on a stroke or on a group of strokes.
 * @param size of the picture it is for, of one that is 1080 high.
 */
export const newRider = (on: string, size: number): Rider => ({
  ...initialOf(riderSchema.omit({ on: true }), size),
  on,
});
