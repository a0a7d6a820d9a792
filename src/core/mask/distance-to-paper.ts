import { HALF, type Mask } from './mask';

const FAR = 1e12;

/** Squares of distances along one line: the lower envelope of parabolas. */
function envelope(f: Float64Array, n: number, out: Float64Array, v: Int32Array, z: Float64Array): void {
  let k = 0;
  v[0] = 0;
  z[0] = -Infinity;
  z[1] = Infinity;
  for (let q = 1; q < n; q++) {
    let s = 0;
    for (;;) {
      const p = v[k]!;
      s = (f[q]! + q * q - (f[p]! + p * p)) / (2 * q - 2 * p);
      if (s > z[k]!) break;
      k--;
    }
    k++;
    v[k] = q;
    z[k] = s;
    z[k + 1] = Infinity;
  }
  k = 0;
  for (let q = 0; q < n; q++) {
    while (z[k + 1]! < q) k++;
    const p = v[k]!;
    out[q] = (q - p) ** 2 + f[p]!;
  }
}

/**
 * Distance of every inked pixel's middle to the nearest paper, mask pixels; 0 on paper. Exact in linear time (Felzenszwalb &
 * Huttenlocher 2012, Theory of Computing 8).
 */
export function distanceToPaper({ width, height, data }: Mask): Float32Array {
  const squares = Float64Array.from(data, (value) => (value > HALF ? FAR : 0));
  const n = Math.max(width, height);
  const [f, out, v, z] = [
    new Float64Array(n),
    new Float64Array(n),
    new Int32Array(n),
    new Float64Array(n + 1),
  ];
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height; y++) f[y] = squares[y * width + x]!;
    envelope(f, height, out, v, z);
    for (let y = 0; y < height; y++) squares[y * width + x] = out[y]!;
  }
  const result = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) f[x] = squares[y * width + x]!;
    envelope(f, width, out, v, z);
    for (let x = 0; x < width; x++) result[y * width + x] = Math.sqrt(out[x]!);
  }
  return result;
}
