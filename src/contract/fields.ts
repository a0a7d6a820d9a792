import { z } from 'zod';
import { FIELD_KINDS } from '@/core/document';
import { rateSchema } from '@/core/timing';
import { endpoint, idParams } from './endpoint';

/** What of a piece can be filled in before it is exported. */
const pieceFieldsSchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  revision: z.number().int(),
  width: z.number(),
  height: z.number(),
  /** Frames. */
  length: z.number().int(),
  rate: rateSchema,
  fields: z.array(
    z.strictObject({
      name: z.string(),
      kind: z.enum(FIELD_KINDS),
      /** What it holds now; of an image its name. */
      value: z.union([z.string(), z.number()]).nullable(),
    }),
  ),
});

export const READ_FIELDS = endpoint('GET', '/api/pieces/:id/fields', {
  params: idParams,
  answer: pieceFieldsSchema,
});
