import type { Pixels } from '@/core/bay';
import { paintGround } from '../canvas';

/** What a received file is laid over. */
export const GROUNDS = {
  shot: 'a sample shot',
  picture: 'a picture of your own …',
  colour: 'a colour',
  checker: 'a checker',
} as const;
export type GroundKind = keyof typeof GROUNDS;

export interface Ground {
  readonly kind: GroundKind;
  readonly colour: string;
  /** The picture of one's own, where one was chosen. */
  readonly picture: ImageBitmap | null;
}

/** How many blades of reed stand in the sample shot. */
const REEDS = 64;

/** A shot of an estuary at dusk, bright above and dark below, so that light and dark fringes both show. */
function drawShot(context: OffscreenCanvasRenderingContext2D, width: number, height: number): void {
  const horizon = height * 0.56;
  const sky = context.createLinearGradient(0, 0, 0, horizon);
  for (const [at, colour] of [
    [0, '#39516b'],
    [0.55, '#b98a7a'],
    [1, '#f3cf96'],
  ] as const)
    sky.addColorStop(at, colour);
  context.fillStyle = sky;
  context.fillRect(0, 0, width, horizon);
  const water = context.createLinearGradient(0, horizon, 0, height);
  water.addColorStop(0, '#d8b487');
  water.addColorStop(0.3, '#6f7577');
  water.addColorStop(1, '#1d2a33');
  context.fillStyle = water;
  context.fillRect(0, horizon, width, height - horizon);
  context.strokeStyle = '#2b2a26';
  context.lineCap = 'round';
  for (let i = 0; i < REEDS; i++) {
    // Places and heights that look scattered and are the same every time.
    const [a, b] = [(i * 0.618) % 1, (i * 0.414 + 0.3) % 1];
    const x = (a < 0.5 ? a * 0.5 : 0.5 + a * 0.5) * width;
    const tall = height * (0.1 + 0.24 * b);
    context.lineWidth = Math.max(1, width / 700);
    context.beginPath();
    context.moveTo(x, height);
    context.quadraticCurveTo(x, height - tall * 0.6, x + (b - 0.5) * tall * 0.5, height - tall);
    context.stroke();
  }
}

/** Lays a picture out so that it covers all, keeping its proportions. */
function drawCovering(
  context: OffscreenCanvasRenderingContext2D,
  picture: ImageBitmap,
  width: number,
  height: number,
): void {
  const scale = Math.max(width / picture.width, height / picture.height);
  const [w, h] = [picture.width * scale, picture.height * scale];
  context.drawImage(picture, (width - w) / 2, (height - h) / 2, w, h);
}

/** The pixels of a ground, opaque, of a size. */
export function groundPixels({ kind, colour, picture }: Ground, width: number, height: number): Pixels {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  if (kind === 'shot') drawShot(context, width, height);
  else if (kind === 'picture' && picture) {
    paintGround(context, 0, 0, width, height, '#000000');
    drawCovering(context, picture, width, height);
  } else paintGround(context, 0, 0, width, height, kind === 'colour' ? colour : null);
  return context.getImageData(0, 0, width, height).data;
}
