import { clamp } from '../numbers';
import { cubicPoint, type Cubic } from './cubic';
import { leadingDirection } from './leading-direction';
import { corner, type Path, type PathPoint } from './path';
import { add, distance, dot, norm, scale, subtract, unit, type Point } from './point';

/** Handles no longer than this are none, px. */
const NO_HANDLE = 1e-6;

const chordLengths = (points: readonly Point[]): number[] => {
  const u = [0];
  for (let i = 1; i < points.length; i++) u.push(u[i - 1]! + distance(points[i]!, points[i - 1]!));
  const whole = u.at(-1)! || 1;
  return u.map((v) => v / whole);
};

/** The cubic with given end directions nearest to points at given parameters, by least squares. */
function leastSquares(points: readonly Point[], u: readonly number[], t1: Point, t2: Point): Cubic {
  const first = points[0]!;
  const last = points.at(-1)!;
  let [c00, c01, c11, x0, x1] = [0, 0, 0, 0, 0];
  u.forEach((t, i) => {
    const v = 1 - t;
    const b0 = v * v * v;
    const b1 = 3 * t * v * v;
    const b2 = 3 * t * t * v;
    const b3 = t * t * t;
    const a1 = scale(t1, b1);
    const a2 = scale(t2, b2);
    const rest = subtract(points[i]!, add(scale(first, b0 + b1), scale(last, b2 + b3)));
    c00 += dot(a1, a1);
    c01 += dot(a1, a2);
    c11 += dot(a2, a2);
    x0 += dot(a1, rest);
    x1 += dot(a2, rest);
  });
  const det = c00 * c11 - c01 * c01;
  const chord = distance(first, last);
  let alpha = det !== 0 ? (x0 * c11 - x1 * c01) / det : 0;
  let beta = det !== 0 ? (c00 * x1 - c01 * x0) / det : 0;
  // A handle that points the wrong way or runs off: the Wu–Barsky heuristic of a third of the chord.
  if (!(alpha > chord * 1e-6) || !(beta > chord * 1e-6) || alpha > 4 * chord + 1 || beta > 4 * chord + 1) {
    alpha = chord / 3;
    beta = chord / 3;
  }
  return [
    first.x,
    first.y,
    first.x + t1.x * alpha,
    first.y + t1.y * alpha,
    last.x + t2.x * beta,
    last.y + t2.y * beta,
    last.x,
    last.y,
  ];
}

/** Moves each parameter toward the foot of its point on the curve by a Newton step. */
function reparametrized(points: readonly Point[], u: readonly number[], c: Cubic): number[] {
  return u.map((t, i) => {
    const p = points[i]!;
    const v = 1 - t;
    const at = cubicPoint(c, t);
    const d1 = {
      x: 3 * (v * v * (c[2] - c[0]) + 2 * v * t * (c[4] - c[2]) + t * t * (c[6] - c[4])),
      y: 3 * (v * v * (c[3] - c[1]) + 2 * v * t * (c[5] - c[3]) + t * t * (c[7] - c[5])),
    };
    const d2 = {
      x: 6 * (v * (c[4] - 2 * c[2] + c[0]) + t * (c[6] - 2 * c[4] + c[2])),
      y: 6 * (v * (c[5] - 2 * c[3] + c[1]) + t * (c[7] - 2 * c[5] + c[3])),
    };
    const off = subtract(at, p);
    const below = dot(d1, d1) + dot(off, d2);
    return below === 0 ? t : clamp(t - dot(off, d1) / below, 0, 1);
  });
}

function worst(points: readonly Point[], u: readonly number[], c: Cubic): { error: number; index: number } {
  let error = 0;
  let index = points.length >> 1;
  for (let i = 1; i < points.length - 1; i++) {
    const d = distance(cubicPoint(c, u[i]!), points[i]!);
    if (d > error) {
      error = d;
      index = i;
    }
  }
  return { error, index };
}

