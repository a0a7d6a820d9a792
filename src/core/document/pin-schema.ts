import { z } from 'zod';
import { animatedSchema } from '../timing';
import { idSchema } from './ids';
import { nameSchema } from './names';

/** A point that moves through the picture, px; layers and groups may be carried along by it. */
export const pinSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  x: animatedSchema(-1e6, 1e6),
  y: animatedSchema(-1e6, 1e6),
});
export type Pin = z.infer<typeof pinSchema>;
