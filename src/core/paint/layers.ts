import type { MakeCanvas, PaintCanvas, PaintContext } from './context';

/** A canvas for the time being: its first `width` × `height` pixels are clear. */
export interface Layer {
  readonly canvas: PaintCanvas;
  readonly context: PaintContext;
  readonly width: number;
  readonly height: number;
}

/** Sides of canvases and pictures kept for use again are whole multiples of this, px. */
const GRAIN = 64;
/** Pixels of unused canvases that are kept: four full pictures of 1920 × 1080. */
const KEPT = 4 * 1920 * 1080;

const pools = new WeakMap<MakeCanvas, PaintCanvas[]>();

const poolOf = (make: MakeCanvas): PaintCanvas[] => {
  let pool = pools.get(make);
  if (!pool) pools.set(make, (pool = []));
  return pool;
};

/** A side as long as what is kept for use again has it, px. */
export const wholeSide = (side: number): number => Math.max(1, Math.ceil(side / GRAIN)) * GRAIN;

/** Pixels of a layer's canvas, those beside what it is used for among them. */
export const pixelsIn = ({ canvas }: Layer): number => canvas.width * canvas.height;

/** Takes a clear canvas at least so large, one used before where there is one of that size. */
export function takeLayer(make: MakeCanvas, width: number, height: number): Layer {
  const pool = poolOf(make);
  const [w, h] = [wholeSide(width), wholeSide(height)];
  const at = pool.findIndex((canvas) => canvas.width === w && canvas.height === h);
  const canvas = at < 0 ? make(w, h) : pool.splice(at, 1)[0]!;
  const context = canvas.getContext('2d') as PaintContext;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.globalAlpha = 1;
  context.globalCompositeOperation = 'source-over';
  if (at >= 0) context.clearRect(0, 0, w, h);
  return { canvas, context, width, height };
}

/** Gives a canvas back; the longest unused go when there are too many. */
export function giveBack(make: MakeCanvas, { canvas }: Layer): void {
  const pool = poolOf(make);
  pool.push(canvas);
  let pixels = pool.reduce((sum, kept) => sum + kept.width * kept.height, 0);
  while (pixels > KEPT && pool.length > 1) {
    const gone = pool.shift()!;
    pixels -= gone.width * gone.height;
  }
}

interface DrawsImages {
  drawImage(
    image: unknown,
    sx: number,
    sy: number,
    sw: number,
    sh: number,
    dx: number,
    dy: number,
    dw: number,
    dh: number,
  ): void;
}

/** Lays part of a layer onto a context whose transform is none, where it is on the layer. */
export const layDownPart = (
  layer: Layer,
  onto: PaintContext,
  { left, top, right, bottom }: { left: number; top: number; right: number; bottom: number },
): void => {
  const [w, h] = [right - left, bottom - top];
  (onto as unknown as DrawsImages).drawImage(layer.canvas, left, top, w, h, left, top, w, h);
};

/** Lays the pixels of a layer onto a context whose transform is none, at whole pixels, enlarged by a factor. */
export const layDown = (layer: Layer, onto: PaintContext, x: number, y: number, enlarged = 1): void =>
  (onto as unknown as DrawsImages).drawImage(
    layer.canvas,
    0,
    0,
    layer.width,
    layer.height,
    x,
    y,
    layer.width * enlarged,
    layer.height * enlarged,
  );
