import { lengthAtParameter } from './arc-length';
import { cubicDerivative, cubicPoint } from './cubic';
import { cubicBetween, isNearCubic } from './cubic-between';
import { cornersOf } from './corners';
import { clamp } from '../numbers';
import { measurePath, type MeasuredPath } from './measured-path';
import type { Path } from './path';
import { unit, type Point } from './point';

/** A place on a path, its length from the start (px), and its unit direction before and after it. */
export interface SpinePlace extends Point {
  readonly s: number;
  readonly into: Point;
  readonly out: Point;
  /** The path turns on the spot here. */
  readonly corner: boolean;
}

/** How far an edge through the places may be from the true one, px. */
const TOLERANCE = 0.04;
/** How far a smooth curve through the places may be from it, px. */
const SMOOTH_TOLERANCE = 0.005;
/** Radians by which two segments may differ where they meet without a turn that shows. */
const TURN = 5e-4;
const DEEPEST = 12;
/** Places of one path: with many segments each is halved less often. */
const MOST_PLACES = 2 ** 17;

const known = new WeakMap<Path, Map<number, readonly SpinePlace[]>>();

/** The greatest radius of its class, px: in classes, a width that is keyed does not sample anew at every frame. */
export const radiusClass = (radius: number): number => 2 ** Math.ceil(Math.log2(Math.max(1, radius)));

/**
 * Places along a whole path, near enough to each other that straight lines between them, and between what lies up to
 * `radius` px beside them, are within 0.04 px of the curves, and smooth curves within a hundredth. Kept while the same path object lives, so that a growing
 * stroke is never sampled twice. A closed path ends with its first place again, at its whole length.
 */
export function spineOf(path: Path, radius: number): readonly SpinePlace[] {
  const most = radiusClass(radius);
  let of = known.get(path);
  if (!of) known.set(path, (of = new Map()));
  let spine = of.get(most);
  if (!spine) of.set(most, (spine = sample(measurePath(path), most)));
  return spine;
}

function sample(m: MeasuredPath, radius: number): SpinePlace[] {
  const corners = new Map(cornersOf(m.path).map((corner) => [corner.s, corner]));
  const deepest = clamp(Math.floor(Math.log2(MOST_PLACES / Math.max(1, m.segments.length))), 2, DEEPEST);
  const out: SpinePlace[] = [];
  let before = m.path.closed ? endDirection(m.segments.findLast(({ length }) => length > 0)) : null;
  const push = (s: number, p: Point, direction: Point, isJoint = false): void => {
    const along = direction.x === 0 && direction.y === 0 ? (out.at(-1)?.out ?? { x: 1, y: 0 }) : direction;
    const into = isJoint && before && turnBetween(before, along) > TURN ? before : along;
    out.push({ x: p.x, y: p.y, s, into, out: along, corner: false });
  };
  m.segments.forEach((segment, i) => {
    const c = segment.cubic;
    const { lengths } = segment;
    const base = m.starts[i]!;
    if (segment.length === 0) return;
    if (!lengths) {
      const way = unit({ x: c[6] - c[0], y: c[7] - c[1] });
      push(base, { x: c[0], y: c[1] }, way, true);
      before = way;
      if (i === m.segments.length - 1) push(base + segment.length, { x: c[6], y: c[7] }, way);
      return;
    }
    const put = (t: number): void =>
      push(
        base + (t === 0 ? 0 : lengthAtParameter(lengths, t)),
        cubicPoint(c, t),
        directionAt(c, t),
        t === 0,
      );
    const refine = (t0: number, p0: Point, t1: number, p1: Point, depth: number): void => {
      const middle = (t0 + t1) / 2;
      const p = cubicPoint(c, middle);
      const [dx, dy] = [p1.x - p0.x, p1.y - p0.y];
      const chord = Math.sqrt(dx * dx + dy * dy);
      const [mx, my] = [p.x - p0.x, p.y - p0.y];
      // Distance of the middle from the chord; where it lies beyond the ends (a hairpin), from the nearer one.
      const along = chord > 1e-9 ? (mx * dx + my * dy) / chord : -1;
      const sag =
        along >= 0 && along <= chord
          ? Math.abs(mx * dy - my * dx) / chord
          : Math.min(Math.hypot(mx, my), Math.hypot(p1.x - p.x, p1.y - p.y));
      const cut = chord > 1e-9 ? 8 * radius * (sag / chord) ** 2 : radius;
      const tiny = chord < 0.2 && sag < 0.1;
      const near = sag + cut <= TOLERANCE && smoothMiss(c, t0, p0, t1, p1, chord, p) <= SMOOTH_TOLERANCE;
      if (depth < 2 || (depth < deepest && !tiny && !near)) {
        refine(t0, p0, middle, p, depth + 1);
        refine(middle, p, t1, p1, depth + 1);
      } else put(t0);
    };
    refine(0, { x: c[0], y: c[1] }, 1, { x: c[6], y: c[7] }, 0);
    before = directionAt(c, 1);
    if (i === m.segments.length - 1) put(1);
  });
  return out.map((place, i) => {
    const end = m.path.closed && i === out.length - 1;
    const corner = corners.get(end ? 0 : place.s);
    const { x, y, s } = place;
    if (!corner) return end ? { ...place, out: out[0]!.out } : place;
    return { x, y, s, into: corner.into, out: corner.out, corner: true };
  });
}

