import { createCanvas, type SKRSContext2D } from '@napi-rs/canvas';
import { STRIP_MOMENTS } from '@/contract';
import { readPiece, type Piece } from '@/core/document';
import { posterFrame, evaluate } from '@/core/scene';
import { paint } from '@/core/paint';
import { Refused } from './refused';

/** Width of a piece's picture on its card, px. */
const WIDTH = 640;
const CHECKER = ['#3a352d', '#322d26'] as const;
const SQUARE = 20;

/** What a small picture is made of. */
interface Shown {
  /** A document as JSON. */
  readonly text: string;
  /** The frame that is shown; where absent the one that shows most ink. */
  readonly frame?: number;
}

/** A piece at a frame, over the colour it is looked at over, with its corner at the origin of a context. */
function draw(context: SKRSContext2D, document: Piece, frame: number, scale: number): void {
  const [width, height] = [document.size.width * scale, document.size.height * scale];
  context.fillStyle = document.over ?? CHECKER[0];
  context.fillRect(0, 0, width, height);
  if (!document.over) {
    context.fillStyle = CHECKER[1];
    for (let y = 0; y < height; y += SQUARE) {
      for (let x = (y / SQUARE) % 2 ? SQUARE : 0; x < width; x += SQUARE * 2)
        context.fillRect(x, y, SQUARE, SQUARE);
    }
  }
  paint(evaluate(document, frame), context, createCanvas, scale);
}

const pieceOf = (text: string): Piece => {
  const read = readPiece(JSON.parse(text));
  if (!read.ok) throw new Refused('The piece has a fault.');
  return read.piece;
};

/** How much smaller a piece is drawn to be as wide or high as a picture. */
const scaleFor = ({ size }: Piece, side: number): number => side / Math.max(size.width, size.height);

/** A piece as a small PNG, over the colour it is looked at over. */
export async function renderThumbnail({ text, frame }: Shown): Promise<Uint8Array> {
  const document = pieceOf(text);
  const scale = scaleFor(document, WIDTH);
  const canvas = createCanvas(
    Math.round(document.size.width * scale),
    Math.round(document.size.height * scale),
  );
  draw(canvas.getContext('2d'), document, frame ?? posterFrame(document), scale);
  return canvas.encode('png');
}

/** Width of a picture of a strip, px. */
const STRIP_WIDTH = 320;

/** Moments of a piece, spread evenly over it, one beside another in one WebP. */
export async function renderStrip({ text }: Pick<Shown, 'text'>): Promise<Uint8Array> {
  const document = pieceOf(text);
  const scale = scaleFor(document, STRIP_WIDTH);
  const width = Math.round(document.size.width * scale);
  const one = createCanvas(width, Math.round(document.size.height * scale));
  const strip = createCanvas(width * STRIP_MOMENTS, one.height);
  for (let i = 0; i < STRIP_MOMENTS; i++) {
    const context = one.getContext('2d');
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, one.width, one.height);
    draw(context, document, Math.floor((i * document.length) / STRIP_MOMENTS), scale);
    strip.getContext('2d').drawImage(one, i * width, 0);
  }
  return strip.encode('webp', 80);
}
