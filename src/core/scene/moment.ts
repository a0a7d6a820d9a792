import type { Piece } from '../document';
import { framesPerSecond } from '../timing';

/** When a piece is looked at: what time-bound ink (marching dashes) must know. */
export interface Moment {
  /** Frames from the start; fractions lie between two frames. */
  readonly frame: number;
  readonly framesPerSecond: number;
  /** Frames after which the piece begins again. */
  readonly loop: number;
}

export const momentOf = (piece: Pick<Piece, 'rate' | 'length'>, frame: number): Moment => ({
  frame,
  framesPerSecond: framesPerSecond(piece.rate),
  loop: piece.length,
});
