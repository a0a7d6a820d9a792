import type { Piece } from '@/core/document';
import { picturePainter } from '@/core/paint';
import { evaluate, posterFrame } from '@/core/scene';
import { clamp } from '../core/numbers';

/** A piece, and the frames of it that are played. */
export interface Film {
  readonly piece: Piece;
  /** First and last frame that is played, both included. */
  readonly first: number;
  readonly last: number;
  /** What lies beneath; null where the page shows through. */
  readonly over: string | null;
}

/** Paints frames of a piece onto a canvas. */
export interface Screen {
  /** Shows a frame of the piece. */
  show(frame: number): void;
  /** Makes the canvas as sharp as a room of so many device pixels needs; the picture keeps its proportions. */
  fit(width: number, height: number): void;
}

export function screenOn(canvas: HTMLCanvasElement, { piece, over }: Film): Screen {
  const context = canvas.getContext('2d')!;
  const painter = picturePainter(context, (width, height) => new OffscreenCanvas(width, height));
  const { width, height } = piece.size;
  let scale = 1;
  // Not painted beneath the piece, which has the canvas to itself.
  if (over !== null) canvas.style.background = over;
  return {
    show(frame) {
      painter.paint(evaluate(piece, frame), { x: 0, y: 0, scale });
    },
    fit(roomWidth, roomHeight) {
      scale = Math.min(roomWidth / width, roomHeight / height);
      canvas.width = Math.max(1, Math.round(width * scale));
      canvas.height = Math.max(1, Math.round(height * scale));
      painter.forget();
    },
  };
}

/** The frame that is shown where nothing should move: the last of the hold, else the one that shows most. */
export function restingFrame({ piece, first, last }: Film): number {
  const frame = piece.hold ? Math.round(piece.hold.to) : posterFrame(piece);
  return clamp(frame, first, last);
}
