import { HALF, type Mask } from './mask';

/** Square of a distance to paper where there is none. */
const FAR = 1e12;

/** The square of each pixel's distance to the nearest paper of its own column. */
function alongColumns({ width, height, data }: Mask): Float64Array {
  const squares = new Float64Array(width * height);
  for (let x = 0; x < width; x++) {
    let since = Infinity;
    for (let i = x; i < squares.length; i += width) {
      since = data[i]! > HALF ? since + 1 : 0;
      squares[i] = Math.min(FAR, since * since);
    }
    since = Infinity;
    for (let i = x + (height - 1) * width; i >= 0; i -= width) {
      since = data[i]! > HALF ? since + 1 : 0;
      squares[i] = Math.min(squares[i]!, since * since);
    }
  }
  return squares;
}

/**
 * Distance of every inked pixel's middle to the nearest paper, mask pixels; 0 on paper. Exact in linear time: the lower
 * envelope of parabolas (Felzenszwalb & Huttenlocher 2012, Theory of Computing 8). What is nearest to ink lies no further
 * along its row than the paper at both ends of its run, so each run has an envelope of its own.
 */
export function distanceToPaper(mask: Mask): Float32Array {
  const { width, height } = mask;
  const squares = alongColumns(mask);
  const result = new Float32Array(width * height);
  // The places of the parabolas that are lowest somewhere, and where each begins to be.
  const lowest = new Int32Array(width + 1);
  const begins = new Float64Array(width + 2);
  for (let row = 0; row < squares.length; row += width) {
    let x = 0;
    while (x < width) {
      if (squares[row + x] === 0) {
        x++;
        continue;
      }
      const first = Math.max(0, x - 1);
      const from = x;
      while (x < width && squares[row + x]! > 0) x++;
      const last = Math.min(width - 1, x);
      let k = 0;
      lowest[0] = first;
      begins[0] = -Infinity;
      begins[1] = Infinity;
      for (let q = first + 1; q <= last; q++) {
        let s = 0;
        for (;;) {
          const p = lowest[k]!;
          s = (squares[row + q]! + q * q - (squares[row + p]! + p * p)) / (2 * q - 2 * p);
          if (s > begins[k]!) break;
          k--;
        }
        k++;
        lowest[k] = q;
        begins[k] = s;
        begins[k + 1] = Infinity;
      }
      k = 0;
      for (let q = from; q < x; q++) {
        while (begins[k + 1]! < q) k++;
        const p = lowest[k]!;
        result[row + q] = Math.sqrt((q - p) ** 2 + squares[row + p]!);
      }
    }
  }
  return result;
}
