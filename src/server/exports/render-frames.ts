import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { exportSize } from '@/contract';
import type { Piece } from '@/core/document';
import type { Bounds } from '@/core/geometry';
import { picturePainter } from '@/core/paint';
import { evaluate } from '@/core/scene';

/** One painted frame. */
export interface RenderedFrame {
  readonly frame: number;
  /** Holds the frame in the boxes where it was painted anew, and anything elsewhere. */
  readonly canvas: Canvas;
  /** Where it may differ from the frame before it, whole pixels; nowhere: it shows exactly what that showed. */
  readonly changed: readonly Bounds[];
}

/**
 * Paints frames one after another onto one canvas, with the core that the editor shows, each only where it differs from the one
 * before; all of the first.
 * @param scale px of the canvas to a px of the piece.
 */
export function* renderFrames(
  piece: Piece,
  scale: number,
  frames: readonly number[],
): Generator<RenderedFrame> {
  const { width, height } = exportSize(piece.size, scale);
  const canvas = createCanvas(width, height);
  const painter = picturePainter(canvas.getContext('2d'), createCanvas, true);
  for (const frame of frames) {
    const changed = painter.paint(evaluate(piece, frame), { x: 0, y: 0, scale });
    yield { frame, canvas, changed };
  }
}
