import { z } from 'zod';
import { number, wholeNumber } from '../../properties';
import { easingSchema, landingEasing, paceSchema, type Easing } from '../../timing';
import { nameSchema } from './names';

/** A length of time, so many frames at least. */
const frames = (name: string, min: number) =>
  wholeNumber({ name, unit: 'frames', min, max: 100_000, typed: [min, 9999] });
const SOFT: Easing = landingEasing(0.75);

/** A stored way of writing on, off, both, or passing along. Lengths of time in frames. */
export const mannerSchema = z.strictObject({
  kind: z.enum(['on', 'off', 'both', 'pass']),
  /** Where inking starts to grow, the origin; `ends` is from both ends to the middle, `point` a place of its own. */
  from: z.enum(['start', 'middle', 'end', 'ends', 'point']).default('start'),
  /** The origin, as a share of the length, where `from` is a point. */
  origin: number({ name: 'Origin at', unit: 'share', min: 0, max: 1 }).default(0.5),
  onFrames: frames('Writes on in', 1).default(20),
  offFrames: frames('Writes off in', 1).default(15),
  /** Frames between writing on and off; null: off so that it ends with the piece. */
  hold: frames('Holds', 0).nullable().default(null),
  /** How it leaves: onward as it came, or back to where it came from. */
  leaves: z.enum(['onward', 'back']).default('onward'),
  easing: easingSchema.default(SOFT),
  offEasing: easingSchema.default(SOFT),
  /** Length of the window that passes along. */
  length: z
    .strictObject({
      value: number({ name: 'Window length', unit: { field: 'unit' }, min: 0, max: 100_000 }),
      unit: z.enum(['px', 'share', 'frames']),
    })
    .default({ value: 0.35, unit: 'share' }),
  /** How progress is spread along the path; null leaves that as it is. */
  pace: paceSchema.nullable().default(null),
});
export type Manner = z.infer<typeof mannerSchema>;
/** A manner as a stroke or a line of strokes was given it, by its name then. */
export const givenMannerSchema = z.strictObject({ name: nameSchema, way: mannerSchema });
export type GivenManner = z.infer<typeof givenMannerSchema>;

/** A manner in which only what differs from the plain one is said. */
export type MannerParts = z.input<typeof mannerSchema>;

export const mannerOf = (parts: MannerParts): Manner => mannerSchema.parse(parts);
