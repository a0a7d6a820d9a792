import { z } from 'zod';
import { FACTS, keyedNumber } from '../../properties';

/** Tag of an axis along which a variable face changes (OpenType 1.9, fvar table). */
export const axisTagSchema = z.string().regex(/^[a-zA-Z0-9]{4}$/);

/** A place on an axis, in its own measure. */
export const axisPlaceSchema = z.number().min(-1e5).max(1e5);

/** Names of the registered axes (OpenType 1.9, Design-variation axis tag registry). */
export const AXIS_NAMES: Readonly<Record<string, string>> = {
  wght: 'Weight',
  wdth: 'Width',
  opsz: 'Optical size',
  slnt: 'Slant',
  ital: 'Italic',
};

/** Places on the axes of a text's face that follow keys, by their tags; others stand as its setting says. */
export const axesSchema = z
  .record(axisTagSchema, keyedNumber({ name: 'Place', unit: 'number', min: -1e5, max: 1e5 }))
  .register(FACTS, { kind: 'parts', name: 'Axis', of: AXIS_NAMES });
export type Axes = z.infer<typeof axesSchema>;
