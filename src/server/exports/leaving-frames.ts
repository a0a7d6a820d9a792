import { exportSize, type Transparency, type WholeExportSettings } from '@/contract';
import type { Piece } from '@/core/document';
import { RawFrame } from './raw-frame';
import type { RenderedFrame } from './render-frames';

/**
 * Writes pixels of a straight frame as they leave, from one place in the bytes to another; both are RGBA, a byte each.
 * Premultiplied algebra of Porter & Duff 1984.
 */
type Convert = (straight: Uint8Array, leaving: Uint8Array, from: number, to: number) => void;

const premultiplied: Convert = (straight, leaving, from, to) => {
  for (let i = from; i < to; i += 4) {
    const alpha = straight[i + 3]!;
    for (let c = i; c < i + 3; c++) leaving[c] = Math.round((straight[c]! * alpha) / 255);
    leaving[i + 3] = alpha;
  }
};

/** Laid over a colour; a pixel that is not shown leaves as nothing. */
const over =
  (colour: string, isShown: (alpha: number) => boolean): Convert =>
  (straight, leaving, from, to) => {
    const ground = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));
    for (let i = from; i < to; i += 4) {
      const alpha = straight[i + 3]!;
      const shown = isShown(alpha);
      for (let c = 0; c < 3; c++)
        leaving[i + c] = shown
          ? Math.round((straight[i + c]! * alpha + ground[c]! * (255 - alpha)) / 255)
          : 0;
      leaving[i + 3] = shown ? 255 : 0;
    }
  };

const opaque: Convert = (straight, leaving, from, to) => {
  for (let i = from; i < to; i += 4) {
    for (let c = i; c < i + 3; c++) leaving[c] = straight[c]!;
    leaving[i + 3] = 255;
  }
};

/** Alpha as grey. */
const matte: Convert = (straight, leaving, from, to) => {
  for (let i = from; i < to; i += 4) {
    leaving.fill(straight[i + 3]!, i, i + 3);
    leaving[i + 3] = 255;
  }
};

/** The frames that leave for each of a piece's, with what each is called where there are several. None: as they are. */
function conversionsOf(transparency: Transparency, colour: string): readonly [string, Convert | null][] {
  switch (transparency) {
    case 'straight':
      return [['', null]];
    case 'premultiplied':
      return [['', premultiplied]];
    case 'over':
      return [['', over(colour, () => true)]];
    case 'edge':
      return [['', over(colour, (alpha) => alpha >= 128)]];
    case 'matte':
      return [
        ['fill', opaque],
        ['matte', matte],
      ];
    case 'key':
      return [
        ['fill', over('#000000', () => true)],
        ['matte', matte],
      ];
  }
}

/** Whether edges keep their colour only where what is transparent beside them has it too: in lossy video, and in every fill. */
const spreads = (transparency: Transparency, lossy: boolean): boolean =>
  transparency === 'matte' || (transparency === 'straight' && lossy);

/** Keeps the raw frames of an export up to date: one, or a fill and its matte. Bytes are used again from frame to frame. */
export function leavingFrames(
  piece: Piece,
  { scale, transparency, over: colour }: WholeExportSettings,
  lossy: boolean,
): { readonly names: readonly string[]; take(frame: RenderedFrame): readonly Uint8Array[] } {
  const { width, height } = exportSize(piece.size, scale);
  const raw = new RawFrame(width, height, spreads(transparency, lossy));
  const kept = conversionsOf(transparency, colour).map(([name, convert]) => {
    const bytes = convert ? new Uint8Array(raw.pixels.length) : raw.pixels;
    convert?.(raw.pixels, bytes, 0, bytes.length);
    return { name, convert, bytes };
  });
  return {
    names: kept.map(({ name }) => name),
    take(frame) {
      for (const { left, top, right, bottom } of raw.take(frame))
        for (const { convert, bytes } of kept)
          for (let y = top; convert && y < bottom; y++)
            convert(raw.pixels, bytes, (y * width + left) * 4, (y * width + right) * 4);
      return kept.map(({ bytes }) => bytes);
    },
  };
}