/** How far the middle of a part of a cubic is from Hermite's curve through its ends, by their directions, px. */
function smoothMiss(
  c: Parameters<typeof cubicPoint>[0],
  t0: number,
  p0: Point,
  t1: number,
  p1: Point,
  chord: number,
  middle: Point,
): number {
  const [out, into] = [directionAt(c, t0), directionAt(c, t1)];
  const dx = (p0.x + p1.x) / 2 + (chord * (out.x - into.x)) / 8 - middle.x;
  const dy = (p0.y + p1.y) / 2 + (chord * (out.y - into.y)) / 8 - middle.y;
  // Only across the way: the middle by the cubic's parameter need not be the middle by length.
  return Math.abs(dx * (p1.y - p0.y) - dy * (p1.x - p0.x)) / (chord || 1);
}

/** The direction in which a segment ends; null for none. */
const endDirection = (segment: MeasuredPath['segments'][number] | undefined): Point | null =>
  segment ? directionAt(segment.cubic, 1) : null;

function directionAt(c: Parameters<typeof cubicPoint>[0], t: number): Point {
  const direct = unit(cubicDerivative(c, t));
  if (direct.x !== 0 || direct.y !== 0) return direct;
  // Where the curve stands still it goes as it does just beside.
  const near = t < 0.5 ? t + 1e-4 : t - 1e-4;
  return unit(cubicDerivative(c, near));
}

/** The last place but one at the most that lies no further than a length; the first where all do. */
function indexAt(spine: readonly SpinePlace[], s: number): number {
  let low = 0;
  let high = spine.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (spine[middle]!.s <= s) low = middle;
    else high = middle;
  }
  return low;
}

/** The place at a length, on the curve between its neighbours on the spine. */
export function spinePlaceAt(spine: readonly SpinePlace[], s: number): SpinePlace {
  const low = indexAt(spine, s);
  const [a, b] = [spine[low]!, spine[low + 1]!];
  if (s <= a.s) return a;
  if (s >= b.s) return b;
  const l = b.s - a.s;
  const t = (s - a.s) / l;
  // Hermite's curve through both, by their directions: lengths along the path are its parameter.
  const [u, tt] = [1 - t, t * t];
  const [p, q, v, w] = [u * u * (1 + 2 * t), tt * (3 - 2 * t), l * t * u * u, -l * tt * u];
  const [dp, dv, dw] = [(-6 * t * u) / l, u * (1 - 3 * t), t * (3 * t - 2)];
  const along = unit({
    x: (a.x - b.x) * dp + a.out.x * dv + b.into.x * dw,
    y: (a.y - b.y) * dp + a.out.y * dv + b.into.y * dw,
  });
  const direction = along.x === 0 && along.y === 0 ? a.out : along;
  return {
    x: a.x * p + b.x * q + a.out.x * v + b.into.x * w,
    y: a.y * p + b.y * q + a.out.y * v + b.into.y * w,
    s,
    into: direction,
    out: direction,
    corner: false,
  };
}

