import { z } from 'zod';
import { colourSchema } from '../colour';
import { capSchema, dashesSchema, joinSchema, strokeEndSchema, taperSchema, widthsSchema } from '../ink';
import { animatedOf, animatedSchema, isKeyed, type Animated } from '../timing';

const share = z.number().min(0).max(1);
const length = z.number().min(0).max(4000);
const offset = z.number().min(-1e5).max(1e5);

const stopSchema = z.strictObject({
  at: animatedSchema(0, 1),
  colour: animatedOf(colourSchema),
  opacity: animatedSchema(0, 1),
});

/** Colours that change along the stroke by arc length, or across the picture between two places. */
const gradientSchema = z.strictObject({
  /** `whole` and `visible` run along the stroke from tail to head; `picture` between the two places. */
  along: z.enum(['whole', 'visible', 'picture']),
  from: z.strictObject({ x: offset, y: offset }),
  to: z.strictObject({ x: offset, y: offset }),
  stops: z.array(stopSchema).min(1).max(40).readonly(),
});

const lineSchema = z.discriminatedUnion('kind', [
  /** Two rails, each as wide as the stroke, their middles so far apart. */
  z.strictObject({ kind: z.literal('double'), distance: length }),
  /** The stroke's edge alone, a line of this thickness within its width. */
  z.strictObject({ kind: z.literal('hollow'), thickness: length }),
]);

const glowSchema = z.strictObject({
  /** How far it reaches, px: twice the standard deviation of the blur. */
  size: length,
  /** By how much it is strengthened; 1 is the blur alone. */
  gain: z.number().min(0).max(20),
  colour: colourSchema,
  opacity: share,
});

const shadowSchema = z.strictObject({
  x: offset,
  y: offset,
  /** px: twice the standard deviation. */
  blur: length,
  colour: colourSchema,
  opacity: share,
});

/** A copy of the stroke under it, in one colour, moved and set aside along the path. */
const shadowLineSchema = z.strictObject({
  x: offset,
  y: offset,
  /** To the right of the direction of travel, px. */
  aside: z.number().min(-4000).max(4000),
  /** In widths of the stroke. */
  width: z.number().min(0).max(20),
  colour: colourSchema,
  opacity: share,
});

/** How a stroke looks. What may be absent is then plain. */
export const inkSchema = z.strictObject({
  width: animatedSchema(0, 4000),
  colour: animatedOf(colourSchema),
  opacity: animatedSchema(0, 1),
  cap: capSchema,
  join: joinSchema,
  miterLimit: z.number().min(1).max(100).exactOptional(),
  widths: widthsSchema.exactOptional(),
  taper: taperSchema.exactOptional(),
  line: lineSchema.exactOptional(),
  dashes: dashesSchema.exactOptional(),
  ends: z
    .strictObject({ head: strokeEndSchema.exactOptional(), tail: strokeEndSchema.exactOptional() })
    .exactOptional(),
  /** In place of `colour`. */
  gradient: gradientSchema.exactOptional(),
  glow: glowSchema.exactOptional(),
  innerGlow: glowSchema.exactOptional(),
  shadow: shadowSchema.exactOptional(),
  shadowLine: shadowLineSchema.exactOptional(),
});
export type Ink = z.infer<typeof inkSchema>;
export type Gradient = z.infer<typeof gradientSchema>;
export type Glow = z.infer<typeof glowSchema>;
export type Shadow = z.infer<typeof shadowSchema>;
export type ShadowLine = z.infer<typeof shadowLineSchema>;

/** The greatest width an ink ever has, px: keyed widths, profile and both rails counted. */
export function widestOf(ink: Ink): number {
  const width = Math.max(...(isKeyed(ink.width) ? ink.width.keys.map((key) => key.value) : [ink.width]));
  const share = ink.widths ? Math.max(...ink.widths.map((point) => point.scale)) : 1;
  return (ink.line?.kind === 'double' ? ink.line.distance + width : width) * share;
}

/** The colour that stands for an ink where there is room for only one: of a gradient, the middle one of its strongest. */
export function markColour(ink: Ink): string {
  const first = (colour: Animated<string>): string => (isKeyed(colour) ? colour.keys[0]!.value : colour);
  if (!ink.gradient) return first(ink.colour);
  const strength = (opacity: Animated): number =>
    isKeyed(opacity) ? Math.max(...opacity.keys.map((key) => key.value)) : opacity;
  const most = Math.max(...ink.gradient.stops.map((stop) => strength(stop.opacity)));
  const strongest = ink.gradient.stops.filter((stop) => strength(stop.opacity) === most);
  return first(strongest[(strongest.length - 1) >> 1]!.colour);
}
