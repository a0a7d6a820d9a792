import { exportSize, type Transparency, type WholeExportSettings } from '@/contract';
import type { Piece } from '@/core/document';
import type { Bounds } from '@/core/geometry';
import type { Layout } from './ffmpeg-arguments';
import { RawFrame } from './raw-frame';
import type { RenderedFrame } from './render-frames';
import { toYuv420, yuv420Length } from './to-yuv420';

/**
 * Writes pixels of a straight frame as they leave, from one place in the bytes to another; both are RGBA, a byte each.
 * Premultiplied algebra of Porter & Duff 1984.
 */
type Convert = (straight: Uint8Array, leaving: Uint8Array, from: number, to: number) => void;

const premultiply: Convert = (straight, leaving, from, to) => {
  for (let i = from; i < to; i += 4) {
    const alpha = straight[i + 3]!;
    for (let c = i; c < i + 3; c++) leaving[c] = Math.round((straight[c]! * alpha) / 255);
    leaving[i + 3] = alpha;
  }
};

/** Laid over a colour; a pixel that is not shown leaves as nothing. */
const layOver =
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

const dropAlpha: Convert = (straight, leaving, from, to) => {
  for (let i = from; i < to; i += 4) {
    for (let c = i; c < i + 3; c++) leaving[c] = straight[c]!;
    leaving[i + 3] = 255;
  }
};

/** Alpha as grey. */
const writeMatte: Convert = (straight, leaving, from, to) => {
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
      return [['', premultiply]];
    case 'over':
      return [['', layOver(colour, () => true)]];
    case 'edge':
      return [['', layOver(colour, (alpha) => alpha >= 128)]];
    case 'matte':
      return [
        ['fill', dropAlpha],
        ['matte', writeMatte],
      ];
    case 'key':
      return [
        ['fill', layOver('#000000', () => true)],
        ['matte', writeMatte],
      ];
  }
}

/** What each of the frames that leave for one of a piece's is called, where there are several. */
export const leavingNames = ({ transparency, over: colour }: WholeExportSettings): readonly string[] =>
  conversionsOf(transparency, colour).map(([name]) => name);

/** Whether frames leave with alpha; else they are opaque. */
export const keepsAlpha = (transparency: Transparency): boolean =>
  ['straight', 'premultiplied', 'edge'].includes(transparency);

/** Whether edges keep their colour only where what is transparent beside them has it too: in lossy video, and in every fill. */
const spreads = (transparency: Transparency, lossy: boolean): boolean =>
  transparency === 'matte' || (transparency === 'straight' && lossy);

/** Keeps the raw frames of an export up to date: one, or a fill and its matte. Bytes are used again from frame to frame. */
export function leavingFrames(
  piece: Piece,
  { scale, transparency, over: colour }: WholeExportSettings,
  { lossy, layout }: { readonly lossy: boolean; readonly layout: Layout },
): { readonly names: readonly string[]; take(frame: RenderedFrame): readonly Uint8Array[] } {
  const size = exportSize(piece.size, scale);
  const { width, height } = size;
  const raw = new RawFrame(width, height, spreads(transparency, lossy));
  const kept = conversionsOf(transparency, colour).map(([name, convert]) => {
    const rgba = convert ? new Uint8Array(raw.pixels.length) : raw.pixels;
    const planes = layout === 'yuv420' ? new Uint8Array(yuv420Length(size, keepsAlpha(transparency))) : null;
    const update = (place: Bounds): void => {
      for (let y = place.top; convert && y < place.bottom; y++)
        convert(raw.pixels, rgba, (y * width + place.left) * 4, (y * width + place.right) * 4);
      if (planes) toYuv420(rgba, size, place, planes);
    };
    update({ left: 0, top: 0, right: width, bottom: height });
    return { name, update, bytes: planes ?? rgba };
  });
  return {
    names: kept.map(({ name }) => name),
    take(frame) {
      for (const place of raw.take(frame)) for (const { update } of kept) update(place);
      return kept.map(({ bytes }) => bytes);
    },
  };
}
