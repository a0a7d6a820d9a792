import type { Point } from '../geometry';

/** Weight of going another way than the form does, against being a whole letter away from it. */
const WAY = 0.2;

/** Places along a line with the direction it has at each. */
export interface Told {
  readonly x: number[];
  readonly y: number[];
  /** Unit direction at each place. */
  readonly dx: number[];
  readonly dy: number[];
}

/** A line told by places at even distances. */
export function told(places: readonly Point[]): Told {
  const out: Told = { x: [], y: [], dx: [], dy: [] };
  places.forEach((p, i) => {
    const [a, b] = [places[Math.max(0, i - 1)]!, places[Math.min(places.length - 1, i + 1)]!];
    const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    out.x.push(p.x);
    out.y.push(p.y);
    out.dx.push((b.x - a.x) / long);
    out.dy.push((b.y - a.y) / long);
  });
  return out;
}

/** Where on a way a line lies, and how unlike it that stretch is. */
interface Stretch {
  readonly cost: number;
  readonly from: number;
  readonly to: number;
  /** The place of the way that each place of the line lies on. */
  readonly on: readonly number[];
}

/**
 * Lays a line over a stretch of a way, both gone through forward: the stretch on which its places lie nearest and go alike
 * (dynamic time warping of a sequence against part of another).
 * @param most a line that costs more than this is of no use.
 * @returns null where it surely costs more: costs of places only add up, so most are told by their first few.
 */
export function stretchOf(line: Told, way: Told, most = Infinity): Stretch | null {
  const [n, m] = [line.x.length, way.x.length];
  const sum = new Float64Array(n * m);
  const back = new Int8Array(n * m);
  const { x: wx, y: wy, dx: wdx, dy: wdy } = way;
  for (let i = 0; i < n; i++) {
    let least = Infinity;
    const [x, y, dx, dy] = [line.x[i]!, line.y[i]!, line.dx[i]!, line.dy[i]!];
    for (let j = 0; j < m; j++) {
      const [ox, oy] = [x - wx[j]!, y - wy[j]!];
      // Not Math.hypot, which takes ten times as long.
      const off = Math.sqrt(ox * ox + oy * oy);
      const turn = (1 - dx * wdx[j]! - dy * wdy[j]!) / 2;
      let before = 0;
      if (i > 0) {
        // The next place lies on the same one, or up to three further on.
        before = sum[(i - 1) * m + j]! + 0.02;
        for (let k = 1; k <= 3 && k <= j; k++) {
          const other = sum[(i - 1) * m + j - k]!;
          if (other < before) {
            before = other;
            back[i * m + j] = k;
          }
        }
      }
      const here = before + off + WAY * turn;
      sum[i * m + j] = here;
      if (here < least) least = here;
    }
    if (least > most * n) return null;
  }
  let end = 0;
  for (let j = 1; j < m; j++) if (sum[(n - 1) * m + j]! < sum[(n - 1) * m + end]!) end = j;
  const on = new Array<number>(n);
  for (let i = n - 1, j = end; i >= 0; i--) {
    on[i] = j;
    j -= back[i * m + j]!;
  }
  return { cost: sum[(n - 1) * m + end]! / n, from: on[0]! / (m - 1), to: end / (m - 1), on };
}

/** The same line gone through the other way. */
export const turnedRound = (line: Told): Told => ({
  x: [...line.x].reverse(),
  y: [...line.y].reverse(),
  dx: line.dx.map((d) => -d).reverse(),
  dy: line.dy.map((d) => -d).reverse(),
});
