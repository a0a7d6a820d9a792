import type { Piece } from '@/core/document';
import type { Bounds } from '@/core/geometry';

/** Fixed point: so many bits behind the point. */
const BITS = 16;
const fixed = (value: number): number => Math.round(value * (1 << BITS));
const HALF = 1 << (BITS - 1);

/** Luma of ITU-R BT.709, in its limited range: 16 to 235. */
const LUMA = [0.2126, 0.7152, 0.0722].map((share) => fixed((share * 219) / 255));
/** Differences of blue and red to luma, each brought to a full amplitude of 224 about 128. */
const BLUE = [-0.2126 / 1.8556, -0.7152 / 1.8556, 0.5].map((share) => fixed((share * 224) / 255));
const RED = [0.5, -0.7152 / 1.5748, -0.0722 / 1.5748].map((share) => fixed((share * 224) / 255));

/** How many bytes a frame of 4:2:0 has: a plane of luma, two of colour at half its width and height, and one of alpha. */
export function yuv420Length({ width, height }: Piece['size'], alpha: boolean): number {
  const colour = Math.ceil(width / 2) * Math.ceil(height / 2);
  return width * height * (alpha ? 2 : 1) + 2 * colour;
}

/**
 * Brings the pixels of a box of a frame into planes of 4:2:0 (ITU-R BT.709, limited range). Samples of colour lie on every other
 * column and between two rows (chroma sample location type 0 of ITU-T H.273), so each is made of three columns by two rows,
 * the middle one counted twice.
 * @param rgba straight RGBA, a byte each.
 * @param planes as `yuv420Length` has them, alpha last where there is room for it.
 */
export function toYuv420(rgba: Uint8Array, size: Piece['size'], place: Bounds, planes: Uint8Array): void {
  const { width, height } = size;
  const luma = width * height;
  const [w, h] = [Math.ceil(width / 2), Math.ceil(height / 2)];
  const alphaAt = planes.length === yuv420Length(size, true) ? luma + 2 * w * h : 0;
  const [yr, yg, yb] = LUMA as [number, number, number];
  const [ur, ug, ub] = BLUE as [number, number, number];
  const [vr, vg, vb] = RED as [number, number, number];
  // Whole pixels at once: most are the same as the one before.
  const words = new Int32Array(rgba.buffer, rgba.byteOffset, luma);
  let last = 0;
  let bright = 16;
  for (let y = place.top; y < place.bottom; y++) {
    for (let at = y * width + place.left, end = y * width + place.right; at < end; at++) {
      const word = words[at]!;
      if (word !== last) {
        last = word;
        bright =
          16 + (((word & 255) * yr + ((word >>> 8) & 255) * yg + ((word >>> 16) & 255) * yb + HALF) >> BITS);
      }
      planes[at] = bright;
      if (alphaAt > 0) planes[alphaAt + at] = word >>> 24;
    }
  }
  // A sample of colour looks a column to each side.
  const [left, right] = [Math.floor(place.left / 2), Math.min(w, Math.floor(place.right / 2) + 1)];
  const [top, bottom] = [Math.floor(place.top / 2), Math.min(h, Math.ceil(place.bottom / 2))];
  // Of eight pixels: three bits more.
  const bits = BITS + 3;
  const half = 1 << (BITS + 2);
  for (let row = top; row < bottom; row++) {
    const upper = 2 * row * width;
    const lower = Math.min(2 * row + 1, height - 1) * width;
    let blue = 128;
    let red = 128;
    // The pixel that all six of the sample before it were; none where they differed.
    let alike: number | null = null;
    for (let column = left; column < right; column++) {
      const x = 2 * column;
      const a = x > 0 ? x - 1 : 0;
      const b = x + 1 < width ? x + 1 : x;
      const p = words[upper + a]!;
      const q = words[upper + x]!;
      const s = words[upper + b]!;
      const t = words[lower + a]!;
      const u = words[lower + x]!;
      const v = words[lower + b]!;
      const flat = q === p && s === p && t === p && u === p && v === p;
      if (!flat || p !== alike) {
        alike = flat ? p : null;
        const r = (p & 255) + (s & 255) + (t & 255) + (v & 255) + 2 * ((q & 255) + (u & 255));
        const g =
          ((p >>> 8) & 255) +
          ((s >>> 8) & 255) +
          ((t >>> 8) & 255) +
          ((v >>> 8) & 255) +
          2 * (((q >>> 8) & 255) + ((u >>> 8) & 255));
        const bl =
          ((p >>> 16) & 255) +
          ((s >>> 16) & 255) +
          ((t >>> 16) & 255) +
          ((v >>> 16) & 255) +
          2 * (((q >>> 16) & 255) + ((u >>> 16) & 255));
        blue = 128 + ((r * ur + g * ug + bl * ub + half) >> bits);
        red = 128 + ((r * vr + g * vg + bl * vb + half) >> bits);
      }
      const at = luma + row * w + column;
      planes[at] = blue;
      planes[at + w * h] = red;
    }
  }
}
