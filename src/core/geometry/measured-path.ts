import { clamp } from '../numbers';
import {
  lengthAtParameter,
  intervalOf,
  measureCubic,
  parameterAtLength,
  type CubicLengths,
} from './arc-length';
import type { PathCommand } from './commands';
import { cubicDerivative, cubicPoint, subCubic, type Cubic } from './cubic';
import { isStraight, segmentCount, segmentCubic, type Path } from './path';
import { mix, unit, type Point } from './point';

interface MeasuredSegment {
  readonly cubic: Cubic;
  /** Null for a straight line without handles, which needs no table. */
  readonly lengths: CubicLengths | null;
  readonly length: number;
}

/** A path with its lengths: arc length is the currency in which head, tail and dashes are reckoned. */
export interface MeasuredPath {
  readonly path: Path;
  readonly segments: readonly MeasuredSegment[];
  /** Length from the start of the path to the start of each segment, and to the end; one entry more than segments. */
  readonly starts: readonly number[];
  /** Whole length in pixels. */
  readonly length: number;
}

const measured = new WeakMap<Path, MeasuredPath>();

/** Measures a path once; the table is kept while the same path object lives. */
export function measurePath(path: Path): MeasuredPath {
  const known = measured.get(path);
  if (known) return known;
  const count = segmentCount(path);
  const segments: MeasuredSegment[] = [];
  const starts = [0];
  let length = 0;
  for (let i = 0; i < count; i++) {
    const cubic = segmentCubic(path, i);
    // A table only where the curve is one: a straight line needs none.
    const lengths = isStraight(path, i) ? null : measureCubic(cubic);
    const own = lengths ? lengths.length : Math.hypot(cubic[6] - cubic[0], cubic[7] - cubic[1]);
    segments.push({ cubic, lengths, length: own });
    length += own;
    starts.push(length);
  }
  const result = { path, segments, starts, length };
  measured.set(path, result);
  return result;
}

/** A place on a path: which curve, and the curve's parameter there (0..1); on a line without handles the share of its length. */
export interface PathPlace {
  readonly segment: number;
  readonly t: number;
}

/** The place at a length from the start; lengths outside the path are held to its ends. */
export function placeAtLength(m: MeasuredPath, s: number): PathPlace {
  if (m.segments.length === 0) return { segment: 0, t: 0 };
  const i = intervalOf(m.starts, s);
  const segment = m.segments[i]!;
  const rest = s - m.starts[i]!;
  if (!segment.lengths) {
    return { segment: i, t: segment.length > 0 ? clamp(rest / segment.length, 0, 1) : 0 };
  }
  return { segment: i, t: parameterAtLength(segment.lengths, rest) };
}

const lineEnd = (c: Cubic): [Point, Point] => [
  { x: c[0], y: c[1] },
  { x: c[6], y: c[7] },
];

/** The length from the start (px) to a place. */
export function lengthAtPlace(m: MeasuredPath, { segment: i, t }: PathPlace): number {
  const segment = m.segments[i];
  if (!segment) return 0;
  return m.starts[i]! + (segment.lengths ? lengthAtParameter(segment.lengths, t) : t * segment.length);
}

/** The point at a length from the start. A path of one point answers with that point. */
export function pointAtLength(m: MeasuredPath, s: number): Point {
  const place = placeAtLength(m, s);
  const segment = m.segments[place.segment];
  if (!segment) return m.path.points[0] ?? { x: 0, y: 0 };
  return segment.lengths ? cubicPoint(segment.cubic, place.t) : mix(...lineEnd(segment.cubic), place.t);
}

/** The unit direction of travel at a length from the start; where the curve stands still, that of its surroundings. */
export function tangentAtLength(m: MeasuredPath, s: number): Point {
  const { segment: i, t } = placeAtLength(m, s);
  const segment = m.segments[i];
  if (!segment) return { x: 1, y: 0 };
  const c = segment.cubic;
  const direct = unit(segment.lengths ? cubicDerivative(c, t) : { x: c[6] - c[0], y: c[7] - c[1] });
  if (direct.x !== 0 || direct.y !== 0) return direct;
  const reach = Math.max(m.length * 1e-4, 1e-6);
  const before = pointAtLength(m, s - reach);
  const after = pointAtLength(m, s + reach);
  const around = unit({ x: after.x - before.x, y: after.y - before.y });
  return around.x !== 0 || around.y !== 0 ? around : { x: 1, y: 0 };
}

function pushSegment(out: PathCommand[], segment: MeasuredSegment, t0: number, t1: number): void {
  const c = segment.cubic;
  if (!segment.lengths) {
    const end = t1 >= 1 ? { x: c[6], y: c[7] } : mix(...lineEnd(c), t1);
    out.push(['L', end.x, end.y]);
    return;
  }
  const part = subCubic(c, t0, t1);
  out.push(['C', part[2], part[3], part[4], part[5], part[6], part[7]]);
}

/** Draws on from the pen's place: the curves between two places, without the first move. */
function pushBetween(out: PathCommand[], m: MeasuredPath, from: PathPlace, to: PathPlace): void {
  for (let i = from.segment; i <= to.segment; i++) {
    const t0 = i === from.segment ? from.t : 0;
    const t1 = i === to.segment ? to.t : 1;
    if (t1 > t0) pushSegment(out, m.segments[i]!, t0, t1);
  }
}

/**
 * The part of a path between two lengths (px, from ≤ to), exact: cubics are split, never flattened.
 * On a closed path `to` may pass the whole length once; the part then runs on through the first point without
 * a break. On an open path lengths outside are held to the ends. An empty part gives no commands.
 */
export function subPath(m: MeasuredPath, from: number, to: number): PathCommand[] {
  if (!m.path.closed) {
    from = Math.max(0, from);
    to = Math.min(m.length, to);
  }
  if (!(to > from) || m.length === 0) return [];
  if (m.path.closed) {
    const turns = Math.floor(from / m.length) * m.length;
    from -= turns;
    to -= turns;
  }
  const start = pointAtLength(m, from);
  const out: PathCommand[] = [['M', start.x, start.y]];
  const first = placeAtLength(m, from);
  const last = { segment: m.segments.length - 1, t: 1 };
  if (to <= m.length) {
    pushBetween(out, m, first, to === m.length ? last : placeAtLength(m, to));
  } else {
    pushBetween(out, m, first, last);
    pushBetween(out, m, { segment: 0, t: 0 }, placeAtLength(m, Math.min(to - m.length, m.length)));
  }
  return out;
}

const wholes = new WeakMap<Path, PathCommand[]>();

/** The whole path; a closed one is closed, so that its first point gets a join and no caps. */
export function wholePath(path: Path): readonly PathCommand[] {
  const known = wholes.get(path);
  if (known) return known;
  const m = measurePath(path);
  const first = path.points[0];
  const out: PathCommand[] = first ? [['M', first.x, first.y]] : [];
  m.segments.forEach((segment) => pushSegment(out, segment, 0, 1));
  if (path.closed && first) out.push(['Z']);
  wholes.set(path, out);
  return out;
}
