import type { Piece } from '../document';
import { inkBounds } from '../draw';
import { evaluate } from './evaluate';

/** Whether anything at all is inked within the picture in some of the frames, both ends included. */
export function isInkedWithin(piece: Piece, first: number, last: number): boolean {
  const { width, height } = piece.size;
  const count = last - first + 1;
  // From the middle outward: there most pieces are held.
  return Array.from({ length: count }, (_, i) => first + ((Math.floor(count / 2) + i) % count)).some(
    (frame) => inkBounds(evaluate(piece, frame, 1), width, height) !== null,
  );
}
