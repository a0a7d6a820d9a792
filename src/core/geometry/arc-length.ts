import type { Cubic } from './cubic';

/**
 * Gauss–Legendre rule of 16 points on [-1, 1]: the positive nodes and their weights.
 * Source: Abramowitz & Stegun, table 25.4.
 */
const NODE = [
  0.0950125098376374, 0.2816035507792589, 0.4580167776572274, 0.6178762444026438, 0.755404408355003,
  0.8656312023878318, 0.9445750230732326, 0.9894009349916499,
] as const;
const WEIGHT = [
  0.1894506104550685, 0.1826034150449236, 0.1691565193950025, 0.1495959888165767, 0.1246289712555339,
  0.0951585116824928, 0.0622535239386479, 0.0271524594117541,
] as const;

/**
 * The rule errs as ρ^−32, where ρ is the ellipse with foci at a leaf's ends on which the nearest singularity of the
 * speed lies (Trefethen, Approximation Theory and Approximation Practice, ch. 19). ρ = 1.6 gives 3e-7 by that bound and
 * 1e-9 as measured (the singularity is mild); there the distances to the two ends sum to (ρ + 1/ρ)/2 times the leaf.
 */
const ELLIPSE = (1.6 + 1 / 1.6) / 2;
/** A singularity this near to the real axis is a cusp: cut there, the speed is smooth on both sides to 1e-12. */
const CUSP = 1e-6;
const DEEPEST = 40;

/**
 * Lengths along one cubic. `t[i]` are the ends of the leaves in which the 16-point rule is exact to about 1e-9
 * of the whole, `s[i]` the length from the start to there.
 */
export interface CubicLengths {
  readonly t: readonly number[];
  readonly s: readonly number[];
  readonly length: number;
  /** dB/dt = (ax·t + bx)·t + cx, and the same for y. */
  readonly derivative: Derivative;
}

type Derivative = readonly [ax: number, bx: number, cx: number, ay: number, by: number, cy: number];

function derivativeOf(c: Cubic): Derivative {
  return [
    3 * (c[6] - 3 * c[4] + 3 * c[2] - c[0]),
    6 * (c[4] - 2 * c[2] + c[0]),
    3 * (c[2] - c[0]),
    3 * (c[7] - 3 * c[5] + 3 * c[3] - c[1]),
    6 * (c[5] - 2 * c[3] + c[1]),
    3 * (c[3] - c[1]),
  ];
}

function speed(d: Derivative, t: number): number {
  const x = (d[0] * t + d[1]) * t + d[2];
  const y = (d[3] * t + d[4]) * t + d[5];
  return Math.sqrt(x * x + y * y);
}

/** Length between two parameters by the 16-point rule alone; exact enough inside one leaf. */
function lengthInLeaf(d: Derivative, t0: number, t1: number): number {
  const [ax, bx, cx, ay, by, cy] = d;
  const half = (t1 - t0) / 2;
  const middle = (t1 + t0) / 2;
  let sum = 0;
  // The hottest loop of the core: speeds are written out rather than called.
  for (let i = 0; i < 8; i++) {
    const dt = half * NODE[i]!;
    let t = middle - dt;
    let x = (ax * t + bx) * t + cx;
    let y = (ay * t + by) * t + cy;
    let v = Math.sqrt(x * x + y * y);
    t = middle + dt;
    x = (ax * t + bx) * t + cx;
    y = (ay * t + by) * t + cy;
    v += Math.sqrt(x * x + y * y);
    sum += WEIGHT[i]! * v;
  }
  return sum * half;
}

/**
 * Where the speed is not smooth, as points of the complex plane [re, im, re, im]: with x + iy for the plane of the
 * picture, dB/dt is a complex quadratic in t, and the speed, its absolute value, is singular at its two roots (and
 * their mirror images). Roots at infinity come as NaN or Infinity and are far from every leaf.
 */
function standstills([ax, bx, cx, ay, by, cy]: Derivative): [number, number, number, number] {
  // b² − 4ac and its square root, the one that does not cancel against b.
  const dx = bx * bx - by * by - 4 * (ax * cx - ay * cy);
  const dy = 2 * bx * by - 4 * (ax * cy + ay * cx);
  const size = Math.sqrt(dx * dx + dy * dy);
  let rx = Math.sqrt(Math.max(0, (size + dx) / 2));
  let ry = Math.sqrt(Math.max(0, (size - dx) / 2)) * (dy < 0 ? -1 : 1);
  if (rx * bx + ry * by < 0) {
    rx = -rx;
    ry = -ry;
  }
  const qx = -(bx + rx) / 2;
  const qy = -(by + ry) / 2;
  const a = ax * ax + ay * ay;
  const q = qx * qx + qy * qy;
  return [(qx * ax + qy * ay) / a, (qy * ax - qx * ay) / a, (cx * qx + cy * qy) / q, (cy * qx - cx * qy) / q];
}

