import { z } from 'zod';
import { idSchema, number, opacity } from '../../properties';
import { coordinate } from './measures';
import { nameSchema } from './names';

/** A reference to follow: pixels in the asset store, never part of the picture. */
export const underlaySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  hidden: z.boolean(),
  locked: z.boolean(),
  asset: z.string().regex(/^[0-9a-f]{64}$/, 'must be the hash of a stored file'),
  /** Pixels of the stored picture. */
  width: z.number().int().min(1).max(20_000),
  height: z.number().int().min(1).max(20_000),
  /** Its top left corner, and piece pixels to one of its own. */
  x: number({ name: 'Position X', unit: 'px', min: -1e6, max: 1e6 }),
  y: number({ name: 'Position Y', unit: 'px', min: -1e6, max: 1e6 }),
  scale: number({ name: 'Scale', unit: 'share', min: 0.001, max: 1000, initial: 1 }),
  opacity: opacity(),
});

/** A line to snap to, across the whole piece. */
export const guideSchema = z.strictObject({ axis: z.enum(['x', 'y']), at: coordinate });
