import { z } from 'zod';
import { idSchema, keyedNumber } from '../../properties';
import { nameSchema } from './names';

/** A point that moves through the picture, px; layers and groups may be carried along by it. */
export const pinSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  x: keyedNumber({ name: 'Position X', unit: 'px', min: -1e6, max: 1e6, scales: 'x' }),
  y: keyedNumber({ name: 'Position Y', unit: 'px', min: -1e6, max: 1e6, scales: 'y' }),
});
export type Pin = z.infer<typeof pinSchema>;
