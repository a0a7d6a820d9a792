import { z } from 'zod';
import { keyedNumber, length, reference } from '../../properties';

/** A stroke that runs from one thing to another, and follows both. */
export const betweenSchema = z.strictObject({
  from: reference('From', 'anything'),
  to: reference('To', 'anything'),
  /** How far its middle stands off the straight line, to the left of the way, px. */
  arch: keyedNumber({ name: 'Arch', unit: 'px', min: -4000, max: 4000, scales: 'size' }),
  /** Room left at each end, px. */
  gap: length('Gap'),
});
export type Between = z.infer<typeof betweenSchema>;
