import { z } from 'zod';
import { colourSchema } from '../../colour';
import { blendSchema } from '../../draw';
import { capSchema, joinSchema } from '../../ink';
import { matrixSchema } from './placement';

/** Characters of path data in one piece of art, all shapes together. */
export const MOST_ART_DATA = 2_000_000;

const share = z.number().min(0).max(1);
const coordinate = z.number().min(-1e6).max(1e6);
const point = z.strictObject({ x: coordinate, y: coordinate });

/** SVG path data of absolute moves, lines, cubics and closes. */
export const dataSchema = z
  .string()
  .max(MOST_ART_DATA)
  .regex(/^[MLCZ\d\s.eE+-]*$/, 'must be path data of M, L, C and Z');

const stops = z
  .array(z.strictObject({ at: share, colour: colourSchema, opacity: share }))
  .min(1)
  .max(1000)
  .readonly();

/** Colours from one place to another, or from one circle to another, in the shape's own units. Beyond the last stop its colour goes on. */
const gradientSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('linear'), from: point, to: point, stops }),
  z.strictObject({
    kind: z.literal('radial'),
    centre: point,
    radius: z.number().min(0).max(1e6),
    focus: point,
    focusRadius: z.number().min(0).max(1e6),
    /** From the units of its circles to those of the shape: they may lie there as ellipses. */
    transform: matrixSchema,
    stops,
  }),
]);
export type ArtGradient = z.infer<typeof gradientSchema>;

const paintSchema = z.union([colourSchema, gradientSchema]);
export type ArtPaint = z.infer<typeof paintSchema>;

/** Index of a group of the art. */
const groupIndex = z.number().int().min(0).max(20_000);

const shapeSchema = z.strictObject({
  data: dataSchema,
  fill: paintSchema.nullable(),
  fillOpacity: share,
  rule: z.enum(['nonzero', 'evenodd']),
  line: z
    .strictObject({
      colour: paintSchema,
      opacity: share,
      width: z.number().min(0).max(1e6),
      cap: capSchema,
      join: joinSchema,
      miterLimit: z.number().min(1).max(1000),
      dashes: z.array(z.number().min(0).max(1e6)).max(50).readonly(),
      dashPhase: z.number().min(-1e6).max(1e6),
    })
    .nullable(),
  transform: matrixSchema,
  /** The group it lies in. */
  group: groupIndex.exactOptional(),
});
export type ArtShape = z.infer<typeof shapeSchema>;

/** Shapes that are painted together first and then laid down as one. Their shapes name it; they lie next to one another. */
const artGroupSchema = z.strictObject({
  /** The group it lies in; one that stands before it in the list. */
  group: groupIndex.exactOptional(),
  opacity: share,
  blend: blendSchema.exactOptional(),
  /** It is seen only where these are, by where they cover or by how bright they are. Their groups stand after this one. */
  matte: z
    .strictObject({
      by: z.enum(['shape', 'brightness']),
      shapes: z.array(shapeSchema).max(5000).readonly(),
    })
    .exactOptional(),
});
export type ArtGroup = z.infer<typeof artGroupSchema>;

/** Whether groups stand in their order, so that none lies in itself or is seen through itself. */
function areInOrder(groups: readonly ArtGroup[]): boolean {
  const standsAfter = (index: number | undefined, least: number): boolean =>
    index === undefined ||
    (index > least && index < groups.length && standsAfter(groups[index]!.group, least));
  return groups.every(
    ({ group, matte }, i) =>
      (group === undefined || group < i) && (matte?.shapes.every((one) => standsAfter(one.group, i)) ?? true),
  );
}

/** What art is made of. */
export const artParts = {
  shapes: z
    .array(shapeSchema)
    .max(5000)
    .refine((shapes) => shapes.reduce((sum, shape) => sum + shape.data.length, 0) <= MOST_ART_DATA, {
      message: 'hold more path data than one piece of art may',
    })
    .readonly(),
  groups: z
    .array(artGroupSchema)
    .max(5000)
    .refine(areInOrder, {
      message: 'must stand after what they lie in, and before the groups of their mattes',
    })
    .readonly()
    .exactOptional(),
};

/** The colour that stands for all of some art: that of its first fill, else of its first line. */
export function colourOfArt({ shapes }: { readonly shapes: readonly ArtShape[] }): string | null {
  const paint = shapes.find((one) => one.fill)?.fill ?? shapes.find((one) => one.line)?.line?.colour;
  return paint ? colourOfPaint(paint) : null;
}

/** The colour that stands for a paint where there is room for only one: of a gradient, its middle one. */
export const colourOfPaint = (paint: ArtPaint): string =>
  typeof paint === 'string' ? paint : paint.stops[paint.stops.length >> 1]!.colour;
