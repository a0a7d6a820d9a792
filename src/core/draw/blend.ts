import { z } from 'zod';

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