/** How far a curve between knots may be from the true one, px. */
const KNOT_TOLERANCE = 0.02;

/** By how much two directions differ, radians where that is little. */
export const turnBetween = (a: Point, b: Point): number =>
  Math.sqrt((b.x - a.x) * (b.x - a.x) + (b.y - a.y) * (b.y - a.y));

/** Whether a path bends so gently between two places that what lies a radius beside it neither folds nor piles up there. */
export const isGentle = (
  a: Pick<SpinePlace, 's' | 'out'>,
  b: Pick<SpinePlace, 's' | 'into'>,
  radius: number,
): boolean => radius * turnBetween(a.out, b.into) <= 0.8 * (b.s - a.s);

const knots = new WeakMap<readonly SpinePlace[], readonly SpinePlace[]>();

/**
 * Those places of a spine between which one curve a side is as good as the path and as what lies up to `radius` px beside it.
 * Where the path bends too tightly for curves that is all of them.
 */
function knotsOf(path: Path, radius: number): readonly SpinePlace[] {
  const spine = spineOf(path, radius);
  let some = knots.get(spine);
  if (!some) knots.set(spine, (some = thinOut(spine, radiusClass(radius))));
  return some;
}

function thinOut(spine: readonly SpinePlace[], radius: number): SpinePlace[] {
  const out: SpinePlace[] = [];
  let at = 0;
  while (at < spine.length - 1) {
    out.push(spine[at]!);
    let next = at + 1;
    while (next + 1 < spine.length && isOneCurve(spine, at, next + 1, radius)) next++;
    at = next;
  }
  if (spine.length > 0) out.push(spine.at(-1)!);
  return out;
}

function isOneCurve(spine: readonly SpinePlace[], from: number, to: number, radius: number): boolean {
  const [a, b] = [spine[from]!, spine[to]!];
  for (let i = from; i < to; i++) {
    if (i > from && spine[i]!.into !== spine[i]!.out) return false;
    if (!isGentle(spine[i]!, spine[i + 1]!, radius)) return false;
  }
  for (const r of [-radius, 0, radius]) {
    const [x0, y0, x3, y3] = [a.x - r * a.out.y, a.y + r * a.out.x, b.x - r * b.into.y, b.y + r * b.into.x];
    const curve = cubicBetween(x0, y0, a.out.x, a.out.y, x3, y3, b.into.x, b.into.y);
    if (!curve) return false;
    for (let i = from + 1; i < to; i++) {
      const { x, y, out } = spine[i]!;
      if (!isNearCubic(curve, x - r * out.y, y + r * out.x, KNOT_TOLERANCE)) return false;
    }
  }
  return true;
}

/**
 * The knots of a stretch, ends included; lengths count on where a closed path passes its first point.
 * @param radius how far beside the path curves between them are good.
 * @param from, to px along the path, from < to; on a closed one `to` may pass the whole length.
 */
export function knotsBetween(path: Path, radius: number, from: number, to: number): SpinePlace[] {
  const some = knotsOf(path, radius);
  if (some.length < 2) return [];
  const spine = spineOf(path, radius);
  const { length } = measurePath(path);
  const wraps = path.closed && to > length;
  const at = (s: number): SpinePlace => {
    const place = spinePlaceAt(spine, wraps && s > length ? s - length : s);
    return place.s === s ? place : { ...place, s };
  };
  const out = [at(from)];
  const add = (base: number): void => {
    for (let i = indexAt(some, from - base); i < some.length; i++) {
      const place = some[i]!;
      const s = place.s + base;
      if (s >= to) return;
      if (s > from && s > out.at(-1)!.s) out.push(base === 0 ? place : { ...place, s });
    }
  };
  add(0);
  if (wraps) add(length);
  out.push(at(to));
  return out;
}
