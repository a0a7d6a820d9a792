import { formatOf, frameStep, wholeSettings, type Received } from '@/contract';
import type { Pixels } from '@/core/bay';
import type { Piece } from '@/core/document';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { newCanvas } from '@/workers/new-canvas';

/** The frame of the piece that a frame of an exported file shows. */
export function pieceFrame({ export: from }: Received, piece: Piece, frame: number): number {
  if (!from) return frame;
  const { format, first } = from.settings;
  return Math.min(piece.length - 1, first + frame * frameStep(formatOf(format), piece.rate));
}

/** A canvas of a size with a frame of a piece; `scale` is its px to one of the piece. */
export function paintedPiece(
  piece: Piece,
  frame: number,
  { width, height }: { readonly width: number; readonly height: number },
  scale: number,
): OffscreenCanvasRenderingContext2D {
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  paint(evaluate(piece, frame), context, newCanvas, scale);
  return context;
}

/** A frame of a piece as the core paints it, straight, of the size of a received file of frames. */
export function piecePixels(piece: Piece, frame: number, received: Received): Pixels {
  const { width, height, export: from } = received;
  // Frames may have a row or column more than the piece.
  const scale = from ? from.settings.scale : width / piece.size.width;
  return paintedPiece(piece, frame, received, scale).getImageData(0, 0, width, height).data;
}

/** What stands beneath a file that has its ground in it; null where it has none. */
export function groundWithin({ export: from }: Received): string | null {
  if (!from) return null;
  const { transparency, over } = wholeSettings(from.settings);
  return transparency === 'over' ? over : null;
}
