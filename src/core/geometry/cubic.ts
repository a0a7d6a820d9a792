import type { Point } from './point';

/** A cubic Bézier curve: start, first and second control point, end, in piece pixels. */
export type Cubic = readonly [
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  x3: number,
  y3: number,
];

/** The point at curve parameter `t` (0..1). */
export function cubicPoint(c: Cubic, t: number): Point {
  const u = 1 - t;
  const a = u * u * u;
  const b = 3 * u * u * t;
  const d = 3 * u * t * t;
  const e = t * t * t;
  return {
    x: a * c[0] + b * c[2] + d * c[4] + e * c[6],
    y: a * c[1] + b * c[3] + d * c[5] + e * c[7],
  };
}

/** The first derivative by `t`. */
export function cubicDerivative(c: Cubic, t: number): Point {
  const u = 1 - t;
  const a = 3 * u * u;
  const b = 6 * u * t;
  const d = 3 * t * t;
  return {
    x: a * (c[2] - c[0]) + b * (c[4] - c[2]) + d * (c[6] - c[4]),
    y: a * (c[3] - c[1]) + b * (c[5] - c[3]) + d * (c[7] - c[5]),
  };
}

/** The value of the curve's blossom (polar form) on one axis; equals the point when all three agree. */
function blossom(p0: number, p1: number, p2: number, p3: number, r: number, s: number, t: number): number {
  const a = p0 + (p1 - p0) * r;
  const b = p1 + (p2 - p1) * r;
  const c = p2 + (p3 - p2) * r;
  const d = a + (b - a) * s;
  const e = b + (c - b) * s;
  return d + (e - d) * t;
}

/** The part of the curve between two parameters, as a cubic of its own: exact, by blossoming. */
export function subCubic(c: Cubic, t0: number, t1: number): Cubic {
  if (t0 <= 0 && t1 >= 1) return c;
  const [x0, y0, x1, y1, x2, y2, x3, y3] = c;
  return [
    t0 <= 0 ? x0 : blossom(x0, x1, x2, x3, t0, t0, t0),
    t0 <= 0 ? y0 : blossom(y0, y1, y2, y3, t0, t0, t0),
    blossom(x0, x1, x2, x3, t0, t0, t1),
    blossom(y0, y1, y2, y3, t0, t0, t1),
    blossom(x0, x1, x2, x3, t0, t1, t1),
    blossom(y0, y1, y2, y3, t0, t1, t1),
    t1 >= 1 ? x3 : blossom(x0, x1, x2, x3, t1, t1, t1),
    t1 >= 1 ? y3 : blossom(y0, y1, y2, y3, t1, t1, t1),
  ];
}

/** The two halves of the curve at `t`. */
export const splitCubic = (c: Cubic, t: number): [Cubic, Cubic] => [subCubic(c, 0, t), subCubic(c, t, 1)];
