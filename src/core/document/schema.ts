import { z } from 'zod';
import { animatedSchema, rateSchema } from '../timing';

/** Version of the document format written today; a change of it brings a migration into read.ts. */
export const SCHEMA_VERSION = 1;

/** Bounds that keep a piece workable; documents beyond them are refused with the place of the fault. */
export const LIMITS = {
  pointsPerStroke: 5000,
  strokes: 2000,
  side: 8192,
  frames: 216_000,
  nameLength: 120,
} as const;

const coordinate = z.number().min(-1e6).max(1e6);
const offset = z.strictObject({ x: coordinate, y: coordinate });

const pointSchema = z.strictObject({
  x: coordinate,
  y: coordinate,
  in: offset,
  out: offset,
  kind: z.enum(['corner', 'smooth']),
});

const pathSchema = z.strictObject({
  closed: z.boolean(),
  points: z.array(pointSchema).min(1).max(LIMITS.pointsPerStroke).readonly(),
});

/** A name people read: no control characters, not blank, never used as a file path. */
export const nameSchema = z
  .string()
  .trim()
  .min(1)
  .max(LIMITS.nameLength)
  .refine((name) => !/[\u0000-\u001f\u007f]/.test(name), { message: 'must not hold control characters' });

/** A colour as six hexadecimal digits, #rrggbb. */
export const colourSchema = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'must be a colour such as #ff6b3d');

const idSchema = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'must be 1 to 40 letters, digits, - or _');

const inkSchema = z.strictObject({
  width: z.number().min(0).max(4000),
  colour: colourSchema,
  opacity: z.number().min(0).max(1),
  cap: z.enum(['flat', 'round', 'square']),
  join: z.enum(['miter', 'round', 'bevel']),
});

/** One pen movement: its path, its ink, and the window between tail and head that is inked. */
const strokeSchema = z.strictObject({
  type: z.literal('stroke'),
  id: idSchema,
  name: nameSchema,
  hidden: z.boolean(),
  locked: z.boolean(),
  path: pathSchema,
  ink: inkSchema,
  window: z.strictObject({
    head: animatedSchema(-10, 10),
    tail: animatedSchema(-10, 10),
    slide: animatedSchema(-1000, 1000),
  }),
});

/**
 * A piece: one deliverable. `layers` stand in writing order, and later ones lie over earlier ones.
 * `over` is the colour it is looked at over while working (null: a checker); it is never exported.
 */
export const pieceSchema = z.strictObject({
  schemaVersion: z.literal(SCHEMA_VERSION),
  name: nameSchema,
  size: z.strictObject({
    width: z.number().int().min(16).max(LIMITS.side),
    height: z.number().int().min(16).max(LIMITS.side),
  }),
  rate: rateSchema,
  length: z.number().int().min(1).max(LIMITS.frames),
  over: colourSchema.nullable(),
  layers: z
    .array(z.discriminatedUnion('type', [strokeSchema]))
    .max(LIMITS.strokes)
    .superRefine((layers, context) => {
      const seen = new Set<string>();
      layers.forEach((layer, i) => {
        if (seen.has(layer.id)) {
          context.addIssue({ code: 'custom', path: [i, 'id'], message: `is used twice: ${layer.id}` });
        }
        seen.add(layer.id);
      });
    })
    .readonly(),
});

export type Piece = z.infer<typeof pieceSchema>;
export type Stroke = z.infer<typeof strokeSchema>;
export type Ink = Stroke['ink'];
export type Cap = Ink['cap'];
export type WindowPart = keyof Stroke['window'];
