import type { Bounds, PathCommand } from '../geometry';
import { clamp } from '../numbers';

/** Straight pieces that a curve of an outline is cut into. */
const PIECES = 8;

/** The corners of an outline, ring by ring, as x, y, x, y. */
export function ringsOf(commands: readonly PathCommand[]): number[][] {
  const rings: number[][] = [];
  let ring: number[] = [];
  let [x, y] = [0, 0];
  for (const c of commands) {
    if (c[0] === 'M') {
      if (ring.length > 4) rings.push(ring);
      ring = [c[1], c[2]];
      [x, y] = [c[1], c[2]];
    } else if (c[0] === 'L') {
      ring.push(c[1], c[2]);
      [x, y] = [c[1], c[2]];
    } else if (c[0] === 'C') {
      for (let i = 1; i <= PIECES; i++) {
        const t = i / PIECES;
        const u = 1 - t;
        const [a, b, d, e] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
        ring.push(a * x + b * c[1] + d * c[3] + e * c[5], a * y + b * c[2] + d * c[4] + e * c[6]);
      }
      [x, y] = [c[5], c[6]];
    }
  }
  if (ring.length > 4) rings.push(ring);
  return rings;
}

/** So many rows an outline is cut into, so that for a place only the edges of its row are looked at. */
const ROWS = 64;

/** The edges of an outline by the rows they pass through: x0, y0, x1, y1 one after another. */
export interface Rows {
  readonly top: number;
  readonly height: number;
  readonly edges: readonly (readonly number[])[];
}

export function rowsOf(rings: readonly number[][], { top, bottom }: Bounds): Rows {
  const height = Math.max(1e-9, (bottom - top) / ROWS);
  const edges: number[][] = Array.from({ length: ROWS }, () => []);
  for (const ring of rings) {
    for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
      const [x0, y0, x1, y1] = [ring[j]!, ring[j + 1]!, ring[i]!, ring[i + 1]!];
      const to = rowAt(Math.max(y0, y1), top, height);
      for (let row = rowAt(Math.min(y0, y1), top, height); row <= to; row++) edges[row]!.push(x0, y0, x1, y1);
    }
  }
  return { top, height, edges };
}
const rowAt = (y: number, top: number, height: number): number =>
  clamp(Math.floor((y - top) / height), 0, ROWS - 1);

/** Whether a place lies in an outline, by the nonzero rule. */
export function inside({ top, height, edges }: Rows, x: number, y: number): boolean {
  let winding = 0;
  const row = edges[rowAt(y, top, height)]!;
  for (let i = 0; i < row.length; i += 4) {
    const [x0, y0, x1, y1] = [row[i]!, row[i + 1]!, row[i + 2]!, row[i + 3]!];
    if (y0 <= y !== y1 <= y) {
      const at = x0 + ((y - y0) / (y1 - y0)) * (x1 - x0);
      if (at > x) winding += y1 > y0 ? 1 : -1;
    }
  }
  return winding !== 0;
}
