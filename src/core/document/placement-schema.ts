import { z } from 'zod';
import { compose, rotation, scaling, skewing, translation, type Matrix } from '../geometry';
import { animatedSchema, valueAt } from '../timing';
import { idSchema } from './ids';

const coordinate = z.number().min(-1e6).max(1e6);
export const matrixSchema = z
  .tuple([coordinate, coordinate, coordinate, coordinate, coordinate, coordinate])
  .readonly();

const length = animatedSchema(-1e6, 1e6);
const factor = animatedSchema(-1000, 1000);
/** Radians. */
const turn = animatedSchema(-10_000, 10_000);

/**
 * How something as it was made is put into the picture: about its pivot scaled, skewed and turned, then moved. All of it may
 * be keyed.
 */
export const placementSchema = z.strictObject({
  x: length,
  y: length,
  scaleX: factor,
  scaleY: factor,
  rotation: turn,
  skewX: animatedSchema(-1.55, 1.55),
  skewY: animatedSchema(-1.55, 1.55),
  /** What stays where it is while the rest is turned and scaled, in the coordinates it was made in. */
  pivotX: length,
  pivotY: length,
  opacity: animatedSchema(0, 1),
  /** A layer, group or pin that carries it along, and how that stood when it was taken up. */
  parent: z.strictObject({ to: idSchema, rest: matrixSchema }).exactOptional(),
});
export type Placement = z.infer<typeof placementSchema>;

/** The numbers of a placement that may be keyed. */
export type PlacementPart = Exclude<keyof Placement, 'parent'>;

/** A placement that leaves everything where it is. */
export const placementAbout = (pivot: { readonly x: number; readonly y: number }): Placement => ({
  x: 0,
  y: 0,
  scaleX: 1,
  scaleY: 1,
  rotation: 0,
  skewX: 0,
  skewY: 0,
  pivotX: pivot.x,
  pivotY: pivot.y,
  opacity: 1,
});

/** Blend modes of W3C Compositing and Blending Level 1, and `xor` of its compositing operators: each cuts the other out. */
export const BLENDS = [
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
  'xor',
] as const;
export const blendSchema = z.enum(BLENDS);
export type Blend = z.infer<typeof blendSchema>;

/** What a placement does at a frame, its parent left out. */
export function placementMatrix(place: Placement, frame: number): Matrix {
  const at = (part: PlacementPart): number => valueAt(place[part], frame);
  const [px, py] = [at('pivotX'), at('pivotY')];
  const steps: Matrix[] = [
    translation(px + at('x'), py + at('y')),
    rotation(at('rotation')),
    skewing(at('skewX'), at('skewY')),
    scaling(at('scaleX'), at('scaleY')),
    translation(-px, -py),
  ];
  return steps.reduce(compose);
}
