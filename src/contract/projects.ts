import { z } from 'zod';
import { nameSchema, type Piece } from '@/core/document';
import { endpoint, idParams } from './endpoint';
import { pieceSummarySchema } from './pieces';

const projectSummarySchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  updatedAt: z.iso.datetime(),
  pieces: z.array(pieceSummarySchema),
});
export type ProjectSummary = z.infer<typeof projectSummarySchema>;

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

/** How many layouts ship with Obelus, so that room is kept for them until they are here. */
export const LAYOUTS_SHIPPED = 9;

/** Layouts that ship with Obelus: pieces with fields. */
export const LAYOUT_LIST = endpoint('GET', '/api/layouts', {
  answer: z.strictObject({
    layouts: z.array(z.strictObject({ id: z.string(), piece: z.custom<Piece>() })),
  }),
});

/** The finished piece of the sample world that the guided tour goes through. */
export const SAMPLE = { project: 'Saltmarsh Almanac', piece: 'Opening title' } as const;
