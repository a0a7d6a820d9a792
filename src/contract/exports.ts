import { z } from 'zod';
import { endpoint, idParams } from './endpoint';

/** The rule by which exported files go: older than so many days, but never the newest few of a piece. */
export const EXPORTS_KEPT = { days: 30, newest: 10 } as const;

export const exportFormatSchema = z.enum(['webm', 'png']);
export type ExportFormat = z.infer<typeof exportFormatSchema>;

/** What a person asks of an export. Frames count from 0; both ends are included. */
export const exportSettingsSchema = z
  .strictObject({
    format: exportFormatSchema,
    scale: z.union([z.literal(0.5), z.literal(1), z.literal(2)]),
    first: z.number().int().min(0),
    last: z.number().int().min(0),
  })
  .refine((s) => s.last >= s.first, { path: ['last'], message: 'must not lie before the first frame' });
export type ExportSettings = z.infer<typeof exportSettingsSchema>;

const exportStatusSchema = z.enum(['queued', 'running', 'done', 'failed', 'cancelled']);
export type ExportStatus = z.infer<typeof exportStatusSchema>;

const exportSummarySchema = z.strictObject({
  id: z.uuid(),
  pieceId: z.uuid(),
  revision: z.number().int(),
  settings: exportSettingsSchema,
  status: exportStatusSchema,
  framesDone: z.number(),
  framesTotal: z.number(),
  /** Seconds left, by the pace so far; null while it can't be told. */
  secondsLeft: z.number().nullable(),
  message: z.string().nullable(),
  fileName: z.string(),
  bytes: z.number().nullable(),
  createdAt: z.iso.datetime(),
});
export type ExportSummary = z.infer<typeof exportSummarySchema>;

const one = { params: idParams, answer: exportSummarySchema };

export const EXPORTS = {
  list: endpoint('GET', '/api/pieces/:id/exports', {
    params: idParams,
    answer: z.strictObject({ exports: z.array(exportSummarySchema) }),
  }),
  request: endpoint('POST', '/api/pieces/:id/exports', { ...one, body: exportSettingsSchema }),
  read: endpoint('GET', '/api/exports/:id', one),
  retry: endpoint('POST', '/api/exports/:id/retry', one),
  cancel: endpoint('POST', '/api/exports/:id/cancel', one),
};

/** Where the file of an export is fetched. */
export const exportFileAddress = (id: string): string => `/api/exports/${id}/file`;
