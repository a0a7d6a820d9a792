import { inkBounds, type DrawList } from '@/core/draw';
import { exportSize } from '@/contract';
import { createCanvas, type Canvas } from '@napi-rs/canvas';
import type { Piece } from '@/core/document';
import { steadyPainter } from '@/core/paint';
import { evaluate, sameItems } from '@/core/scene';

/** One painted frame. `same` says that it shows exactly what the frame before it showed. */
export interface RenderedFrame {
  readonly frame: number;
  readonly list: DrawList;
  readonly canvas: Canvas;
  readonly same: boolean;
}

/** Paints frames one after another onto one canvas, with the core that the editor shows; `scale` is px of it to a px of the piece. */
export function* renderFrames(
  piece: Piece,
  scale: number,
  frames: readonly number[],
): Generator<RenderedFrame> {
  const { width, height } = exportSize(piece.size, scale);
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  const paint = steadyPainter(createCanvas);
  let before: DrawList | null = null;
  for (const frame of frames) {
    const list = evaluate(piece, frame);
    const same = before !== null && sameItems(before, list);
    if (!same) {
      // Only what carried ink is cleared: most of a title is empty.
      const old = before && inkBounds(before, width, height, scale);
      if (old) context.clearRect(old.left, old.top, old.right - old.left, old.bottom - old.top);
      paint(list, context, scale);
    }
    before = list;
    yield { frame, list, canvas, same };
  }
}
