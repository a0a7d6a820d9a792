import type { Cubic } from './cubic';

/**
 * Gauss–Kronrod rule of 7 and 15 points on [-1, 1]: nodes, Kronrod weights and Gauss weights of every other
 * node. Source: QUADPACK routine QK15 (Piessens et al. 1983), from memory; the tests check the rule by the
 * degrees of polynomial it integrates exactly.
 */
const NODE = [
  0.9914553711208126, 0.9491079123427585, 0.8648644233597691, 0.7415311855993944, 0.5860872354676911,
  0.4058451513773972, 0.20778495500789848,
] as const;
const KRONROD = [
  0.022935322010529224, 0.06309209262997855, 0.10479001032225019, 0.14065325971552592, 0.1690047266392679,
  0.19035057806478542, 0.20443294007529889,
] as const;
const KRONROD_MIDDLE = 0.20948214108472782;
const GAUSS = [0, 0.1294849661688697, 0, 0.27970539148927664, 0, 0.3818300505051189, 0] as const;
const GAUSS_MIDDLE = 0.4179591836734694;

/** A leaf is accepted when the two rules agree to this share of the control polygon's length. */
const AGREEMENT = 2e-9;
/** Deep enough for a cusp: each level quarters what the kink contributes. */
const DEEPEST = 26;

/**
 * Lengths along one cubic. `t[i]` are the ends of the leaves in which the 15-point rule is exact to about 1e-9
 * of the whole, `s[i]` the length from the start to there, `v[i]` the speed |dB/dt| there.
 */
export interface CubicLengths {
  readonly t: Float64Array;
  readonly s: Float64Array;
  readonly v: Float64Array;
  readonly length: number;
  /** dB/dt = (ax·t + bx)·t + cx, and the same for y. */
  readonly derivative: readonly [ax: number, bx: number, cx: number, ay: number, by: number, cy: number];
}

function derivativeOf(c: Cubic): CubicLengths['derivative'] {
  return [
    3 * (c[6] - 3 * c[4] + 3 * c[2] - c[0]),
    6 * (c[4] - 2 * c[2] + c[0]),
    3 * (c[2] - c[0]),
    3 * (c[7] - 3 * c[5] + 3 * c[3] - c[1]),
    6 * (c[5] - 2 * c[3] + c[1]),
    3 * (c[3] - c[1]),
  ];
}

function speed(d: CubicLengths['derivative'], t: number): number {
  const x = (d[0] * t + d[1]) * t + d[2];
  const y = (d[3] * t + d[4]) * t + d[5];
  return Math.sqrt(x * x + y * y);
}

/** Length between two parameters by the 15-point rule alone; exact enough inside one leaf. */
function lengthInLeaf(d: CubicLengths['derivative'], t0: number, t1: number): number {
  const half = (t1 - t0) / 2;
  const middle = (t1 + t0) / 2;
  let sum = KRONROD_MIDDLE * speed(d, middle);
  for (let i = 0; i < 7; i++) {
    const dt = half * NODE[i]!;
    sum += KRONROD[i]! * (speed(d, middle - dt) + speed(d, middle + dt));
  }
  return sum * half;
}

/**
 * Measures a cubic by adaptive Gauss–Kronrod quadrature of its speed.
 * Relative error below 1e-7 for every curve, cusps included (see arc-length.test.ts for what was measured).
 */
export function measureCubic(c: Cubic): CubicLengths {
  const d = derivativeOf(c);
  const polygon =
    Math.hypot(c[2] - c[0], c[3] - c[1]) +
    Math.hypot(c[4] - c[2], c[5] - c[3]) +
    Math.hypot(c[6] - c[4], c[7] - c[5]);
  const ends = [0];
  const lengths = [0];
  let total = 0;
  const leaf = (t0: number, t1: number, depth: number): void => {
    const half = (t1 - t0) / 2;
    const middle = (t1 + t0) / 2;
    const v = speed(d, middle);
    let kronrod = KRONROD_MIDDLE * v;
    let gauss = GAUSS_MIDDLE * v;
    for (let i = 0; i < 7; i++) {
      const dt = half * NODE[i]!;
      const pair = speed(d, middle - dt) + speed(d, middle + dt);
      kronrod += KRONROD[i]! * pair;
      gauss += GAUSS[i]! * pair;
    }
    if (Math.abs(kronrod - gauss) * half > AGREEMENT * polygon && depth < DEEPEST) {
      leaf(t0, middle, depth + 1);
      leaf(middle, t1, depth + 1);
      return;
    }
    total += kronrod * half;
    ends.push(t1);
    lengths.push(total);
  };
  if (polygon > 0) leaf(0, 1, 0);
  else {
    ends.push(1);
    lengths.push(0);
  }
  const t = Float64Array.from(ends);
  return { t, s: Float64Array.from(lengths), v: t.map((at) => speed(d, at)), length: total, derivative: d };
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
  const slope0 = Math.min(ds / (m.v[i]! || 1e-300), tame);
  const slope1 = Math.min(ds / (m.v[i + 1]! || 1e-300), tame);
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
