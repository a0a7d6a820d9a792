import type { Piece } from '../document';
import { inkOnScreen } from './ink-on-screen';

const SAMPLES = 48;

/** The frame that stands for the piece in a still picture: of evenly spread ones the last with the most ink. */
export function posterFrame(piece: Piece): number {
  let best = 0;
  let most = -1;
  for (let i = 0; i <= SAMPLES; i++) {
    const frame = Math.round(((piece.length - 1) * i) / SAMPLES);
    const ink = inkOnScreen(piece, frame);
    if (ink >= most) {
      most = ink;
      best = frame;
    }
  }
  return best;
}