/** The direction in which points pass the one at `i`, by its surroundings within a few tolerances. */
function passing(points: readonly Point[], i: number, reach: number): Point {
  let a = i - 1;
  let b = i + 1;
  while (a > 0 && distance(points[a]!, points[i]!) < reach) a--;
  while (b < points.length - 1 && distance(points[b]!, points[i]!) < reach) b++;
  return unit(subtract(points[b]!, points[a]!));
}

/** A cubic through some of the points: which, and the directions at its ends. */
interface Fitted {
  readonly cubic: Cubic;
  readonly points: readonly Point[];
  readonly t1: Point;
  readonly t2: Point;
}

/** One cubic for all the points, as near as it gets, with its greatest distance from them and where that is. */
function fitOne(
  points: readonly Point[],
  t1: Point,
  t2: Point,
  tolerance: number,
): { cubic: Cubic; error: number; index: number } {
  if (points.length === 2) {
    const third = distance(points[0]!, points[1]!) / 3;
    const [a, b] = [points[0]!, points[1]!];
    const [c, d] = [add(a, scale(t1, third)), add(b, scale(t2, third))];
    return { cubic: [a.x, a.y, c.x, c.y, d.x, d.y, b.x, b.y], error: 0, index: 1 };
  }
  let u = chordLengths(points);
  let cubic = leastSquares(points, u, t1, t2);
  let { error, index } = worst(points, u, cubic);
  for (let k = 0; k < 12 && error > tolerance && error < 12 * tolerance; k++) {
    u = reparametrized(points, u, cubic);
    const next = leastSquares(points, u, t1, t2);
    const found = worst(points, u, next);
    if (found.error >= error * 0.999 && k > 3) break;
    cubic = next;
    ({ error, index } = found);
  }
  return { cubic, error, index };
}

/**
 * The one cubic nearest to points passed in order that sets out and arrives in given directions (unit vectors, the
 * second pointing back into the curve), by least squares with Newton's parameters until it gets no better.
 */
export function fitCubic(points: readonly Point[], t1: Point, t2: Point): Cubic {
  let u = chordLengths(points);
  let best = leastSquares(points, u, t1, t2);
  let { error } = worst(points, u, best);
  for (let k = 0; k < 60; k++) {
    u = reparametrized(points, u, best);
    const next = leastSquares(points, u, t1, t2);
    const found = worst(points, u, next).error;
    if (found > error && k > 8) break;
    if (found <= error) {
      best = next;
      error = found;
    }
  }
  return best;
}

function fitRun(points: readonly Point[], t1: Point, t2: Point, tolerance: number): Fitted[] {
  const { cubic, error, index } = fitOne(points, t1, t2, tolerance);
  if (error <= tolerance) return [{ cubic, points, t1, t2 }];
  const split = clamp(index, 1, points.length - 2);
  const middle = passing(points, split, 3 * tolerance);
  return [
    ...fitRun(points.slice(0, split + 1), t1, scale(middle, -1), tolerance),
    ...fitRun(points.slice(split), middle, t2, tolerance),
  ];
}

/** Splitting at the worst place leaves more cubics than needed: neighbours that one cubic can stand for become one. */
function merged(fitted: readonly Fitted[], tolerance: number): Fitted[] {
  const out: Fitted[] = [];
  for (const next of fitted) {
    const last = out.at(-1);
    if (last) {
      const points = [...last.points, ...next.points.slice(1)];
      const { cubic, error } = fitOne(points, last.t1, next.t2, tolerance);
      if (error <= tolerance) {
        out[out.length - 1] = { cubic, points, t1: last.t1, t2: next.t2 };
        continue;
      }
    }
    out.push(next);
  }
  return out;
}

const withoutRepeats = (points: readonly Point[]): Point[] =>
  points.filter((p, i) => i === 0 || distance(p, points[i - 1]!) > 1e-9);

const isLine = (points: readonly Point[], tolerance: number): boolean => {
  const [a, b] = [points[0]!, points.at(-1)!];
  const along = unit(subtract(b, a));
  return points.every((p) => {
    const d = subtract(p, a);
    return Math.abs(d.x * along.y - d.y * along.x) <= tolerance && dot(d, along) >= -tolerance;
  });
};

