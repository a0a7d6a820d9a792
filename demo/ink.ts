import type { Ink } from '../src/core/document';
import type { Dashes } from '../src/core/ink';

/** Round ink of a width (px) and a colour, with what differs. */
export const ink = (width: number, colour: string, part: Partial<Ink> = {}): Ink => ({
  width,
  colour,
  opacity: 1,
  cap: 'round',
  join: 'round',
  ...part,
});

/** Dashes in widths of the stroke that stay put, with what differs. */
export const dashes = (pattern: readonly number[], part: Partial<Dashes> = {}): Dashes => ({
  pattern,
  unit: 'widths',
  phase: 0,
  flow: 'stay',
  speed: { value: 60, unit: 'px', seamless: true },
  fit: false,
  corners: false,
  grow: 0,
  ...part,
});
