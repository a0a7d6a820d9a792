import { z } from 'zod';
import { effectsSchema } from '../../effects';
import { easingSchema } from '../../timing';
import { inkSchema } from './ink';
import { mannerSchema } from './manner';
import { nameSchema } from './names';
import { pieceSchema } from './piece';

/** What can be kept for reuse in all pieces of a project: inks, manners, easings and effects that are liked, layouts and accents. */
export const newShelfItemSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('style'), name: nameSchema, content: inkSchema }),
  z.strictObject({ kind: z.literal('manner'), name: nameSchema, content: mannerSchema }),
  z.strictObject({ kind: z.literal('easing'), name: nameSchema, content: easingSchema }),
  z.strictObject({ kind: z.literal('layout'), name: nameSchema, content: pieceSchema }),
  z.strictObject({ kind: z.literal('effects'), name: nameSchema, content: effectsSchema }),
  z.strictObject({ kind: z.literal('accent'), name: nameSchema, content: pieceSchema }),
]);
export type NewShelfItem = z.infer<typeof newShelfItemSchema>;
