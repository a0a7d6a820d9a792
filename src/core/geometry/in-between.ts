import { insertPoint } from './insert-point';
import { measurePath, placeAtLength, pointAtLength } from './measured-path';
import { reversePath, withFirstPoint, type Path, type PathPoint } from './path';
import type { Point } from './point';

/** Places at which two outlines are compared to find which point of one is which of the other. */
const LOOKS = 96;
/** Shares of a length nearer than this are one place. */
const SAME = 1e-4;

const closedOf = (path: Path): Path => (path.closed ? path : { ...path, closed: true });

/** Twice the area inside a closed path, positive where it turns clockwise on the screen. */
function turning(path: Path): number {
  const places = placesOf(path);
  return places.reduce((sum, p, i) => {
    const q = places[(i + 1) % places.length]!;
    return sum + p.x * q.y - q.x * p.y;
  }, 0);
}

const centreOf = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, p) => sum + p.x, 0) / points.length,
  y: points.reduce((sum, p) => sum + p.y, 0) / points.length,
});

function placesOf(path: Path): Point[] {
  const m = measurePath(path);
  return Array.from({ length: LOOKS }, (_, i) => pointAtLength(m, (m.length * i) / LOOKS));
}

/** A closed path that begins at a share of its length. */
function begunAt(path: Path, share: number): Path {
  const m = measurePath(path);
  const { segment, t } = placeAtLength(m, share * m.length);
  if (t < 1e-6) return withFirstPoint(path, segment);
  if (t > 1 - 1e-6) return withFirstPoint(path, (segment + 1) % path.points.length);
  return withFirstPoint(insertPoint(path, { segment, t }), segment + 1);
}

/** Shares of a path's length at which its points lie. */
function sharesOf(path: Path): number[] {
  const m = measurePath(path);
  return m.starts.slice(0, path.points.length).map((at) => at / m.length);
}

/** A path with points at each of the shares of its length. */
function pointedAt(path: Path, shares: readonly number[]): Path {
  let result = path;
  for (const share of shares) {
    const own = sharesOf(result);
    if (own.some((other) => Math.abs(other - share) < SAME || share > 1 - SAME)) continue;
    const m = measurePath(result);
    const { segment, t } = placeAtLength(m, share * m.length);
    result = insertPoint(result, { segment, t });
  }
  return result;
}

/** The second shape begun where it lies nearest to the first's beginning, so that no point has far to go. */
function nearestBeginning(a: Path, b: Path): Path {
  const [p, q] = [placesOf(a), placesOf(b)];
  const [ca, cb] = [centreOf(p), centreOf(q)];
  let best = 0;
  let least = Infinity;
  for (let shift = 0; shift < LOOKS; shift++) {
    let sum = 0;
    for (let i = 0; i < LOOKS; i++) {
      const [u, v] = [p[i]!, q[(i + shift) % LOOKS]!];
      sum += (u.x - ca.x - v.x + cb.x) ** 2 + (u.y - ca.y - v.y + cb.y) ** 2;
    }
    if (sum < least - 1e-9) [least, best] = [sum, shift];
  }
  // A point of its own near there is a better beginning than one put in.
  const own = sharesOf(b);
  const near = own.find((share) => Math.abs(share - best / LOOKS) < 1.5 / LOOKS);
  return begunAt(b, near ?? best / LOOKS);
}

/**
 * Two closed paths with as many points each, the ones that become one another in the same places. Shapes of as many points
 * and the same direction are taken as one shape that was changed, point by point; others are matched by where they lie.
 */
export function matched(from: Path, to: Path): readonly [Path, Path] {
  const [a, b] = [closedOf(from), closedOf(to)];
  if (
    a.points.length < 2 ||
    b.points.length < 2 ||
    measurePath(a).length === 0 ||
    measurePath(b).length === 0
  )
    return [a, a.points.length === b.points.length ? b : a];
  const same = Math.sign(turning(a)) === Math.sign(turning(b));
  if (same && a.points.length === b.points.length) return [a, b];
  const begun = nearestBeginning(a, same ? b : reversePath(b));
  const [sa, sb] = [sharesOf(a), sharesOf(begun)];
  const both = [pointedAt(a, sb), pointedAt(begun, sa)] as const;
  return both[0].points.length === both[1].points.length ? both : [a, a];
}

/** The turn and growth that bring one set of points nearest to another about their middles (least squares). */
function turnBetween(
  a: readonly Point[],
  b: readonly Point[],
  ca: Point,
  cb: Point,
): { angle: number; grown: number } {
  let [dot, cross, size] = [0, 0, 0];
  a.forEach((p, i) => {
    const q = b[i]!;
    const [px, py, qx, qy] = [p.x - ca.x, p.y - ca.y, q.x - cb.x, q.y - cb.y];
    dot += px * qx + py * qy;
    cross += px * qy - py * qx;
    size += px * px + py * py;
  });
  return { angle: Math.atan2(cross, dot), grown: size > 0 ? Math.hypot(dot, cross) / size : 1 };
}

const pairs = new WeakMap<Path, WeakMap<Path, (t: number) => Path>>();

/**
 * What lies between two closed shapes, from 0 to 1 (and beyond). The turn and growth that both have in common are gone through
 * as such and only what is left is mixed point by point: a shape that turns neither shrinks nor twists on its way.
 */
export function inBetween(from: Path, to: Path): (t: number) => Path {
  let known = pairs.get(from);
  if (!known) pairs.set(from, (known = new WeakMap()));
  let made = known.get(to);
  if (!made) known.set(to, (made = makeInBetween(from, to)));
  return made;
}

function makeInBetween(from: Path, to: Path): (t: number) => Path {
  const [a, b] = matched(from, to);
  const [ca, cb] = [centreOf(a.points), centreOf(b.points)];
  const { angle, grown } = turnBetween(a.points, b.points, ca, cb);
  const size = grown > 1e-3 && grown < 1e3 ? grown : 1;
  return (t) => {
    if (t === 0) return from;
    if (t === 1) return to;
    const [cos, sin] = [Math.cos(angle * t), Math.sin(angle * t)];
    const k = Math.pow(size, t);
    // Backward by the whole turn, forward by the part of it: what is left over is mixed evenly.
    const [bc, bs] = [Math.cos(angle) / size, -Math.sin(angle) / size];
    const mixed = (p: Point, q: Point): Point => {
      const [x, y] = [q.x * bc - q.y * bs, q.x * bs + q.y * bc];
      const [mx, my] = [p.x + (x - p.x) * t, p.y + (y - p.y) * t];
      return { x: k * (mx * cos - my * sin), y: k * (mx * sin + my * cos) };
    };
    const centre = { x: ca.x + (cb.x - ca.x) * t, y: ca.y + (cb.y - ca.y) * t };
    const points = a.points.map((p, i): PathPoint => {
      const q = b.points[i]!;
      const at = mixed({ x: p.x - ca.x, y: p.y - ca.y }, { x: q.x - cb.x, y: q.y - cb.y });
      return {
        x: centre.x + at.x,
        y: centre.y + at.y,
        in: mixed(p.in, q.in),
        out: mixed(p.out, q.out),
        kind: p.kind === q.kind ? p.kind : 'corner',
      };
    });
    return { closed: true, points };
  };
}
