import { z } from 'zod';

/** Caps of SVG 2 (13.5.4); `flat` is its `butt`. */
export const capSchema = z.enum(['flat', 'round', 'square']);
/** Joins of SVG 2 (13.5.5). */
export const joinSchema = z.enum(['miter', 'round', 'bevel']);
export type Cap = z.infer<typeof capSchema>;
export type Join = z.infer<typeof joinSchema>;

/** The caps of a stroke where its path begins and where it ends. */
export interface Caps {
  readonly start: Cap;
  readonly end: Cap;
}

/** Both caps of a pen: that of the end is another one only where it says so. */
export const capsOf = ({ cap, endCap }: { readonly cap: Cap; readonly endCap?: Cap }): Caps => ({
  start: cap,
  end: endCap ?? cap,
});

/** Both caps as a pen says them. */
export const saidCaps = ({ start, end }: Caps): { cap: Cap; endCap: Cap | undefined } => ({
  cap: start,
  endCap: end === start ? undefined : end,
});

/** The miter limit where a stroke names none: the default of SVG 2 (13.5.5). */
export const MITER_LIMIT = 4;
