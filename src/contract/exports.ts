import { z } from 'zod';
import { colourSchema } from '@/core/colour';
import type { Rate } from '@/core/timing';
import { checkedDocument, endpoint, idParams } from './endpoint';
import {
  FORMAT_IDS,
  formatOf,
  frameStep,
  isDeep,
  isSingle,
  TRANSPARENCIES,
  type Transparency,
} from './export-formats';

/** The rule by which exported files go: older than so many days, but never the newest few of a piece. */
export const EXPORTS_KEPT = { days: 30, newest: 10 } as const;

/** What is asked for of any piece, whatever its frames. What is left out is as the format has it. */
export const askedParts = {
  format: z.enum(FORMAT_IDS),
  /** Pixels of the file to a pixel of the piece. */
  scale: z.literal([0.25, 0.5, 1, 2], { error: 'must be 0.25, 0.5, 1 or 2' }),
  transparency: z.enum(Object.keys(TRANSPARENCIES) as [Transparency, ...Transparency[]]).optional(),
  /** What lies beneath, or what half-transparent edges are laid over. */
  over: colourSchema.optional(),
  quality: z.enum(['high', 'small']).optional(),
  /** Whether players begin again at its end. */
  plays: z.enum(['once', 'again']).optional(),
  /** Bits a channel: motion blur is a sum of many pictures, and holds more than eight. */
  depth: z.enum(['8', '16']).optional(),
  /** Whether what a vector format has no word for is drawn frame by frame, or nothing is made then. */
  wordless: z.enum(['drawn', 'refused']).optional(),
};

/** What a person asks of an export. Frames count from 0; both ends are included. */
export const exportSettingsSchema = z
  .strictObject({
    ...askedParts,
    first: z.number().int().min(0),
    last: z.number().int().min(0),
    /** What the first picture of a sequence is numbered. */
    number: z.number().int().min(0).max(9_999_999).optional(),
  })
  .superRefine((s, context) => {
    const format = formatOf(s.format);
    const { name, transparencies } = format;
    const fault = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (s.last < s.first) fault('last', 'must not lie before the first frame');
    else if (isSingle(format) && s.last !== s.first)
      fault('last', 'must be the first frame: this is a still');
    if (format.mostFrames && s.last - s.first >= format.mostFrames)
      fault('last', `is too far from the first frame: ${name} holds ${format.mostFrames} at most`);
    if (s.depth === '16' && !isDeep(format, s.transparency ?? transparencies[0]))
      fault('depth', `can’t be 16 bits in ${name}, ${TRANSPARENCIES[s.transparency ?? transparencies[0]]}`);
    if (s.transparency && !transparencies.includes(s.transparency))
      fault('transparency', `can’t be “${TRANSPARENCIES[s.transparency]}” in ${name}`);
  });
export type ExportSettings = z.infer<typeof exportSettingsSchema>;

/** What an export is made by: nothing of it is left open. */
export type WholeExportSettings = { readonly [K in keyof ExportSettings]-?: NonNullable<ExportSettings[K]> };

/** Settings with what was left out as the format has it. */
export const wholeSettings = (settings: ExportSettings): WholeExportSettings => ({
  ...settings,
  transparency: settings.transparency ?? formatOf(settings.format).transparencies[0],
  over: settings.over ?? '#000000',
  quality: settings.quality ?? 'high',
  plays: settings.plays ?? 'again',
  wordless: settings.wordless ?? 'drawn',
  depth: settings.depth ?? '8',
  number: settings.number ?? settings.first,
});

/** The frames of a piece that a file holds. */
export function exportedFrames({ format, first, last }: ExportSettings, rate: Rate): number[] {
  const step = frameStep(formatOf(format), rate);
  return Array.from({ length: Math.floor((last - first) / step) + 1 }, (_, i) => first + i * step);
}

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
  /** Whether it stays whatever the rule says. */
  kept: z.boolean(),
  createdAt: z.iso.datetime(),
});
export type ExportSummary = z.infer<typeof exportSummarySchema>;

/** An export among those of all projects. */
const listedExportSchema = exportSummarySchema.extend({
  pieceName: z.string(),
  projectName: z.string(),
  /** The revision that the piece is at now; null where it was deleted. */
  revisionNow: z.number().int().nullable(),
});
export type ListedExport = z.infer<typeof listedExportSchema>;

/** Values of a piece's fields by their names: texts, colours as #rrggbb, numbers. */
const fillsSchema = z.record(z.string().max(200), z.string().max(2000));

const one = { params: idParams, answer: exportSummarySchema };

export const EXPORTS = {
  /** Those of all projects, newest first, with what they take of the disk. */
  all: endpoint('GET', '/api/exports', {
    answer: z.strictObject({
      exports: z.array(listedExportSchema),
      disk: z.strictObject({ taken: z.number(), free: z.number() }),
    }),
  }),
  list: endpoint('GET', '/api/pieces/:id/exports', {
    params: idParams,
    answer: z.strictObject({ exports: z.array(exportSummarySchema) }),
  }),
  /** Of the piece as it is saved now; with `fields`, filled with these values first. */
  request: endpoint('POST', '/api/pieces/:id/exports', {
    ...one,
    body: z.strictObject({ settings: exportSettingsSchema, fields: fillsSchema.optional() }),
  }),
  read: endpoint('GET', '/api/exports/:id', one),
  retry: endpoint('POST', '/api/exports/:id/retry', one),
  cancel: endpoint('POST', '/api/exports/:id/cancel', one),
  keep: endpoint('PATCH', '/api/exports/:id', { ...one, body: z.strictObject({ kept: z.boolean() }) }),
  remove: endpoint('DELETE', '/api/exports/:id', { params: idParams }),
  /** The document it was made of. */
  document: endpoint('GET', '/api/exports/:id/document', {
    params: idParams,
    answer: z.strictObject({ document: checkedDocument }),
  }),
};
