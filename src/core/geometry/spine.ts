import { lengthAtParameter } from './arc-length';
import { cubicDerivative, cubicPoint } from './cubic';
import { cornersOf } from './corners';
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
const DEEPEST = 12;

const known = new WeakMap<Path, Map<number, readonly SpinePlace[]>>();

/** The greatest radius of its class, px: in classes, a width that is keyed does not sample anew at every frame. */
export const radiusClass = (radius: number): number => 2 ** Math.ceil(Math.log2(Math.max(1, radius)));

/**
 * Places along a whole path, near enough to each other that straight lines between them, and between what lies up to
 * `radius` px beside them, are within 0.04 px of the curves. Kept while the same path object lives, so that a growing
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
  const out: SpinePlace[] = [];
  const push = (s: number, p: Point, direction: Point): void => {
    const along = direction.x === 0 && direction.y === 0 ? (out.at(-1)?.out ?? { x: 1, y: 0 }) : direction;
    out.push({ x: p.x, y: p.y, s, into: along, out: along, corner: false });
  };
  m.segments.forEach((segment, i) => {
    const c = segment.cubic;
    const { lengths } = segment;
    const base = m.starts[i]!;
    if (segment.length === 0) return;
    if (!lengths) {
      const way = unit({ x: c[6] - c[0], y: c[7] - c[1] });
      push(base, { x: c[0], y: c[1] }, way);
      if (i === m.segments.length - 1) push(base + segment.length, { x: c[6], y: c[7] }, way);
      return;
    }
    const put = (t: number): void =>
      push(base + (t === 0 ? 0 : lengthAtParameter(lengths, t)), cubicPoint(c, t), directionAt(c, t));
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
      if (depth < 2 || (depth < DEEPEST && !tiny && sag + cut > TOLERANCE)) {
        refine(t0, p0, middle, p, depth + 1);
        refine(middle, p, t1, p1, depth + 1);
      } else put(t0);
    };
    refine(0, { x: c[0], y: c[1] }, 1, { x: c[6], y: c[7] }, 0);
    if (i === m.segments.length - 1) put(1);
  });
  return out.map((place, i) => {
    const end = m.path.closed && i === out.length - 1;
    const corner = corners.get(end ? 0 : place.s);
    return corner ? { ...place, into: corner.into, out: corner.out, corner: true } : place;
  });
}

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

/** The place at a length, on the line between its neighbours on the spine. */
export function spinePlaceAt(spine: readonly SpinePlace[], s: number): SpinePlace {
  const low = indexAt(spine, s);
  const [a, b] = [spine[low]!, spine[low + 1]!];
  if (s <= a.s) return a;
  if (s >= b.s) return b;
  const t = (s - a.s) / (b.s - a.s);
  const along = unit({ x: a.out.x + (b.into.x - a.out.x) * t, y: a.out.y + (b.into.y - a.out.y) * t });
  const direction = along.x === 0 && along.y === 0 ? a.out : along;
  return {
    x: a.x + (b.x - a.x) * t,
    y: a.y + (b.y - a.y) * t,
    s,
    into: direction,
    out: direction,
    corner: false,
  };
}

/**
 * The spine of a stretch, ends included; lengths count on where a closed path passes its first point.
 * @param from, to px along the path, from < to; on a closed one `to` may pass the whole length.
 */
export function spineBetween(path: Path, radius: number, from: number, to: number): SpinePlace[] {
  const spine = spineOf(path, radius);
  if (spine.length < 2) return [];
  const { length } = measurePath(path);
  const wraps = path.closed && to > length;
  const at = (s: number): SpinePlace => {
    const place = spinePlaceAt(spine, wraps && s > length ? s - length : s);
    return place.s === s ? place : { ...place, s };
  };
  const out = [at(from)];
  const add = (base: number): void => {
    for (let i = indexAt(spine, from - base); i < spine.length; i++) {
      const place = spine[i]!;
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
