import { fitPath, transformPath, type Path, type Point } from '../../geometry';
import { contours, HALF, ringArea, type Mask } from '../../mask';
import type { InkSource } from './trace-ink';

const FAR = 1e20;

/** Squared distances to the nearest marked place along one line (Felzenszwalb & Huttenlocher 2012, section 2). */
function measureLine(f: Float64Array, n: number, out: Float64Array, v: Int32Array, z: Float64Array): void {
  let k = 0;
  v[0] = 0;
  z[0] = -FAR;
  z[1] = FAR;
  for (let q = 1; q < n; q++) {
    let s = 0;
    for (;;) {
      const p = v[k]!;
      s = (f[q]! + q * q - (f[p]! + p * p)) / (2 * q - 2 * p);
      if (s > z[k]! || k === 0) break;
      k--;
    }
    if (s > z[k]!) k++;
    v[k] = q;
    z[k] = s;
    z[k + 1] = FAR;
  }
  k = 0;
  for (let q = 0; q < n; q++) {
    while (z[k + 1]! < q) k++;
    out[q] = (q - v[k]!) ** 2 + f[v[k]!]!;
  }
}

/** Distance of every pixel centre to the nearest pixel for which `marked` holds. */
function distances(width: number, height: number, marked: (i: number) => boolean): Float64Array {
  const d = new Float64Array(width * height);
  for (let i = 0; i < d.length; i++) d[i] = marked(i) ? 0 : FAR;
  const most = Math.max(width, height);
  const [f, out, v, z] = [
    new Float64Array(most),
    new Float64Array(most),
    new Int32Array(most),
    new Float64Array(most + 1),
  ];
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height; y++) f[y] = d[y * width + x]!;
    measureLine(f, height, out, v, z);
    for (let y = 0; y < height; y++) d[y * width + x] = out[y]!;
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) f[x] = d[y * width + x]!;
    measureLine(f, width, out, v, z);
    for (let x = 0; x < width; x++) d[y * width + x] = Math.sqrt(out[x]!);
  }
  return d;
}

/** Ink grown (or shrunk, negative) by a distance in mask pixels, its edge kept soft over one pixel. */
function grown(mask: Mask, by: number): Mask {
  if (by === 0) return mask;
  const { width, height, data } = mask;
  const outside = distances(width, height, (i) => data[i]! > HALF);
  const inside = distances(width, height, (i) => data[i]! <= HALF);
  const out = new Uint8Array(data.length);
  for (let i = 0; i < out.length; i++) {
    // Both distances count from pixel centres; the edge lies half a pixel nearer.
    const signed = data[i]! > HALF ? inside[i]! - 0.5 : 0.5 - outside[i]!;
    out[i] = Math.min(255, Math.max(0, Math.round((signed + by + 0.5) * 255)));
  }
  return { width, height, data: out };
}

/** Turn within a few pixels, in radians, that makes a corner of an outline. */
const CORNER = 0.6;

/** Places of a ring at which it turns on the spot: local maxima of the turn between chords to both sides. */
function cornersOf(points: readonly Point[], reach: number): number[] {
  const n = points.length;
  const turns = points.map((p, i) => {
    const [a, b] = [points[(i - reach + n) % n]!, points[(i + reach) % n]!];
    return Math.abs(
      Math.atan2(
        (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
        (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
      ),
    );
  });
  return turns.flatMap((turn, i) => {
    if (turn < CORNER) return [];
    for (let k = 1; k <= reach; k++) {
      if (turns[(i + k) % n]! > turn || turns[(i - k + n) % n]! >= turn) return [];
    }
    return [i];
  });
}

/** Scale at which outlines are followed: fine enough that a corner is one. */
const OUTLINE_PIXELS = 4e6;

/**
 * The edge of ink as closed strokes, moved outward by a distance (inward where negative); overlapping shapes count
 * as one.
 * @param offset piece pixels.
 * @param tolerance greatest distance of a stroke from the edge, piece pixels.
 */
export function outlineStrokes(source: InkSource, offset: number, tolerance: number): Path[] {
  const { bounds } = source;
  const margin = Math.max(0, offset) + 2;
  const w = bounds.right - bounds.left + 2 * margin;
  const h = bounds.bottom - bounds.top + 2 * margin;
  const scale = Math.min(source.finest, 4, Math.sqrt(OUTLINE_PIXELS / (w * h)));
  const drawn = source.mask(scale);
  const pad = Math.ceil(margin * scale);
  const width = drawn.width + 2 * pad;
  const data = new Uint8Array(width * (drawn.height + 2 * pad));
  for (let y = 0; y < drawn.height; y++) {
    data.set(drawn.data.subarray(y * drawn.width, (y + 1) * drawn.width), (y + pad) * width + pad);
  }
  const mask = grown({ width, height: drawn.height + 2 * pad, data }, offset * scale);
  return contours(mask)
    .filter((ring) => Math.abs(ringArea(ring)) > 4)
    .map((ring) => {
      const points = ring.x.map((x, i) => ({ x, y: ring.y[i]! }));
      const path = fitPath(points, Math.max(0.35, tolerance * scale), cornersOf(points, 5), true);
      return transformPath(path, [
        1 / scale,
        0,
        0,
        1 / scale,
        bounds.left - pad / scale,
        bounds.top - pad / scale,
      ]);
    });
}
