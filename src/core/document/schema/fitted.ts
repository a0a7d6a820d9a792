import { z } from 'zod';
import { idSchema, number } from '../../properties';

/**
 * A stroke whose path keeps to the size of something else: a rule under a text, a box round it, one of the slices that fill
 * a box. Lengths in piece pixels.
 */
export const fittedSchema = z.strictObject({
  /** A layer or group. */
  to: idSchema,
  as: z.enum(['under', 'over', 'before', 'after', 'box', 'slice', 'lead in', 'lead out']),
  /**
   * Room left around it; under and over it, the first is what the line is longer by at each end. A line that leads in or out
   * along the foot of the text is as long as the first and stands as far off as the second.
   */
  padX: number({ name: 'Padding X', unit: 'px', min: -4000, max: 4000, scales: 'size' }),
  padY: number({ name: 'Padding Y', unit: 'px', min: -4000, max: 4000, scales: 'size' }),
  /** Where its path begins. */
  from: z.enum(['left', 'right']),
  /** Of a box: radius of its corners. */
  radius: number({ name: 'Corner radius', unit: 'px', min: 0, max: 4000, scales: 'size' }),
  /** Of a slice: which of how many, and which way its ink runs. The stroke is as wide as the slice. */
  slice: z
    .strictObject({
      index: z.number().int().min(0).max(99),
      of: z.number().int().min(1).max(100),
      way: z.enum(['down', 'up', 'right', 'left']),
    })
    .exactOptional(),
});
export type Fitted = z.infer<typeof fittedSchema>;
