import type { Ink } from '../src/core/document';

/** Round ink of a width (px) and a colour, with what differs. */
export const ink = (width: number, colour: string, part: Partial<Ink> = {}): Ink => ({
  width,
  colour,
  opacity: 1,
  cap: 'round',
  join: 'round',
  ...part,
});
