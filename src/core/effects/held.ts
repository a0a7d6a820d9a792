import { z } from 'zod';
import { isKeyed, valueAt, type Animated } from '../timing';
import { keyedNumber } from '../properties';
import { effectKind } from './effect';

/** So many drawings a second; where there are more frames than that, each stands for several. */
export const drawingsPerSecond = (name = 'Drawings a second') =>
  keyedNumber({ name, unit: 'number', min: 0.1, max: 240, initial: 12, step: 1 });

/** What falls a rounding short of a drawing belongs to it, frames. */
const SHORT = 1e-9;

/**
 * The frame whose drawing is shown at a frame: the last at or before it of those that are drawn. Where the rate follows keys, each
 * drawing is held for as long as the rate at its own frame says, so that none changes while it is held.
 */
export function heldFrame(frame: number, perSecond: Animated, framesPerSecond: number): number {
  const eachAt = (at: number): number => framesPerSecond / valueAt(perSecond, at);
  if (!isKeyed(perSecond) || frame <= 0) {
    const each = eachAt(0);
    return each <= 1 ? frame : Math.floor(frame / each + SHORT) * each;
  }
  let drawn = 0;
  for (;;) {
    const each = eachAt(drawn);
    // With as many drawings as frames, or more, every moment is its own.
    if (each <= 1 && frame < drawn + 1) return frame;
    const next = drawn + Math.max(1, each);
    if (next > frame + SHORT) return drawn;
    drawn = next;
  }
}

/** Fewer drawings than frames: each is held. */
export const HELD = effectKind({
  name: 'Held frames',
  about: 'Fewer drawings a second, each held, as by hand.',
  touches: 'shape',
  isSoft: false,
  redraws: true,
  schema: z.strictObject({ kind: z.literal('held frames'), drawings: drawingsPerSecond() }),
  apply: (_, { frame, framesPerSecond, items }, { drawings }) =>
    items(heldFrame(frame, drawings, framesPerSecond)),
});
