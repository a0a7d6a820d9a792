import { createCanvas } from '@napi-rs/canvas';
import { readPiece } from '@/core/document';
import { posterFrame, evaluate } from '@/core/scene';
import { paint } from '@/core/paint';
import { Refused } from './refused';

/** Width of a piece's picture on its card, px. */
const WIDTH = 640;
const CHECKER = ['#3a352d', '#322d26'] as const;
const SQUARE = 20;

/** What a small picture is made of. */
interface Shown {
  readonly document: unknown;
  /** The frame that is shown; where absent the one that shows most ink. */
  readonly frame?: number;
}

/** A piece as a small PNG, over the colour it is looked at over. */
export async function renderThumbnail({ document: data, frame }: Shown): Promise<Uint8Array> {
  const read = readPiece(data);
  if (!read.ok) throw new Refused('The piece has a fault.');
  const document = read.piece;
  const scale = WIDTH / Math.max(document.size.width, document.size.height);
  const canvas = createCanvas(
    Math.round(document.size.width * scale),
    Math.round(document.size.height * scale),
  );
  const context = canvas.getContext('2d');
  context.fillStyle = document.over ?? CHECKER[0];
  context.fillRect(0, 0, canvas.width, canvas.height);
  if (!document.over) {
    context.fillStyle = CHECKER[1];
    for (let y = 0; y < canvas.height; y += SQUARE) {
      for (let x = (y / SQUARE) % 2 ? SQUARE : 0; x < canvas.width; x += SQUARE * 2)
        context.fillRect(x, y, SQUARE, SQUARE);
    }
  }
  paint(evaluate(document, frame ?? posterFrame(document)), context, createCanvas, scale);
  return canvas.encode('png');
}
