import { z } from 'zod';
import { animatedOf, animatedSchema } from '../timing';
import { nameSchema } from './names';
import { pathSchema } from './path-schema';

const at = animatedSchema(-1e6, 1e6);
const size = animatedSchema(0, 1e6);
const share = animatedSchema(-1, 2);
const place = z.strictObject({ x: z.number().min(-1e6).max(1e6), y: z.number().min(-1e6).max(1e6) });

/** Where a mask covers, in the coordinates in which what it masks was made. Lengths px, angles radians, clockwise. */
export const maskShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rectangle'), x: at, y: at, width: size, height: size, radius: size }),
  z.strictObject({ kind: z.literal('ellipse'), x: at, y: at, radiusX: size, radiusY: size }),
  /** Closed, whether the path says so or not; between two keys one shape becomes the other. */
  z.strictObject({ kind: z.literal('path'), path: animatedOf(pathSchema) }),
  /** An edge across the way that moves from one place to another. */
  z.strictObject({ kind: z.literal('linear wipe'), from: place, to: place, share }),
  /** A disc that grows to its reach. */
  z.strictObject({ kind: z.literal('radial wipe'), centre: place, reach: size, share }),
  /** A hand that goes round, and uncovers what it has passed. */
  z.strictObject({
    kind: z.literal('clock wipe'),
    centre: place,
    reach: size,
    angle: animatedSchema(-10_000, 10_000),
    share,
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
  inverted: z.boolean(),
  /** Width of the soft edge, px: twice the standard deviation of a blur; of a linear wipe the way over which it fades. */
  feather: animatedSchema(0, 4000),
  /** Its edge moved outward, px. */
  expansion: animatedSchema(-4000, 4000),
  opacity: animatedSchema(0, 1),
  /** Moved by this, px. */
  x: at,
  y: at,
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
