import { z } from 'zod';
import { FACTS, keyedLength, keyedNumber, keyedOpacity } from '../../properties';
import { animatedOf } from '../../timing';
import { nameSchema } from './names';
import { pathSchema } from './path';

const at = (name: string, axis: 'x' | 'y') =>
  keyedNumber({ name, unit: 'px', min: -1e6, max: 1e6, scales: axis });
const size = (name: string) => keyedNumber({ name, unit: 'px', min: 0, max: 1e6, scales: 'size' });
const share = () =>
  keyedNumber({ name: 'How far', unit: 'share', min: -1, max: 2, typed: [0, 1], initial: 0.5 });
const place = z
  .strictObject({ x: z.number().min(-1e6).max(1e6), y: z.number().min(-1e6).max(1e6) })
  .register(FACTS, { kind: 'place' });

/** Where a mask covers, in the coordinates in which what it masks was made. Lengths px, angles radians, clockwise. */
const maskShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('rectangle'),
    x: at('Left', 'x'),
    y: at('Top', 'y'),
    width: size('Width'),
    height: size('Height'),
    radius: size('Corner radius'),
  }),
  z.strictObject({
    kind: z.literal('ellipse'),
    x: at('Centre X', 'x'),
    y: at('Centre Y', 'y'),
    radiusX: size('Radius X'),
    radiusY: size('Radius Y'),
  }),
  /** Closed, whether the path says so or not; between two keys one shape becomes the other. */
  z.strictObject({
    kind: z.literal('path'),
    path: animatedOf(pathSchema).register(FACTS, { kind: 'shape', keyed: true, name: 'Path' }),
  }),
  /** An edge across the way that moves from one place to another. */
  z.strictObject({ kind: z.literal('linear wipe'), from: place, to: place, share: share() }),
  /** A disc that grows to its reach. */
  z.strictObject({ kind: z.literal('radial wipe'), centre: place, reach: size('Radius'), share: share() }),
  /** A hand that goes round, and uncovers what it has passed. */
  z.strictObject({
    kind: z.literal('clock wipe'),
    centre: place,
    reach: size('Radius'),
    angle: keyedNumber({ name: 'Start angle', unit: 'angle', min: -10_000, max: 10_000 }),
    share: share(),
    anticlockwise: z.boolean(),
  }),
]);
export type MaskShape = z.infer<typeof maskShapeSchema>;
export type MaskKind = MaskShape['kind'];

/** One mask of a list; each meets what those before it have left. */
export const maskSchema = z.strictObject({
  name: nameSchema,
  shape: maskShapeSchema,
  /** Covers as well; takes away; leaves only what both cover. */
  how: z.enum(['add', 'subtract', 'intersect']),
  /**
   * Its shape stands in the picture, as a hold-out over something in the shot does: what it masks moves under it. Where absent
   * it stands in what it masks, and moves along.
   */
  stands: z.literal('picture').exactOptional(),
  inverted: z.boolean(),
  /** Width of the soft edge, px: twice the standard deviation of a blur; of a linear wipe the way over which it fades. */
  feather: keyedLength('Feather'),
  /** Its edge moved outward, px. */
  expansion: keyedNumber({ name: 'Expansion', unit: 'px', min: -4000, max: 4000, scales: 'size' }),
  opacity: keyedOpacity(),
  /** Moved by this, px. */
  x: keyedNumber({ name: 'Offset X', unit: 'px', min: -1e6, max: 1e6, scales: 'size' }),
  y: keyedNumber({ name: 'Offset Y', unit: 'px', min: -1e6, max: 1e6, scales: 'size' }),
});
export type Mask = z.infer<typeof maskSchema>;

/** How many masks one layer or group may have. */
export const MOST_MASKS = 50;

/** A mask of a shape, hard-edged. */
export const newMask = (name: string, shape: MaskShape, how: Mask['how'] = 'add'): Mask => ({
  name,
  shape,
  how,
  inverted: false,
  feather: 0,
  expansion: 0,
  opacity: 1,
  x: 0,
  y: 0,
});