/** Points used for an end direction reach this many tolerances along the line. */
const END_REACH = 6;

function endDirection(points: readonly Point[], tolerance: number): Point {
  const run: Point[] = [points[0]!];
  let way = 0;
  for (let i = 1; i < points.length && (way < END_REACH * tolerance || run.length < 3); i++) {
    way += distance(points[i]!, points[i - 1]!);
    run.push(points[i]!);
  }
  return leadingDirection(run, run.length > 5);
}

/**
 * A path of few cubics that keeps within a tolerance of points passed in order. Source: Schneider 1990, "An algorithm
 * for automatically fitting digitized curves", Graphics Gems; straight runs become lines without handles.
 * @param points in order, px; a single one gives a path of one point.
 * @param tolerance greatest distance of a point from the path, px.
 * @param corners places in the list where the direction may break.
 * @param closed whether the path returns to the first point; without corners it does so smoothly.
 */
export function fitPath(
  points: readonly Point[],
  tolerance: number,
  corners: readonly number[] = [],
  closed = false,
): Path {
  const cornerPoints = new Set(corners.map((i) => points[i]!));
  let run = withoutRepeats(points);
  if (run.length < 2) return { closed: false, points: run.map((p) => corner(p.x, p.y)) };
  if (closed) {
    // Round a ring begin at a corner, so that none lies inside a run.
    const at = run.findIndex((p) => cornerPoints.has(p));
    if (at > 0) run = [...run.slice(at), ...run.slice(0, at)];
    if (distance(run[0]!, run.at(-1)!) < 1e-9) run.pop();
    run.push(run[0]!);
  }
  const breaks = run.flatMap((p, i) => (i > 0 && i < run.length - 1 && cornerPoints.has(p) ? [i] : []));
  const smoothRing = closed && !cornerPoints.has(run[0]!);
  const round = smoothRing
    ? passing([...run.slice(-8, -1), ...run.slice(0, 8)], Math.min(7, run.length - 1), 3 * tolerance)
    : null;
  const ends = [0, ...breaks, run.length - 1];
  const joints: Cubic[] = [];
  for (let k = 1; k < ends.length; k++) {
    const part = run.slice(ends[k - 1], ends[k]! + 1);
    const [a, b] = [part[0]!, part.at(-1)!];
    if (!(round && ends.length === 2) && isLine(part, tolerance * 0.7) && distance(a, b) > 1e-9) {
      joints.push([a.x, a.y, a.x, a.y, b.x, b.y, b.x, b.y]);
      continue;
    }
    const t1 = round && k === 1 ? round : endDirection(part, tolerance);
    const t2 =
      round && k === ends.length - 1 ? scale(round, -1) : endDirection([...part].reverse(), tolerance);
    joints.push(...merged(fitRun(part, t1, t2, tolerance), tolerance).map((fitted) => fitted.cubic));
  }
  return pathOf(joints, closed);
}

function pathOf(joints: readonly Cubic[], closed: boolean): Path {
  const n = joints.length;
  const handle = (x: number, y: number): Point => (Math.hypot(x, y) < NO_HANDLE ? { x: 0, y: 0 } : { x, y });
  const points: PathPoint[] = [];
  for (let i = 0; i <= (closed ? n - 1 : n); i++) {
    const before = i > 0 ? joints[i - 1] : closed ? joints[n - 1] : undefined;
    const after = joints[i];
    const x = after ? after[0] : before![6];
    const y = after ? after[1] : before![7];
    const into = before ? handle(before[4] - x, before[5] - y) : { x: 0, y: 0 };
    const out = after ? handle(after[2] - x, after[3] - y) : { x: 0, y: 0 };
    points.push({ x, y, in: into, out, kind: smoothHandles(into, out) ? 'smooth' : 'corner' });
  }
  return { closed, points };
}

/** Whether both handles lie in one line through their point. */
export function smoothHandles(into: Point, out: Point): boolean {
  const [a, b] = [norm(into), norm(out)];
  if (a === 0 || b === 0) return false;
  return dot(into, out) / (a * b) < -0.9998;
}
