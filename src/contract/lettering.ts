import { z } from 'zod';
import { LIMITS, settingSchema, type SetText } from '@/core/document';
import type { Path } from '@/core/geometry';
import { endpoint, hashSchema, idParams } from './endpoint';

/** Single-line faces: each letter is strokes. */
export const LINE_FACES = [
  { id: 'HersheySans1', name: 'Hershey Sans' },
  { id: 'HersheyScript1', name: 'Hershey Script' },
  { id: 'EMSReadability', name: 'EMS Readability' },
  { id: 'EMSTech', name: 'EMS Tech' },
  { id: 'EMSAllure', name: 'EMS Allure' },
  { id: 'EMSFelix', name: 'EMS Felix' },
] as const;
export type LineFaceId = (typeof LINE_FACES)[number]['id'];
const lineFaceIds = LINE_FACES.map(({ id }) => id) as [LineFaceId, ...LineFaceId[]];

const faceSummarySchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  kind: z.string(),
  /** Weights to choose from, or the ends of an axis. */
  weights: z.union([z.array(z.number()), z.strictObject({ min: z.number(), max: z.number() })]),
  /** A word that shows it. */
  sample: z.string(),
});
export type FaceSummary = z.infer<typeof faceSummarySchema>;

const facesSchema = z.strictObject({
  faces: z.array(faceSummarySchema),
  lineFaces: z.array(z.strictObject({ id: z.enum(lineFaceIds), name: z.string() })),
});
export type Faces = z.infer<typeof facesSchema>;

const linesSchema = z.strictObject({
  letters: z.array(z.strictObject({ letter: z.string(), paths: z.array(z.custom<Path>()) })),
  missing: z.array(z.string()),
});

export const FACES = {
  list: endpoint('GET', '/api/projects/:id/faces', { params: idParams, answer: facesSchema }),
  /** Its body is the bytes of the font; `?name=` says what to call it where the font does not. */
  add: endpoint('POST', '/api/projects/:id/faces', { params: idParams, answer: faceSummarySchema }),
  remove: endpoint('DELETE', '/api/projects/:id/faces/:hash', {
    params: idParams.extend({ hash: hashSchema }),
  }),
};

export const LETTERING = {
  /** Shapes a text and sets it. */
  set: endpoint('POST', '/api/lettering', { body: settingSchema, answer: z.custom<SetText>() }),
  /** The OpenType features of its face that make a difference to a text. */
  features: endpoint('POST', '/api/lettering/features', {
    body: settingSchema,
    answer: z.strictObject({
      features: z.array(z.strictObject({ tag: z.string(), name: z.string(), on: z.boolean() })),
      /** Its axes of variation, besides that of weight. */
      axes: z.array(
        z.strictObject({
          tag: z.string(),
          name: z.string(),
          min: z.number(),
          max: z.number(),
          initial: z.number(),
        }),
      ),
    }),
  }),
  /** The forms that its face has for one letter of a text, by where that begins. */
  forms: endpoint('POST', '/api/lettering/forms', {
    body: z.strictObject({ setting: settingSchema, at: z.number().int().min(0).max(LIMITS.textLength) }),
    answer: z.strictObject({
      forms: z.array(z.strictObject({ tag: z.string(), value: z.number().int(), name: z.string() })),
    }),
  }),
  /** Writes a text in a single-line face. */
  lines: endpoint('POST', '/api/lettering/lines', {
    body: z.strictObject({
      text: z.string().max(LIMITS.textLength),
      face: z.enum(lineFaceIds),
      size: z.number().min(1).max(4000),
      tracking: z.number().min(-1000).max(5000),
      leading: z.number().min(0.1).max(10),
    }),
    answer: linesSchema,
  }),
};
