import { z } from 'zod';
import { keyedNumber } from '../properties';
import { effectKind } from './effect';

/** So many drawings a second; where there are more frames than that, each stands for several. */
export const drawingsPerSecond = (name = 'Drawings a second') =>
  keyedNumber({ name, unit: 'number', min: 0.1, max: 240, initial: 12, step: 1 });

/** The frame whose drawing is shown at a frame: the first at or before it of those that are drawn. */
export function heldFrame(frame: number, perSecond: number, framesPerSecond: number): number {
  const each = framesPerSecond / perSecond;
  // What falls a rounding short of a drawing belongs to it; no drawing is shown before its own frame.
  return each <= 1 ? frame : Math.floor(frame / each + 1e-9) * each;
}

/** Fewer drawings than frames: each is held. */
export const HELD = effectKind({
  name: 'Held frames',
  about: 'Fewer drawings a second, each held, as by hand.',
  touches: 'shape',
  schema: z.strictObject({ kind: z.literal('held frames'), drawings: drawingsPerSecond() }),
  apply: ({ drawings }, { frame, framesPerSecond, items }) =>
    items(heldFrame(frame, drawings, framesPerSecond)),
});
