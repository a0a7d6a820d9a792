import type { Piece } from '../document';
import { inkBounds, kept } from '../draw';
import { evaluate } from './evaluate';

/** Whether anything at all is inked within the picture in some of the frames, both ends included; reckoned once while the piece stays. */
export const isInkedWithin = (piece: Piece, first: number, last: number): boolean =>
  kept(piece, 'is inked', [first, last], () => {
    const { width, height } = piece.size;
    const count = last - first + 1;
    // From the middle onward, and round: there most pieces are held.
    return Array.from({ length: count }, (_, i) => first + ((Math.floor(count / 2) + i) % count)).some(
      (frame) => inkBounds(evaluate(piece, frame, 1), width, height) !== null,
    );
  });
