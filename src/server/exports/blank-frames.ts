import type { Piece } from '@/core/document';
import { itemBounds } from '@/core/draw';
import { evaluate } from '@/core/scene';

/** So many are found at most: films that flicker are left to the encoder. */
const MOST = 50;

/** Whether nothing lies in the picture at a frame. */
function isBlank(piece: Piece, frame: number): boolean {
  const { width, height } = piece.size;
  return evaluate(piece, frame).items.every((item) => {
    const box = itemBounds(item);
    return !box || box.right <= 0 || box.bottom <= 0 || box.left >= width || box.top >= height;
  });
}

/** Which of some frames, counted from the first of them, begin to be blank after one that was not. */
export function blankBeginnings(piece: Piece, frames: readonly number[]): number[] {
  const blank = frames.map((frame) => isBlank(piece, frame));
  return frames.flatMap((_, i) => (i > 0 && blank[i] && !blank[i - 1] ? [i] : [])).slice(0, MOST);
}
