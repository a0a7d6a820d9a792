import { lettersOf } from '../document';
import type { Lettering, Piece } from '../document';
import { commandsBounds } from '../geometry';
import { clamp } from '../numbers';
import { shownParts } from './arrived';
import { inkOverTime, spreadFrames } from './ink-on-screen';
import { partOutlines } from './reveal';

/** Frames that are looked at. */
const MOMENTS = 49;

/** How much of a text is there at a frame, in px of its width, to be weighed against ink. */
function textOnScreen(text: Lettering, frame: number): number {
  const box = text.hidden ? null : commandsBounds(partOutlines(text).flat());
  if (!box) return 0;
  const shown = shownParts(text, frame);
  const share = shown.reduce((sum, part) => sum + clamp(part, 0, 1), 0) / Math.max(1, shown.length);
  return (box.right - box.left) * (text.arrival ? share : 1);
}

/**
 * The frame that stands for the piece in a still picture: the one that was chosen for it, else in the middle of its hold where it
 * has one, else of evenly spread ones the last with the most ink and text.
 */
export function posterFrame(piece: Piece): number {
  if (piece.poster !== undefined) return Math.min(piece.length - 1, piece.poster);
  if (piece.hold) return Math.min(piece.length - 1, Math.round((piece.hold.from + piece.hold.to) / 2));
  const texts = lettersOf(piece);
  const ink = inkOverTime(piece, MOMENTS);
  let best = 0;
  let most = -1;
  for (const [i, frame] of spreadFrames(piece.length, MOMENTS).entries()) {
    const shown = ink[i]! + texts.reduce((sum, text) => sum + textOnScreen(text, frame), 0);
    if (shown >= most) {
      most = shown;
      best = frame;
    }
  }
  return best;
}
