import { contours, ringArea, type Mask } from '../../mask';

/** How ink is told from paper in a picture. */
export interface ThresholdOptions {
  /** `even light`: one brightness for all of it; `uneven light`: compared with the paper around each place. */
  readonly method: 'even light' | 'uneven light';
  /** −1 takes less ink, 1 more; 0 is as measured. */
  readonly bias: number;
  /** Pieces of ink, and holes in it, smaller than this are dirt: px² of the picture. */
  readonly despeckle: number;
  /** Whether the ink is lighter than the paper. */
  readonly invert: boolean;
}

export const THRESHOLD_OPTIONS: ThresholdOptions = {
  method: 'even light',
  bias: 0,
  despeckle: 40,
  invert: false,
};

/** A picture's pixels: RGBA, one byte each, rows from the top, not premultiplied. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray | Uint8Array;
}

/** Brightness of each pixel over white paper, 0 to 255: luma of ITU-R BT.709. */
export function brightness({ width, height, data }: Pixels): Float32Array {
  const out = new Float32Array(width * height);
  for (let i = 0; i < out.length; i++) {
    const a = data[4 * i + 3]! / 255;
    const luma = 0.2126 * data[4 * i]! + 0.7152 * data[4 * i + 1]! + 0.0722 * data[4 * i + 2]!;
    out[i] = luma * a + 255 * (1 - a);
  }
  return out;
}

/**
 * The brightness that parts two groups best. Source: Otsu 1979, "A threshold selection method from gray-level
 * histograms". Answers between the two groups' means, so that soft edges are cut in their middle.
 */
export function otsu(values: Float32Array): number {
  const histogram = new Float64Array(256);
  for (const v of values) histogram[Math.min(255, Math.max(0, Math.round(v)))]!++;
  const total = values.length;
  let all = 0;
  for (let i = 0; i < 256; i++) all += i * histogram[i]!;
  let [below, sum, best, parts] = [0, 0, -1, [127, 128] as [number, number]];
  for (let t = 0; t < 255; t++) {
    below += histogram[t]!;
    sum += t * histogram[t]!;
    if (below === 0 || below === total) continue;
    const [low, high] = [sum / below, (all - sum) / (total - below)];
    const between = below * (total - below) * (low - high) ** 2;
    if (between > best) {
      best = between;
      parts = [low, high];
    }
  }
  return (parts[0] + parts[1]) / 2;
}

/** Mean brightness in a square around each pixel, from sums over all to its upper left (Crow 1984). */
function meansAround(values: Float32Array, width: number, height: number, half: number): Float32Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += values[y * width + x]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  }
  const out = new Float32Array(values.length);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - half), Math.min(height, y + half + 1)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - half), Math.min(width, x + half + 1)];
      const at = (i: number, j: number) => sums[j * (width + 1) + i]!;
      const sum = at(right, bottom) - at(left, bottom) - at(right, top) + at(left, top);
      out[y * width + x] = sum / ((right - left) * (bottom - top));
    }
  }
  return out;
}

/** Brightness over which coverage goes from none to all: soft enough that edges keep their place below the pixel. */
const SOFT = 40;

/**
 * The ink of a picture as coverage. Uneven light is compared with the mean of the surroundings (Bradley & Roth 2007,
 * "Adaptive thresholding using the integral image"), with Otsu's contrast to tell ink from grain.
 */
export function inkOfPicture(picture: Pixels, options: ThresholdOptions): Mask {
  const { width, height } = picture;
  const light = brightness(picture);
  if (options.invert) for (let i = 0; i < light.length; i++) light[i] = 255 - light[i]!;
  const level = otsu(light);
  const data = new Uint8Array(width * height);
  const bias = options.bias * 80;
  if (options.method === 'even light') {
    for (let i = 0; i < data.length; i++) data[i] = coverage(level + bias - light[i]!);
  } else {
    const means = meansAround(light, width, height, Math.max(8, Math.round(Math.max(width, height) / 24)));
    let contrast = 0;
    for (let i = 0; i < light.length; i++) contrast += Math.abs(light[i]! - means[i]!);
    // Ink stands out of its surroundings by several times what paper does on the whole.
    const least = Math.max(8, Math.min(60, (2.2 * contrast) / light.length));
    for (let i = 0; i < data.length; i++) data[i] = coverage(means[i]! - least + bias - light[i]!);
  }
  return options.despeckle > 0
    ? despeckled({ width, height, data }, options.despeckle)
    : { width, height, data };
}

const coverage = (darker: number): number =>
  Math.min(255, Math.max(0, Math.round(127.5 + (darker / SOFT) * 255)));

/** Ink without pieces and holes smaller than an area (px²). */
export function despeckled(mask: Mask, least: number): Mask {
  const { width, height } = mask;
  const data = mask.data.slice();
  for (const ring of contours(mask)) {
    const area = ringArea(ring);
    if (Math.abs(area) >= least) continue;
    const [left, right] = [
      Math.max(0, Math.floor(Math.min(...ring.x)) - 1),
      Math.min(width - 1, Math.ceil(Math.max(...ring.x))),
    ];
    const [top, bottom] = [
      Math.max(0, Math.floor(Math.min(...ring.y)) - 1),
      Math.min(height - 1, Math.ceil(Math.max(...ring.y))),
    ];
    for (let y = top; y <= bottom; y++) {
      for (let x = left; x <= right; x++) {
        if (nearOrInside(ring, x + 0.5, y + 0.5)) data[y * width + x] = area > 0 ? 0 : 255;
      }
    }
  }
  return { width, height, data };
}

/** Whether a point lies within an outline or less than a pixel outside. */
function nearOrInside(ring: { x: number[]; y: number[] }, px: number, py: number): boolean {
  let inside = false;
  const n = ring.x.length;
  for (let i = 0, j = n - 1; i < n; j = i++) {
    const [xi, yi, xj, yj] = [ring.x[i]!, ring.y[i]!, ring.x[j]!, ring.y[j]!];
    if (Math.hypot(px - xi, py - yi) < 1) return true;
    if (yi > py !== yj > py && px < ((xj - xi) * (py - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}
