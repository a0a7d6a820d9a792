import { z } from 'zod';
import { number } from '../../properties';

/** How long within a frame a shutter is open, as an angle of its full turn, and where in the turn it opens. */
export const shutterSchema = z.strictObject({
  angle: number({ name: 'Shutter angle', unit: 'angle', min: 0, max: Math.PI * 4, initial: Math.PI }),
  phase: number({
    name: 'Shutter phase',
    unit: 'angle',
    min: -Math.PI * 2,
    max: Math.PI * 2,
    initial: -Math.PI / 2,
  }),
});
export type Shutter = z.infer<typeof shutterSchema>;

/** Common practice: 180 degrees is the neutral motion blur; open as long before a frame as after it. */
export const SHUTTER: Shutter = { angle: Math.PI, phase: -Math.PI / 2 };
