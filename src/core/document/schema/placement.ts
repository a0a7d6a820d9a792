import { z } from 'zod';
import { compose, rotation, scaling, skewing, translation, type Matrix } from '../../geometry';
import { FACTS, idSchema, keyedNumber, keyedOpacity } from '../../properties';
import { valueAt } from '../../timing';
import { riderSchema } from './rider';

const coordinate = z.number().min(-1e6).max(1e6);
export const matrixSchema = z
  .tuple([coordinate, coordinate, coordinate, coordinate, coordinate, coordinate])
  .readonly();

const LENGTH = { unit: 'px', min: -1e6, max: 1e6 } as const;
const FACTOR = { unit: 'share', min: -1000, max: 1000, initial: 1 } as const;
const SKEW = { unit: 'angle', min: -1.55, max: 1.55 } as const;

/**
 * How something as it was made is put into the picture: about its pivot scaled, skewed and turned, then moved. All of it may
 * be keyed.
 */
export const placementSchema = z.strictObject({
  x: keyedNumber({ name: 'Position X', ...LENGTH, scales: 'size' }),
  y: keyedNumber({ name: 'Position Y', ...LENGTH, scales: 'size' }),
  scaleX: keyedNumber({ name: 'Scale X', ...FACTOR }),
  scaleY: keyedNumber({ name: 'Scale Y', ...FACTOR }),
  rotation: keyedNumber({ name: 'Rotation', unit: 'angle', min: -10_000, max: 10_000 }),
  skewX: keyedNumber({ name: 'Skew X', ...SKEW }),
  skewY: keyedNumber({ name: 'Skew Y', ...SKEW }),
  /** What stays where it is while the rest is turned and scaled, in the coordinates it was made in. */
  pivotX: keyedNumber({ name: 'Pivot X', ...LENGTH, scales: 'x' }),
  pivotY: keyedNumber({ name: 'Pivot Y', ...LENGTH, scales: 'y' }),
  opacity: keyedOpacity(),
  /** A layer, group or pin that carries it along, and how that stood when it was taken up. */
  parent: z
    .strictObject({ to: idSchema, rest: matrixSchema.readonly().register(FACTS, { kind: 'rest' }) })
    .exactOptional(),
  /** A stroke that it rides on; before its parent. */
  rider: riderSchema.exactOptional().register(FACTS, { kind: 'parts', name: 'Rider' }),
});
export type Placement = z.infer<typeof placementSchema>;

/** The numbers of a placement that may be keyed. */
export type PlacementPart = Exclude<keyof Placement, 'parent' | 'rider'>;

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
