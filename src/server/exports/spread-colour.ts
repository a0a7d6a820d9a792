import type { Bounds } from '@/core/geometry';

/** Side of the blocks in which colour is spread, in pixels: even, so that no chroma sample straddles two. */
const BLOCK = 16;

/** A box widened to whole blocks and some more around, held to the frame. */
function blocksAbout(box: Bounds, more: number, { width, height }: Frame): Bounds {
  return {
    left: Math.max(0, (Math.floor(box.left / BLOCK) - more) * BLOCK),
    top: Math.max(0, (Math.floor(box.top / BLOCK) - more) * BLOCK),
    right: Math.min(width, (Math.ceil(box.right / BLOCK) + more) * BLOCK),
    bottom: Math.min(height, (Math.ceil(box.bottom / BLOCK) + more) * BLOCK),
  };
}

interface Frame {
  readonly width: number;
  readonly height: number;
}

/**
 * Gives fully transparent pixels around the ink its colour. Video keeps colour at a quarter of the resolution and
 * apart from alpha; left black, what is transparent would darken the edge of every stroke. Alpha is not touched.
 * Each block takes the mean colour of its own ink, or that of its neighbours where it has none.
 * @param pixels straight (not premultiplied) RGBA, one byte each, in which all but `place` was spread before.
 * @param place where pixels are other ones than before.
 * @returns where pixels may be other ones now: what is beside the place takes its colour too.
 */
export function spreadColour(pixels: Uint8Array, frame: Frame, place: Bounds): Bounds {
  const { width } = frame;
  const filled = blocksAbout(place, 1, frame);
  // What is filled looks at its neighbours, also at those that stay as they are.
  const area = blocksAbout(place, 2, frame);
  const columns = Math.ceil((area.right - area.left) / BLOCK);
  const rows = Math.ceil((area.bottom - area.top) / BLOCK);
  // Numbers with a sign fit a machine word; others would be reckoned as fractions.
  const words = new Int32Array(pixels.buffer, pixels.byteOffset, pixels.byteLength / 4);
  const sums = new Float64Array(columns * rows * 4);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const [x0, y0] = [area.left + column * BLOCK, area.top + row * BLOCK];
      const [x1, y1] = [Math.min(x0 + BLOCK, area.right), Math.min(y0 + BLOCK, area.bottom)];
      let [r, g, b, weight] = [0, 0, 0, 0];
      for (let y = y0; y < y1; y++) {
        for (let at = y * width + x0, end = y * width + x1; at < end; at++) {
          const word = words[at]!;
          const alpha = word >>> 24;
          if (alpha === 0) continue;
          r += (word & 255) * alpha;
          g += ((word >>> 8) & 255) * alpha;
          b += ((word >>> 16) & 255) * alpha;
          weight += alpha;
        }
      }
      sums.set([r, g, b, weight], (row * columns + column) * 4);
    }
  }
  for (let y0 = filled.top; y0 < filled.bottom; y0 += BLOCK) {
    for (let x0 = filled.left; x0 < filled.right; x0 += BLOCK) {
      const [column, row] = [(x0 - area.left) / BLOCK, (y0 - area.top) / BLOCK];
      const own = sums[(row * columns + column) * 4 + 3]! > 0;
      const reach = own ? 0 : 1;
      let [r, g, b, weight] = [0, 0, 0, 0];
      for (let j = Math.max(0, row - reach); j <= Math.min(rows - 1, row + reach); j++) {
        for (let i = Math.max(0, column - reach); i <= Math.min(columns - 1, column + reach); i++) {
          const at = (j * columns + i) * 4;
          r += sums[at]!;
          g += sums[at + 1]!;
          b += sums[at + 2]!;
          weight += sums[at + 3]!;
        }
      }
      const colour =
        weight > 0
          ? Math.round(r / weight) | (Math.round(g / weight) << 8) | (Math.round(b / weight) << 16)
          : 0;
      const [x1, y1] = [Math.min(x0 + BLOCK, filled.right), Math.min(y0 + BLOCK, filled.bottom)];
      for (let y = y0; y < y1; y++) {
        for (let at = y * width + x0, end = y * width + x1; at < end; at++)
          if (words[at]! >>> 24 === 0) words[at] = colour;
      }
    }
  }
  return filled;
}
