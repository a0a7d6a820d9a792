import { z } from 'zod';
import { rateSchema } from '@/core/timing';
import { checkedDocument, endpoint, hashSchema, idParams, revisionParams } from './endpoint';

const revision = z.number().int().min(1);

/** What the card of a piece shows. */
export const pieceSummarySchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  revision,
  width: z.number(),
  height: z.number(),
  length: z.number(),
  rate: rateSchema,
  over: z.string().nullable(),
  strokes: z.number(),
  updatedAt: z.iso.datetime(),
});
export type PieceSummary = z.infer<typeof pieceSummarySchema>;

/** A piece for the editor: how it stands, and its document. */
const openPieceSchema = z.strictObject({
  id: z.uuid(),
  projectId: z.uuid(),
  projectName: z.string(),
  revision,
  /** The session that made this revision. */
  savedBy: z.string(),
  document: checkedDocument,
});
export type OpenPiece = Readonly<z.infer<typeof openPieceSchema>>;

/** An entry of the history. */
const revisionSummarySchema = z.strictObject({
  revision,
  createdAt: z.iso.datetime(),
  note: z.string().nullable(),
});
export type RevisionSummary = z.infer<typeof revisionSummarySchema>;

const made = z.strictObject({ id: z.uuid(), revision });
const one = { params: idParams };

/** Documents that are sent are checked by their own reader, which says where their faults lie. */
const sent = z.unknown();

const basis = {
  baseRevision: revision,
  session: z.string().regex(/^[A-Za-z0-9-]{1,60}$/),
};

/** The revision that a save made, and what that holds, by `hashOf`. */
const saved = z.strictObject({ revision, hash: hashSchema });

const pointer = z
  .string()
  .max(500)
  .regex(/^(\/([^~/]|~[01])*)*$/, 'must be a JSON Pointer');

/** A JSON Patch (RFC 6902) of steps that put, take or change a part; what it makes is checked as a document is. */
const patchSchema = z
  .array(
    z.discriminatedUnion('op', [
      z.strictObject({ op: z.enum(['add', 'replace']), path: pointer, value: z.unknown() }),
      z.strictObject({ op: z.literal('remove'), path: pointer }),
    ]),
  )
  .max(20_000);

export const PIECES = {
  open: endpoint('GET', '/api/pieces/:id', { ...one, answer: openPieceSchema }),
  /** Over the revision it is based on: a stale save is refused with 409. */
  save: endpoint('PUT', '/api/pieces/:id', {
    ...one,
    body: z.strictObject({ ...basis, document: sent }),
    answer: saved,
  }),
  /**
   * As `save`, by what changed since that revision: `from` is the hash of the document it was made against, `makes` of the one it makes.
   * Where either is not so it is refused with `unfit`, and nothing is changed: the document is sent then.
   */
  patch: endpoint('PATCH', '/api/pieces/:id', {
    ...one,
    body: z.strictObject({ ...basis, from: hashSchema, makes: hashSchema, patch: patchSchema }),
    answer: saved,
  }),
  remove: endpoint('DELETE', '/api/pieces/:id', one),
  undelete: endpoint('POST', '/api/pieces/:id/undelete', one),
  /** Beside it, or in another project. */
  duplicate: endpoint('POST', '/api/pieces/:id/duplicate', {
    ...one,
    body: z.strictObject({ project: z.uuid().optional() }),
    answer: made,
  }),
  /** Into another project, with the faces that it is set in. */
  move: endpoint('POST', '/api/pieces/:id/move', { ...one, body: z.strictObject({ project: z.uuid() }) }),
  revision: endpoint('GET', '/api/pieces/:id/revision', { ...one, answer: z.strictObject({ revision }) }),
  revisions: endpoint('GET', '/api/pieces/:id/revisions', {
    ...one,
    answer: z.strictObject({ revisions: z.array(revisionSummarySchema) }),
  }),
  readRevision: endpoint('GET', '/api/pieces/:id/revisions/:revision', {
    params: revisionParams,
    answer: z.strictObject({ revision, document: checkedDocument }),
  }),
  restore: endpoint('POST', '/api/pieces/:id/revisions/:revision/restore', {
    params: revisionParams,
    answer: z.strictObject({ revision }),
  }),
  create: endpoint('POST', '/api/projects/:id/pieces', {
    ...one,
    body: z.strictObject({ document: sent }),
    answer: made,
  }),
};
