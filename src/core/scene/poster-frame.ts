import { strokesOf, type Piece } from '../document';
import { measurePath } from '../geometry';
import { inkedLengths } from '../ink';
import { windowAt } from './evaluate';

const SAMPLES = 48;

/** Pixels of path under ink at a frame, hidden strokes left out. */
export function inkOnScreen(piece: Piece, frame: number): number {
  return strokesOf(piece).reduce((sum, stroke) => {
    if (stroke.hidden) return sum;
    const { length } = measurePath(stroke.path);
    const inked = inkedLengths(windowAt(stroke, frame), Math.max(length, 1), stroke.path.closed);
    return sum + (inked ? inked.to - inked.from : 0);
  }, 0);
}

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
