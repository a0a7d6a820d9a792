import { z } from 'zod';

/** Caps of SVG 2 (13.5.4); `flat` is its `butt`. */
export const capSchema = z.enum(['flat', 'round', 'square']);
/** Joins of SVG 2 (13.5.5). */
export const joinSchema = z.enum(['miter', 'round', 'bevel']);
export type Cap = z.infer<typeof capSchema>;
export type Join = z.infer<typeof joinSchema>;

/** The miter limit where a stroke names none: the default of SVG 2 (13.5.5). */
export const MITER_LIMIT = 4;
