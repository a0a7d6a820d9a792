import { HOLD, landingEasing, type Animated, type Key } from '../../timing';
import type { Piece, Stroke } from '../schema';
import { updateStrokes } from './layers';

/** A way of writing on, off, or both. Frames are whole numbers; `landing` is the influence of arriving keys, 0..1. */
export interface Manner {
  readonly kind: 'on' | 'off' | 'both';
  /** Where inking starts to grow: the origin. */
  readonly from: 'start' | 'middle' | 'end';
  /** First frame of writing on. */
  readonly onAt: number;
  readonly onFrames: number;
  /** First frame of writing off. */
  readonly offAt: number;
  readonly offFrames: number;
  readonly landing: number;
}

type Move = { head: [number, number]; tail: [number, number] };

/** Head and tail before and after the ink comes. */
const ON: Record<Manner['from'], Move> = {
  start: { head: [0, 1], tail: [0, 0] },
  middle: { head: [0.5, 1], tail: [0.5, 0] },
  end: { head: [1, 1], tail: [1, 0] },
};

/** And before and after it leaves: travelling on in the direction it came, or closing on the middle. */
const OFF: Record<Manner['from'], Move> = {
  start: { head: [1, 1], tail: [0, 1] },
  middle: { head: [1, 0.5], tail: [0, 0.5] },
  end: { head: [1, 0], tail: [0, 0] },
};

function keyed(manner: Manner, part: 'head' | 'tail'): Animated {
  const easing = landingEasing(manner.landing);
  const keys: Key[] = [];
  const move = (from: number, to: number, at: number, frames: number): void => {
    if (from === to) return;
    // A move that starts where the one before still runs takes over from there.
    while (keys.length > 0 && keys.at(-1)!.frame >= at) keys.pop();
    keys.push(
      { frame: at, value: from, easing },
      { frame: at + Math.max(1, frames), value: to, easing: HOLD },
    );
  };
  if (manner.kind !== 'off') move(...ON[manner.from][part], manner.onAt, manner.onFrames);
  if (manner.kind !== 'on') move(...OFF[manner.from][part], manner.offAt, manner.offFrames);
  if (keys.length > 0) return { keys };
  const whole = manner.kind === 'off' ? OFF[manner.from] : ON[manner.from];
  return whole[part][manner.kind === 'off' ? 0 : 1];
}

/** The window that writes a stroke in this manner. */
export const mannerWindow = (manner: Manner): Stroke['window'] => ({
  head: keyed(manner, 'head'),
  tail: keyed(manner, 'tail'),
  slide: 0,
});

/** Gives strokes a manner; their own head, tail and slide are replaced. */
export const applyManner = (piece: Piece, ids: readonly string[], manner: Manner): Piece =>
  updateStrokes(piece, ids, (stroke) => ({ ...stroke, window: mannerWindow(manner) }));
