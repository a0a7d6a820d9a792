import { z } from 'zod';
import { rateSchema } from '@/core/timing';
import { endpoint, hashSchema, idParams } from './endpoint';
import { exportSettingsSchema } from './exports';

/** What is in a file, read from the file itself. */
export const fileFactsSchema = z.strictObject({
  /** Pictures that are decoded here, or vectors that a page plays. */
  shows: z.enum(['frames', 'svg', 'lottie']),
  /** Whether a second picture says how much of the first is there. */
  hasMatte: z.boolean(),
  width: z.number().int(),
  height: z.number().int(),
  frames: z.number().int(),
  rate: rateSchema,
  codec: z.string(),
  /** How pixels are stored, in ffmpeg's words; empty for vectors. */
  pixels: z.string(),
  alpha: z.boolean(),
  /** Matrix, transfer, primaries and range as the file is tagged (ITU-T H.273); null where it says nothing, or need not. */
  tags: z.string().nullable(),
  /** What is odd about it, in words. */
  problems: z.array(z.string()),
});

/** A file as the edit bay received it. */
const receivedSchema = fileFactsSchema.extend({
  hash: hashSchema,
  name: z.string(),
  bytes: z.number(),
  /** The export it came from; null for files from outside. */
  export: z
    .strictObject({
      id: z.uuid(),
      pieceId: z.uuid(),
      revision: z.number().int(),
      settings: exportSettingsSchema,
      /** Whether its fields were filled with other values than its document holds. */
      filled: z.boolean(),
    })
    .nullable(),
});
export type Received = z.infer<typeof receivedSchema>;

export const BAY = {
  /** Takes a file from outside; its body is the bytes of the file. */
  take: endpoint('POST', '/api/bay', { answer: receivedSchema }),
  /** The file of a finished export. */
  open: endpoint('GET', '/api/exports/:id/received', { params: idParams, answer: receivedSchema }),
};

/** The edit bay with the file of an export in it. */
export const bayAddress = (exportId: string): string => `/bay?export=${exportId}`;
