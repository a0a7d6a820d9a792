import type { Bounds } from '@/core/geometry';

/** Side of the blocks in which colour is spread, in pixels: even, so that no chroma sample straddles two. */
const BLOCK = 16;

/** The area widened to whole blocks and one block around, held to the frame. */
export const blockArea = (area: Bounds, width: number, height: number): Bounds => ({
  left: Math.max(0, (Math.floor(area.left / BLOCK) - 1) * BLOCK),
  top: Math.max(0, (Math.floor(area.top / BLOCK) - 1) * BLOCK),
  right: Math.min(width, (Math.ceil(area.right / BLOCK) + 1) * BLOCK),
  bottom: Math.min(height, (Math.ceil(area.bottom / BLOCK) + 1) * BLOCK),
});

/**
 * Gives fully transparent pixels around the ink its colour. Video keeps colour at a quarter of the resolution and
 * apart from alpha; left black, what is transparent would darken the edge of every stroke. Alpha is not touched.
 * Each block takes the mean colour of its own ink, or that of its neighbours where it has none.
 * @param pixels straight (not premultiplied) RGBA, one byte each.
 * @param area where ink may lie, as blockArea() gives it.
 */
export function spreadColour(pixels: Uint8Array, width: number, area: Bounds): void {
  const columns = Math.ceil((area.right - area.left) / BLOCK);
  const rows = Math.ceil((area.bottom - area.top) / BLOCK);
  if (columns <= 0 || rows <= 0) return;
  const words = new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.byteLength / 4);
  const sums = new Float64Array(columns * rows * 4);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const [x0, y0] = [area.left + column * BLOCK, area.top + row * BLOCK];
      const [x1, y1] = [Math.min(x0 + BLOCK, area.right), Math.min(y0 + BLOCK, area.bottom)];
      let [r, g, b, weight] = [0, 0, 0, 0];
      for (let y = y0; y < y1; y++) {
        for (let at = y * width + x0; at < y * width + x1; at++) {
          const word = words[at]!;
          if (word === 0) continue;
          const alpha = word >>> 24;
          r += (word & 255) * alpha;
          g += ((word >>> 8) & 255) * alpha;
          b += ((word >>> 16) & 255) * alpha;
          weight += alpha;
        }
      }
      sums.set([r, g, b, weight], (row * columns + column) * 4);
    }
  }
  const fill = new Uint32Array(columns * rows);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
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
      if (weight === 0) continue;
      fill[row * columns + column] =
        Math.round(r / weight) | (Math.round(g / weight) << 8) | (Math.round(b / weight) << 16);
    }
  }
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const colour = fill[row * columns + column]!;
      if (colour === 0) continue;
      const [x0, y0] = [area.left + column * BLOCK, area.top + row * BLOCK];
      const [x1, y1] = [Math.min(x0 + BLOCK, area.right), Math.min(y0 + BLOCK, area.bottom)];
      for (let y = y0; y < y1; y++) {
        for (let at = y * width + x0; at < y * width + x1; at++)
          if (words[at]! >>> 24 === 0) words[at] = colour;
      }
    }
  }
}
