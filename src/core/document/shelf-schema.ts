import { z } from 'zod';
import { easingSchema } from '../timing';
import { inkSchema } from './ink-schema';
import { mannerSchema } from './manner-schema';
import { nameSchema } from './names';

/** What can be kept for reuse in all pieces of a project: inks, manners, and easings that are liked. */
export const newShelfItemSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('style'), name: nameSchema, content: inkSchema }),
  z.strictObject({ kind: z.literal('manner'), name: nameSchema, content: mannerSchema }),
  z.strictObject({ kind: z.literal('easing'), name: nameSchema, content: easingSchema }),
]);
export type NewShelfItem = z.infer<typeof newShelfItemSchema>;
export type ShelfKind = NewShelfItem['kind'];
/** Something on the shelf of a kind. */
export type ShelfItem<K extends ShelfKind = ShelfKind> = Extract<NewShelfItem, { kind: K }> & {
  readonly id: string;
};
