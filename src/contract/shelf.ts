import { z } from 'zod';
import {
  nameSchema,
  newShelfItemSchema as documentItemSchema,
  type NewShelfItem as NewDocumentItem,
} from '@/core/document';
import { endpoint, idParams, itemParams } from './endpoint';
import { presetSchema } from './presets';

/** What an export is asked for with, under a name: as much of it as fits any piece. */
const newPresetSchema = z.strictObject({
  kind: z.literal('preset'),
  name: nameSchema,
  content: presetSchema,
});

/** What can be kept for reuse in a project: parts of documents, and what exports are asked for with. */
export const newShelfItemSchema = z.union([
  documentItemSchema as unknown as z.ZodType<NewDocumentItem, NewDocumentItem>,
  newPresetSchema,
]);
export type NewShelfItem = z.infer<typeof newShelfItemSchema>;
export type ShelfKind = NewShelfItem['kind'];
/** Something on the shelf of a kind. */
export type ShelfItem<K extends ShelfKind = ShelfKind> = Extract<NewShelfItem, { kind: K }> & {
  readonly id: string;
};

/** What was checked when it was put on the shelf comes off it as it is. */
const shelfItemSchema = z.custom<ShelfItem>((value) => typeof value === 'object' && value !== null);

const shelfSchema = z.strictObject({
  items: z.array(shelfItemSchema),
  /** Colours of strokes in all of the project's pieces, most used first. */
  colours: z.array(z.string()),
});
export type Shelf = z.infer<typeof shelfSchema>;

const one = { params: idParams };

export const SHELF = {
  read: endpoint('GET', '/api/projects/:id/shelf', { ...one, answer: shelfSchema }),
  add: endpoint('POST', '/api/projects/:id/shelf', {
    ...one,
    body: newShelfItemSchema,
    answer: shelfItemSchema,
  }),
  change: endpoint('PUT', '/api/projects/:id/shelf/:item', {
    params: itemParams,
    body: newShelfItemSchema,
    answer: shelfItemSchema,
  }),
  remove: endpoint('DELETE', '/api/projects/:id/shelf/:item', { params: itemParams }),
};