/** Whether a singularity is too near to a leaf for the rule to be exact there. */
function strains(re: number, im: number, t0: number, t1: number): boolean {
  const near = Math.abs(im);
  if (near < CUSP) return re > t0 + CUSP && re < t1 - CUSP;
  const left = re - t0;
  const right = re - t1;
  return Math.sqrt(left * left + near * near) + Math.sqrt(right * right + near * near) < ELLIPSE * (t1 - t0);
}

/** Where to cut a leaf that a singularity strains: at it, or in the middle where it lies beyond or close to an end. */
function cutOf(re: number, im: number, t0: number, t1: number): number {
  const margin = Math.abs(im) < CUSP ? 0 : (t1 - t0) * 0.1;
  return re > t0 + margin && re < t1 - margin ? re : (t0 + t1) / 2;
}

/**
 * Measures a cubic: cut into leaves that its standstills leave alone, each by Gauss–Legendre quadrature of the speed.
 * Relative error below 1e-7 for every curve, cusps included (arc-length.test.ts; docs/benchmarks.md has the figures).
 */
export function measureCubic(c: Cubic): CubicLengths {
  const derivative = derivativeOf(c);
  const [re1, im1, re2, im2] = standstills(derivative);
  const t = [0];
  const s = [0];
  let length = 0;
  // Ends of the leaves still to be measured, the nearest last: a stack instead of recursion keeps this quick.
  const ends = [1];
  let t0 = 0;
  while (ends.length > 0) {
    const t1 = ends[ends.length - 1]!;
    const first = strains(re1, im1, t0, t1);
    if ((first || strains(re2, im2, t0, t1)) && ends.length < DEEPEST) {
      ends.push(first ? cutOf(re1, im1, t0, t1) : cutOf(re2, im2, t0, t1));
      continue;
    }
    ends.pop();
    length += lengthInLeaf(derivative, t0, t1);
    t.push(t1);
    s.push(length);
    t0 = t1;
  }
  return { t, s, length, derivative };
}

/** Index of the last entry of ascending `values` that is ≤ `value`, never the very last entry. */
export function intervalOf(values: ArrayLike<number>, value: number): number {
  let low = 0;
  let high = values.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (values[middle]! <= value) low = middle;
    else high = middle;
  }
  return low;
}

/** The length (px) from the start of a measured cubic to a parameter, 0..1. */
export function lengthAtParameter(m: CubicLengths, t: number): number {
  const i = intervalOf(m.t, t);
  return m.s[i]! + lengthInLeaf(m.derivative, m.t[i]!, t);
}

/** The parameter (0..1) at length `s` from the start of a measured cubic; lengths outside are held to its ends. */
export function parameterAtLength(m: CubicLengths, s: number): number {
  if (s <= 0 || m.length === 0) return 0;
  if (s >= m.length) return 1;
  const i = intervalOf(m.s, s);
  const t0 = m.t[i]!;
  const s0 = m.s[i]!;
  const ds = m.s[i + 1]! - s0;
  const dt = m.t[i + 1]! - t0;
  if (ds === 0) return t0;
  // First guess: the cubic that has the leaf's own slopes dt/ds at both ends (Hermite), where they are tame.
  const u = (s - s0) / ds;
  const tame = 3 * dt;
  const slope0 = Math.min(ds / (speed(m.derivative, t0) || 1e-300), tame);
  const slope1 = Math.min(ds / (speed(m.derivative, t0 + dt) || 1e-300), tame);
  let t = t0 + u * (slope0 + u * (3 * dt - 2 * slope0 - slope1 + u * (slope0 + slope1 - 2 * dt)));
  let low = t0;
  let high = t0 + dt;
  if (!(t > low && t < high)) t = t0 + u * dt;
  const enough = 1e-11 * m.length;
  for (let step = 0; step < 60; step++) {
    const miss = s0 + lengthInLeaf(m.derivative, t0, t) - s;
    if (Math.abs(miss) <= enough) return t;
    if (miss > 0) high = t;
    else low = t;
    const v = speed(m.derivative, t);
    const newton = t - miss / v;
    // Newton's step, unless it leaves the bracket (at a cusp the speed vanishes): then halve the bracket.
    t = newton > low && newton < high ? newton : (low + high) / 2;
    if (high - low < 1e-16) return t;
  }
  return t;
}
