import { z } from 'zod';
import {
  nameSchema,
  type NewShelfItem,
  newShelfItemSchema,
  type Piece,
  type ShelfItem,
} from '@/core/document';
import { endpoint, idParams, itemParams } from './endpoint';
import { pieceSummarySchema } from './pieces';

const projectSummarySchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  updatedAt: z.iso.datetime(),
  pieces: z.array(pieceSummarySchema),
});
export type ProjectSummary = z.infer<typeof projectSummarySchema>;

/** What was checked when it was put on the shelf comes off it as it is. */
const shelfItemSchema = z.custom<ShelfItem>((value) => typeof value === 'object' && value !== null);
const newItemSchema = newShelfItemSchema as z.ZodType<NewShelfItem, NewShelfItem>;

const shelfSchema = z.strictObject({
  items: z.array(shelfItemSchema),
  /** Colours of strokes in all of the project's pieces, most used first. */
  colours: z.array(z.string()),
});
export type Shelf = z.infer<typeof shelfSchema>;

const named = z.strictObject({ name: nameSchema });
const one = { params: idParams };

export const PROJECTS = {
  list: endpoint('GET', '/api/projects', {
    answer: z.strictObject({ projects: z.array(projectSummarySchema) }),
  }),
  create: endpoint('POST', '/api/projects', {
    body: named,
    answer: z.strictObject({ id: z.uuid(), name: z.string() }),
  }),
  rename: endpoint('PATCH', '/api/projects/:id', { ...one, body: named }),
  remove: endpoint('DELETE', '/api/projects/:id', one),
  undelete: endpoint('POST', '/api/projects/:id/undelete', one),
};

export const SHELF = {
  read: endpoint('GET', '/api/projects/:id/shelf', { ...one, answer: shelfSchema }),
  add: endpoint('POST', '/api/projects/:id/shelf', { ...one, body: newItemSchema, answer: shelfItemSchema }),
  change: endpoint('PUT', '/api/projects/:id/shelf/:item', {
    params: itemParams,
    body: newItemSchema,
    answer: shelfItemSchema,
  }),
  remove: endpoint('DELETE', '/api/projects/:id/shelf/:item', { params: itemParams }),
};

/** How many layouts ship with Obelus, so that room is kept for them until they are here. */
export const LAYOUTS_SHIPPED = 9;

/** Layouts that ship with Obelus: pieces with fields. */
export const LAYOUT_LIST = endpoint('GET', '/api/layouts', {
  answer: z.strictObject({
    layouts: z.array(z.strictObject({ id: z.string(), piece: z.custom<Piece>() })),
  }),
});
