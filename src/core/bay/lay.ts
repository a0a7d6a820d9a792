import { needsMatte, type Way } from './ways';

/** Pixels of a picture: RGBA, a byte each, straight or as a file has them. */
export type Pixels = Uint8Array | Uint8ClampedArray;

/** Brightness of the pixel that begins at a byte (ITU-R BT.709), of 255. */
export const luma = (p: Pixels, i: number): number =>
  0.2126 * p[i]! + 0.7152 * p[i + 1]! + 0.0722 * p[i + 2]!;

/**
 * Lays a picture over a ground as a receiver does, by the algebra of Porter & Duff 1984.
 * @param picture its pixels as the file has them.
 * @param matte the second picture of a fill and matte: its luma (ITU-R BT.709) is alpha. Null where there is none.
 * @param ground opaque pixels that lie beneath.
 * @param out where the result goes, opaque.
 */
export function lay(way: Way, picture: Pixels, matte: Pixels | null, ground: Pixels, out: Pixels): void {
  const by = needsMatte(way) ? matte : null;
  for (let i = 0; i < picture.length; i += 4) {
    const alpha = (by ? luma(by, i) : picture[i + 3]!) / 255;
    // What is taken of the picture, and what is left of the ground.
    const taken = way === 'straight' || way === 'matte' || way === 'light' ? alpha : 1;
    const left = way === 'light' ? 1 : way === 'ignored' ? 0 : 1 - alpha;
    for (let c = i; c < i + 3; c++)
      out[c] = Math.min(255, Math.round(picture[c]! * taken + ground[c]! * left));
    out[i + 3] = 255;
  }
}

/** How far two opaque pictures are apart, pixel by pixel and made `gain` times as strong. */
export function writeDifference(a: Pixels, b: Pixels, gain: number, out: Pixels): void {
  for (let i = 0; i < a.length; i += 4) {
    for (let c = i; c < i + 3; c++) out[c] = Math.min(255, Math.abs(a[c]! - b[c]!) * gain);
    out[i + 3] = 255;
  }
}
