import { z } from 'zod';
import { colourSchema } from '../../colour';
import { number } from '../../properties';
import { LIMITS } from './limits';

const features = z.record(z.string().regex(/^[a-zA-Z0-9]{4}$/), z.number().int().min(0).max(99));

/** OpenType features by their registered tags: 0 off, 1 on, more for one of several alternates. */
export const featuresSchema = () => features.exactOptional();

/** How one letter of a text is set unlike the others. What is absent is as the text has it. */
export const letterSchema = z.strictObject({
  /** Where in the text it begins. */
  at: z.number().int().min(0).max(LIMITS.textLength),
  /** Added between it and the next letter, in thousandths of the size. */
  kern: number({ name: 'Kerning', unit: 'number', min: -2000, max: 5000, step: 5 }).exactOptional(),
  /** Moved from its place, px. */
  x: number({ name: 'X', unit: 'px', min: -20_000, max: 20_000, scales: 'size' }).exactOptional(),
  y: number({ name: 'Y', unit: 'px', min: -20_000, max: 20_000, scales: 'size' }).exactOptional(),
  /** Turned clockwise (radians) and scaled about the middle of its ink. */
  rotation: number({ name: 'Rotation', unit: 'angle', min: -100, max: 100 }).exactOptional(),
  scale: number({ name: 'Scale', unit: 'share', min: 0.01, max: 20, step: 0.05, initial: 1 }).exactOptional(),
  colour: colourSchema.exactOptional(),
  /** Another form of it. */
  features: featuresSchema(),
});
export type LetterSetting = z.infer<typeof letterSchema>;

/** The letters of a text that are set unlike the others, in the order of the text. */
export const lettersSchema = z
  .array(letterSchema)
  .max(LIMITS.textLength)
  .refine((letters) => letters.every(({ at }, i) => i === 0 || at > letters[i - 1]!.at), {
    message: 'must stand in the order of the text, each once',
  })
  .readonly();
