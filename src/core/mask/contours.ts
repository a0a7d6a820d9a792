import { HALF, type Mask } from './mask';

/** A closed outline of ink: x and y in mask pixels, ink on the right hand (y downward), holes the other way round. */
export interface Ring {
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Length from the first point to each point, and round to the first again: one entry more than points. */
  readonly s: Float64Array;
  readonly length: number;
}

const T = 0;
const R = 1;
const B = 2;
const L = 3;
/** Edges a contour goes through in a cell, from and to, by which corners are ink (1 top left, 2 top right, 4 bottom right, 8 bottom left). */
const MOVES: readonly (readonly number[])[] = [
  [],
  [T, L],
  [R, T],
  [R, L],
  [B, R],
  [],
  [B, T],
  [B, L],
  [L, B],
  [T, B],
  [],
  [R, B],
  [L, R],
  [T, R],
  [L, T],
  [],
];
/** The two ambiguous cells: with an inked middle the ink is joined, else apart. */
const SADDLE: Record<number, readonly [joined: readonly number[], apart: readonly number[]]> = {
  5: [
    [T, R, B, L],
    [T, L, B, R],
  ],
  10: [
    [L, T, R, B],
    [R, T, L, B],
  ],
};

/** The outlines of the ink at half coverage, below the pixel: marching squares with linear interpolation. */
export function contours(mask: Mask): { x: number[]; y: number[] }[] {
  const { width, height, data } = mask;
  // One pixel of paper all round closes every outline.
  const w = width + 2;
  const h = height + 2;
  const value = (i: number, j: number): number =>
    i < 1 || j < 1 || i > width || j > height ? 0 : data[(j - 1) * width + (i - 1)]!;
  const next = new Int32Array(2 * w * h).fill(-1);
  // Even ids are crossings of the edge to the right of a pixel centre, odd ones of the edge below.
  const edge = (i: number, j: number, side: number): number => {
    if (side === T) return 2 * (j * w + i);
    if (side === B) return 2 * ((j + 1) * w + i);
    return side === L ? 2 * (j * w + i) + 1 : 2 * (j * w + i + 1) + 1;
  };
  const starts: number[] = [];
  for (let j = 0; j < h - 1; j++) {
    let left = (value(0, j) > HALF ? 1 : 0) | (value(0, j + 1) > HALF ? 8 : 0);
    for (let i = 0; i < w - 1; i++) {
      const right = (value(i + 1, j) > HALF ? 2 : 0) | (value(i + 1, j + 1) > HALF ? 4 : 0);
      const kind = left | right;
      left = (right & 2 ? 1 : 0) | (right & 4 ? 8 : 0);
      if (kind === 0 || kind === 15) continue;
      let moves = MOVES[kind]!;
      const saddle = SADDLE[kind];
      if (saddle) {
        const middle = (value(i, j) + value(i + 1, j) + value(i, j + 1) + value(i + 1, j + 1)) / 4;
        moves = saddle[middle > HALF ? 0 : 1];
      }
      for (let k = 0; k < moves.length; k += 2) {
        const from = edge(i, j, moves[k]!);
        next[from] = edge(i, j, moves[k + 1]!);
        starts.push(from);
      }
    }
  }
  const rings: { x: number[]; y: number[] }[] = [];
  for (const start of starts) {
    if (next[start] === -1) continue;
    const x: number[] = [];
    const y: number[] = [];
    let at = start;
    while (next[at] !== -1) {
      const cell = at >> 1;
      const i = cell % w;
      const j = (cell / w) | 0;
      const a = value(i, j);
      const b = at & 1 ? value(i, j + 1) : value(i + 1, j);
      const t = (HALF - a) / (b - a);
      // Pixel (i, j) of the padded mask has its centre at (i − 0.5, j − 0.5) of the mask itself.
      x.push(i - 0.5 + (at & 1 ? 0 : t));
      y.push(j - 0.5 + (at & 1 ? t : 0));
      const to: number = next[at]!;
      next[at] = -1;
      at = to;
    }
    rings.push({ x, y });
  }
  return rings;
}

/** Points along an outline at even distances of about `step` pixels, at least eight. */
export function evenRing(raw: { x: readonly number[]; y: readonly number[] }, step: number): Ring {
  const n = raw.x.length;
  const lengths = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) {
    const k = (i + 1) % n;
    lengths[i + 1] = lengths[i]! + Math.hypot(raw.x[k]! - raw.x[i]!, raw.y[k]! - raw.y[i]!);
  }
  const whole = lengths[n]!;
  const count = Math.max(8, Math.round(whole / step));
  const x = new Float64Array(count);
  const y = new Float64Array(count);
  let i = 0;
  for (let k = 0; k < count; k++) {
    const s = (whole * k) / count;
    while (i < n - 1 && lengths[i + 1]! <= s) i++;
    const span = lengths[i + 1]! - lengths[i]!;
    const t = span > 0 ? (s - lengths[i]!) / span : 0;
    const to = (i + 1) % n;
    x[k] = raw.x[i]! + (raw.x[to]! - raw.x[i]!) * t;
    y[k] = raw.y[i]! + (raw.y[to]! - raw.y[i]!) * t;
  }
  const s = new Float64Array(count + 1);
  for (let k = 0; k < count; k++) {
    const to = (k + 1) % count;
    s[k + 1] = s[k]! + Math.hypot(x[to]! - x[k]!, y[to]! - y[k]!);
  }
  return { x, y, s, length: s[count]! };
}

/** Signed area of an outline: positive for ink, negative for a hole. */
export function ringArea(ring: { x: ArrayLike<number>; y: ArrayLike<number> }): number {
  const n = ring.x.length;
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const k = (i + 1) % n;
    sum += ring.x[i]! * ring.y[k]! - ring.x[k]! * ring.y[i]!;
  }
  return sum / 2;
}
