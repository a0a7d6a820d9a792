/** Ink as coverage: one byte a pixel, 0 paper to 255 ink, rows from the top. Lengths in here are mask pixels. */
export interface Mask {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** Coverage at which a place counts as inked. */
export const HALF = 127.5;

/** Coverage at a place, 0..255, between pixel centres by bilinear interpolation; paper outside. */
function coverageAt(mask: Mask, x: number, y: number): number {
  const { width, height, data } = mask;
  const u = x - 0.5;
  const v = y - 0.5;
  const i = Math.floor(u);
  const j = Math.floor(v);
  const fx = u - i;
  const fy = v - j;
  const at = (a: number, b: number): number =>
    a < 0 || b < 0 || a >= width || b >= height ? 0 : data[b * width + a]!;
  const top = at(i, j) * (1 - fx) + at(i + 1, j) * fx;
  const bottom = at(i, j + 1) * (1 - fx) + at(i + 1, j + 1) * fx;
  return top * (1 - fy) + bottom * fy;
}

export const isInk = (mask: Mask, x: number, y: number): boolean => coverageAt(mask, x, y) > HALF;

/** Inked area in pixels. */
export function inkArea(mask: Mask): number {
  let sum = 0;
  for (const value of mask.data) sum += value;
  return sum / 255;
}

/**
 * How far ink reaches from an inked place in a direction (unit vector), in pixels, to a twentieth of one.
 * @param most where the search stops.
 */
export function reachOfInk(mask: Mask, x: number, y: number, dx: number, dy: number, most: number): number {
  const STEP = 0.5;
  let s = 0;
  while (s < most && isInk(mask, x + dx * (s + STEP), y + dy * (s + STEP))) s += STEP;
  if (s >= most) return most;
  let low = s;
  let high = s + STEP;
  for (let k = 0; k < 4; k++) {
    const middle = (low + high) / 2;
    if (isInk(mask, x + dx * middle, y + dy * middle)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Connected pieces of ink: a number from 1 for each inked pixel (8 neighbours), 0 for paper. */
export function labelPieces(mask: Mask): { labels: Int32Array; count: number } {
  const { width, height, data } = mask;
  const labels = new Int32Array(width * height);
  const stack: number[] = [];
  let count = 0;
  for (let start = 0; start < data.length; start++) {
    if (data[start]! <= HALF || labels[start] !== 0) continue;
    count++;
    labels[start] = count;
    stack.push(start);
    while (stack.length > 0) {
      const at = stack.pop()!;
      const x = at % width;
      const y = (at / width) | 0;
      for (let j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++) {
        for (let i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++) {
          const to = j * width + i;
          if (labels[to] !== 0 || data[to]! <= HALF) continue;
          labels[to] = count;
          stack.push(to);
        }
      }
    }
  }
  return { labels, count };
}
