import { z } from 'zod';
import { glowSchema, shadowSchema } from '../../effects';
import { capSchema, dashesSchema, joinSchema, strokeEndSchema, taperSchema, widthsSchema } from '../../ink';
import {
  colour,
  FACTS,
  keyedColour,
  keyedLength,
  keyedNumber,
  keyedOpacity,
  length,
  number,
  offset,
  opacity,
} from '../../properties';
import { isKeyed, type Animated } from '../../timing';

const coordinate = z.number().min(-1e5).max(1e5);
const place = () => z.strictObject({ x: coordinate, y: coordinate }).register(FACTS, { kind: 'place' });
const parts = (name: string) => ({ kind: 'parts', name }) as const;

const stopSchema = z.strictObject({
  at: keyedNumber({ name: 'Position', unit: 'share', min: 0, max: 1 }),
  colour: keyedColour('Colour'),
  opacity: keyedOpacity(),
});

/** Colours that change along the stroke by arc length, or across the picture between two places. */
const gradientSchema = z.strictObject({
  /** `whole` and `visible` run along the stroke from tail to head; `picture` between the two places. */
  along: z.enum(['whole', 'visible', 'picture']),
  from: place(),
  to: place(),
  stops: z.array(stopSchema).min(1).max(40).readonly().register(FACTS, parts('Colour stop')),
});

const lineSchema = z.discriminatedUnion('kind', [
  /** Two rails, each as wide as the stroke, their middles so far apart. */
  z.strictObject({ kind: z.literal('double'), distance: length('Distance') }),
  /** The stroke's edge alone, a line of this thickness within its width. */
  z.strictObject({ kind: z.literal('hollow'), thickness: length('Thickness') }),
]);

/** A copy of the stroke under it, in one colour, moved and set aside along the path. */
const shadowLineSchema = z.strictObject({
  x: offset('Offset X'),
  y: offset('Offset Y'),
  /** To the right of the direction of travel, px. */
  aside: number({ name: 'Beside the path', unit: 'px', min: -4000, max: 4000, scales: 'size' }),
  /** In widths of the stroke. */
  width: number({ name: 'Width', unit: 'times', min: 0, max: 20 }),
  colour: colour('Colour'),
  opacity: opacity(),
});

/** How a stroke looks. What may be absent is then plain. */
export const inkSchema = z.strictObject({
  width: keyedLength('Width'),
  colour: keyedColour('Colour'),
  opacity: keyedOpacity(),
  cap: capSchema,
  /** Where the path ends, if that is unlike its beginning. */
  endCap: capSchema.exactOptional(),
  join: joinSchema,
  miterLimit: number({ name: 'Miter limit', unit: 'number', min: 1, max: 100, initial: 4 }).exactOptional(),
  widths: widthsSchema.exactOptional(),
  taper: taperSchema.exactOptional(),
  line: lineSchema.exactOptional(),
  dashes: dashesSchema.exactOptional(),
  ends: z
    .strictObject({
      head: strokeEndSchema.exactOptional().register(FACTS, parts('Head')),
      tail: strokeEndSchema.exactOptional().register(FACTS, parts('Tail')),
    })
    .exactOptional(),
  /** In place of `colour`. */
  gradient: gradientSchema.exactOptional(),
  glow: glowSchema.exactOptional().register(FACTS, parts('Glow')),
  innerGlow: glowSchema.exactOptional().register(FACTS, parts('Inner glow')),
  shadow: shadowSchema.exactOptional().register(FACTS, parts('Drop shadow')),
  shadowLine: shadowLineSchema.exactOptional().register(FACTS, parts('Shadow line')),
});
export type Ink = z.infer<typeof inkSchema>;
export type Gradient = z.infer<typeof gradientSchema>;
export type ShadowLine = z.infer<typeof shadowLineSchema>;

/** The greatest width an ink ever has, px: keyed widths, profile and both rails counted. */
export function widestOf(ink: Ink): number {
  const width = Math.max(...(isKeyed(ink.width) ? ink.width.keys.map((key) => key.value) : [ink.width]));
  const share = ink.widths ? Math.max(...ink.widths.map((point) => point.scale)) : 1;
  return (ink.line?.kind === 'double' ? ink.line.distance + width : width) * share;
}

/** The colour that stands for an ink where there is room for only one: of a gradient, the middle one of its strongest. */
export function swatchColour(ink: Ink): string {
  const first = (colour: Animated<string>): string => (isKeyed(colour) ? colour.keys[0]!.value : colour);
  if (!ink.gradient) return first(ink.colour);
  const strength = (opacity: Animated): number =>
    isKeyed(opacity) ? Math.max(...opacity.keys.map((key) => key.value)) : opacity;
  const most = Math.max(...ink.gradient.stops.map((stop) => strength(stop.opacity)));
  const strongest = ink.gradient.stops.filter((stop) => strength(stop.opacity) === most);
  return first(strongest[(strongest.length - 1) >> 1]!.colour);
}
