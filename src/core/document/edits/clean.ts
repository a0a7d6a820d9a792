import {
  pathBounds,
  insertPoint,
  distance,
  fitCubic,
  fitPath,
  measurePath,
  nearestPlace,
  norm,
  pointAtLength,
  scale,
  subtract,
  tangentAtLength,
  unit,
  type Path,
  type PathPlace,
  type PathPoint,
  type Point,
} from '../../geometry';
import type { Piece, Stroke } from '../schema';
import { updateStrokes } from './layers';

/** Samples of a path at even distances, with the places of its corners among them. */
function samplesOf(path: Path, step: number): { points: Point[]; corners: number[] } {
  const m = measurePath(path);
  const points: Point[] = [];
  const corners: number[] = [];
  m.segments.forEach((segment, i) => {
    const kind = path.points[i]!.kind;
    if (kind === 'corner' && (i > 0 || path.closed)) corners.push(points.length);
    const n = Math.max(2, Math.min(400, Math.ceil(segment.length / step)));
    for (let k = 0; k < n; k++) {
      points.push(pointAtLength(m, m.starts[i]! + (segment.length * k) / n));
    }
  });
  if (!path.closed) points.push(pointAtLength(m, m.length));
  return { points, corners };
}

/** Greatest distance between a path and samples of another, px. */
export const greatestDeviation = (path: Path, points: readonly Point[]): number =>
  points.reduce(
    (most, p) => Math.max(most, nearestPlace(path, p)?.distance ?? distance(path.points[0]!, p)),
    0,
  );

/**
 * The same line with fewer points. Corners stay corners.
 * @param tolerance greatest distance it may move, px.
 * @returns the path, or the very same where it would not get fewer points.
 */
export function simplifyPath(path: Path, tolerance: number): Path {
  if (path.points.length < 3) return path;
  const { length } = measurePath(path);
  if (length === 0) return path;
  const { points, corners } = samplesOf(path, Math.max(0.5, Math.min(length / 60, tolerance)));
  // A turn of corner points smaller than the tolerance shows is none: fitting decides; a sharp one stays.
  const sharp = corners.filter((i) => turnAt(points, i, path.closed) > 0.35);
  const fitted = fitPath(points, tolerance, sharp, path.closed);
  return fitted.points.length < path.points.length ? fitted : path;
}

function turnAt(points: readonly Point[], i: number, closed: boolean): number {
  const n = points.length;
  const [a, b] = [
    points[closed ? (i - 1 + n) % n : Math.max(0, i - 1)]!,
    points[closed ? (i + 1) % n : Math.min(n - 1, i + 1)]!,
  ];
  const p = points[i]!;
  const [u, v] = [subtract(p, a), subtract(b, p)];
  return Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y));
}

/** What simplifying strokes would do: points before and after, and how far a line moves at the most. */
export function simplifyPreview(
  strokes: readonly Stroke[],
  tolerance: number,
): { before: number; after: number; deviation: number; paths: ReadonlyMap<string, Path> } {
  let [before, after, deviation] = [0, 0, 0];
  const paths = new Map<string, Path>();
  for (const stroke of strokes) {
    const path = simplifyPath(stroke.path, tolerance);
    before += stroke.path.points.length;
    after += path.points.length;
    if (path !== stroke.path) {
      paths.set(stroke.id, path);
      const step = Math.max(1, measurePath(stroke.path).length / 200);
      deviation = Math.max(deviation, greatestDeviation(path, samplesOf(stroke.path, step).points));
    }
  }
  return { before, after, deviation, paths };
}

export const simplifyStrokes = (piece: Piece, ids: readonly string[], tolerance: number): Piece =>
  updateStrokes(piece, ids, (stroke) => {
    const path = simplifyPath(stroke.path, tolerance);
    return path === stroke.path ? stroke : { ...stroke, path };
  });

/** Makes the stretch between neighbouring chosen points straight; of fewer than two the whole path between its ends. */
export function straighten(path: Path, indices: readonly number[]): Path {
  const n = path.points.length;
  const chosen = indices.length > 1 ? [...indices].sort((a, b) => a - b) : [0, n - 1];
  const runs = chosen.slice(1).map((b, i) => [chosen[i]!, b] as const);
  const drop = new Set<number>();
  const points = path.points.map((p, i): PathPoint => {
    let q = p;
    for (const [a, b] of runs) {
      if (i > a && i < b) drop.add(i);
      if (i === a) q = { ...q, out: { x: 0, y: 0 } };
      if (i === b) q = { ...q, in: { x: 0, y: 0 } };
    }
    return q === p ? p : { ...q, kind: norm(q.in) > 0 && norm(q.out) > 0 ? q.kind : 'corner' };
  });
  return { ...path, points: points.filter((_, i) => !drop.has(i)) };
}

type Axis = 'x' | 'y';

const movedTo = (path: Path, to: ReadonlyMap<number, Partial<Point>>): Path => ({
  ...path,
  points: path.points.map((p, i) => (to.has(i) ? { ...p, ...to.get(i) } : p)),
});

/** Puts chosen points on one level (`y`) or upright (`x`) line: their mean, or their first or last along it. */
export function alignPoints(
  path: Path,
  indices: readonly number[],
  axis: Axis,
  to: 'least' | 'mean' | 'most',
): Path {
  const values = indices.map((i) => path.points[i]![axis]);
  if (values.length < 2) return path;
  const at =
    to === 'least'
      ? Math.min(...values)
      : to === 'most'
        ? Math.max(...values)
        : values.reduce((a, b) => a + b, 0) / values.length;
  return movedTo(path, new Map(indices.map((i) => [i, { [axis]: at }])));
}

/** Spaces chosen points evenly along an axis, the outermost staying. */
export function distributePoints(path: Path, indices: readonly number[], axis: Axis): Path {
  if (indices.length < 3) return path;
  const sorted = [...indices].sort((a, b) => path.points[a]![axis] - path.points[b]![axis]);
  const [first, last] = [path.points[sorted[0]!]![axis], path.points[sorted.at(-1)!]![axis]];
  return movedTo(
    path,
    new Map(sorted.map((i, k) => [i, { [axis]: first + ((last - first) * k) / (sorted.length - 1) }])),
  );
}

/** Puts chosen points at their common mean, on both axes. */
export const averagePoints = (path: Path, indices: readonly number[]): Path =>
  alignPoints(alignPoints(path, indices, 'x', 'mean'), indices, 'y', 'mean');

/** Turns a nearly level (or upright) handle pair exactly level: the handles of chosen points lie along an axis. */
export function levelHandles(path: Path, indices: readonly number[], axis: Axis): Path {
  const flat = (h: Point): Point => {
    const length = norm(h);
    const sign = Math.sign(axis === 'y' ? h.x : h.y) || 1;
    return axis === 'y' ? { x: sign * length, y: 0 } : { x: 0, y: sign * length };
  };
  return {
    ...path,
    points: path.points.map((p, i) =>
      indices.includes(i)
        ? { ...p, in: norm(p.in) > 0 ? flat(p.in) : p.in, out: norm(p.out) > 0 ? flat(p.out) : p.out }
        : p,
    ),
  };
}

/** Makes points symmetric: handles in one line and of one length, along the way the path has there. */
export function toSymmetric(path: Path, indices: readonly number[]): Path {
  const n = path.points.length;
  return {
    ...path,
    points: path.points.map((p, i): PathPoint => {
      if (!indices.includes(i)) return p;
      const ends = !path.closed && (i === 0 || i === n - 1);
      if (ends) return { ...p, kind: 'symmetric' };
      const before = path.points[(i - 1 + n) % n]!;
      const after = path.points[(i + 1) % n]!;
      const own = unit(subtract(p.out, p.in));
      const along = norm(own) > 0 ? own : unit(subtract(after, before));
      const length = (norm(p.in) + norm(p.out)) / 2 || (distance(before, p) + distance(p, after)) / 6;
      return { ...p, kind: 'symmetric', in: scale(along, -length), out: scale(along, length) };
    }),
  };
}

/** Cuts a path at a place: an open one into two, a closed one open there. */
export function splitPath(path: Path, place: PathPlace): Path[] {
  const { segment, t } = place;
  // On a point, cut there; between points, put one there first.
  const atStart = t < 1e-6;
  const atEnd = t > 1 - 1e-6;
  const whole = atStart || atEnd ? path : insertPoint(path, place);
  const n = whole.points.length;
  const index = (segment + (atStart ? 0 : 1)) % n;
  const open = (points: readonly PathPoint[]): Path => ({
    closed: false,
    points: points.map((p, i) => ({
      ...p,
      in: i === 0 ? { x: 0, y: 0 } : p.in,
      out: i === points.length - 1 ? { x: 0, y: 0 } : p.out,
    })),
  });
  if (path.closed) {
    const turned = [...whole.points.slice(index), ...whole.points.slice(0, index)];
    return [open([...turned, turned[0]!])];
  }
  if (index === 0 || index === n - 1) return [path];
  return [open(whole.points.slice(0, index + 1)), open(whole.points.slice(index))];
}

/** A stroke that no longer says what it was traced from or how a hand wrote it. */
function withoutOrigin(stroke: Stroke): Stroke {
  const plain = { ...stroke };
  delete (plain as Partial<Stroke>).traced;
  delete (plain as Partial<Stroke>).hand;
  return plain;
}

/** Cuts a stroke at a place; the second part comes right after it, under a new id, and keeps the timing. */
export function splitStroke(piece: Piece, id: string, place: PathPlace, newId: string): Piece {
  const at = piece.layers.findIndex((layer) => layer.id === id);
  const stroke = piece.layers[at];
  if (stroke?.type !== 'stroke') return piece;
  const parts = splitPath(stroke.path, place);
  const made = parts.map((path, i): Stroke => {
    return {
      ...withoutOrigin(stroke),
      path,
      ...(i > 0 && { id: newId, name: `${stroke.name}, part 2`.slice(0, 120) }),
    };
  });
  return { ...piece, layers: [...piece.layers.slice(0, at), ...made, ...piece.layers.slice(at + 1)] };
}

export type StrokeEnd = { readonly stroke: string; readonly end: 'start' | 'end' };

const endPoint = (path: Path, end: 'start' | 'end'): PathPoint =>
  end === 'start' ? path.points[0]! : path.points.at(-1)!;

/** Ends of strokes that nearly meet another stroke: where, how far apart, and what they would be put on. */
export interface NearEnd extends StrokeEnd {
  /** The stroke it nearly meets, at one of its ends or somewhere on its path. */
  readonly other: string;
  readonly onPath: boolean;
  readonly at: Point;
  readonly to: Point;
  readonly gap: number;
}

/** Finds ends that miss another stroke's end or path by less than `reach` px but do not meet it. */
export function nearEnds(strokes: readonly Stroke[], reach: number): NearEnd[] {
  const out: NearEnd[] = [];
  // Of many strokes few are near: the others are told by their boxes.
  const boxes = new Map(strokes.map((stroke) => [stroke.id, pathBounds(stroke.path)]));
  const isNear = (other: Stroke, at: Point): boolean => {
    const box = boxes.get(other.id);
    return (
      !box ||
      (at.x >= box.left - reach &&
        at.x <= box.right + reach &&
        at.y >= box.top - reach &&
        at.y <= box.bottom + reach)
    );
  };
  for (const stroke of strokes) {
    if (stroke.path.closed || stroke.path.points.length < 2) continue;
    for (const end of ['start', 'end'] as const) {
      const at = endPoint(stroke.path, end);
      let best: Pick<NearEnd, 'other' | 'onPath' | 'to' | 'gap'> | null = null;
      for (const other of strokes) {
        if (other.id === stroke.id || other.path.points.length < 2 || !isNear(other, at)) continue;
        for (const their of other.path.closed ? [] : (['start', 'end'] as const)) {
          const p = endPoint(other.path, their);
          const gap = distance(at, p);
          // An end is nearer than the path it belongs to, if both are about as near.
          if (gap <= reach && gap * 0.8 < (best?.gap ?? Infinity))
            best = { other: other.id, onPath: false, to: { x: p.x, y: p.y }, gap };
        }
        const place = nearestPlace(other.path, at);
        if (place && place.distance <= reach && place.distance < (best?.gap ?? Infinity) * 0.8) {
          best = { other: other.id, onPath: true, to: place.point, gap: place.distance };
        }
      }
      if (best && best.gap > 0.01) out.push({ stroke: stroke.id, end, at: { x: at.x, y: at.y }, ...best });
    }
  }
  return out;
}

/**
 * Moves ends onto what they nearly meet; where two ends seek each other both go to the middle. Ends that go onto a path
 * come last, when it lies where it will.
 */
export function meetEnds(piece: Piece, ends: readonly NearEnd[]): Piece {
  const target = (end: NearEnd, now: Piece): Point => {
    const other = now.layers.find((layer) => layer.id === end.other);
    if (end.onPath && other?.type === 'stroke') return nearestPlace(other.path, end.at)?.point ?? end.to;
    const mutual = ends.find(
      (o) => o !== end && distance(o.at, end.to) < 1e-6 && distance(o.to, end.at) < 1e-6,
    );
    return mutual ? { x: (end.at.x + end.to.x) / 2, y: (end.at.y + end.to.y) / 2 } : end.to;
  };
  const ordered = [...ends].sort((a, b) => Number(a.onPath) - Number(b.onPath));
  return ordered.reduce((result, end) => {
    const to = target(end, result);
    return updateStrokes(result, [end.stroke], (stroke) => {
      const index = end.end === 'start' ? 0 : stroke.path.points.length - 1;
      return { ...stroke, path: movedTo(stroke.path, new Map([[index, to]])) };
    });
  }, piece);
}

/** Joins two open strokes by their nearest ends into the first of them; the second goes. */
export function joinStrokes(piece: Piece, first: string, second: string): Piece {
  const [a, b] = [first, second].map((id) => piece.layers.find((layer) => layer.id === id));
  if (a?.type !== 'stroke' || b?.type !== 'stroke' || a.path.closed || b.path.closed) return piece;
  const pairs = (['start', 'end'] as const).flatMap((p) =>
    (['start', 'end'] as const).map((q) => ({
      p,
      q,
      gap: distance(endPoint(a.path, p), endPoint(b.path, q)),
    })),
  );
  const { p, q, gap } = pairs.reduce((x, y) => (y.gap < x.gap ? y : x));
  const turned = (path: Path): PathPoint[] =>
    [...path.points].reverse().map((o) => ({ ...o, in: o.out, out: o.in }));
  const head = p === 'end' ? [...a.path.points] : turned(a.path);
  const tail = q === 'start' ? [...b.path.points] : turned(b.path);
  const [x, y] = [head.at(-1)!, tail[0]!];
  const points =
    gap < 1e-3
      ? [...head.slice(0, -1), { ...x, out: y.out, kind: kindOf(x.in, y.out) }, ...tail.slice(1)]
      : [...head, ...tail];
  // Written from where the first stroke began.
  const path: Path = { closed: false, points: p === 'end' ? points : turned({ closed: false, points }) };
  const joined = updateStrokes(piece, [first], (stroke) => ({ ...stroke, path }));
  return { ...joined, layers: joined.layers.filter((layer) => layer.id !== second) };
}

function kindOf(into: Point, out: Point): PathPoint['kind'] {
  const [m, n] = [norm(into), norm(out)];
  return m > 0 && n > 0 && (into.x * out.x + into.y * out.y) / (m * n) < -0.999 ? 'smooth' : 'corner';
}

/**
 * Takes points out and bends what is left to where the line was: each gap is fitted anew with one cubic between its
 * neighbours, in their directions.
 * @returns null when nothing would be left.
 */
export function removePoints(path: Path, indices: readonly number[]): Path | null {
  const n = path.points.length;
  const gone = new Set(indices);
  const kept = path.points.map((_, i) => i).filter((i) => !gone.has(i));
  if (kept.length === 0) return null;
  if (kept.length === 1 || !indices.some((i) => path.closed || (i > 0 && i < n - 1))) {
    const points = kept.map((i) => path.points[i]!);
    return { closed: path.closed && points.length > 1, points };
  }
  const m = measurePath(path);
  const points: PathPoint[] = kept.map((i) => ({ ...path.points[i]! }));
  const pairs = kept.map((a, k) => [k, a, kept[(k + 1) % kept.length]!] as const);
  for (const [k, a, b] of pairs) {
    const last = k === kept.length - 1;
    if (last && !path.closed) break;
    const span = (b - a + n) % n || n;
    if (span === 1) continue;
    const from = m.starts[a]!;
    const length = Array.from({ length: span }, (_, i) => m.segments[(a + i) % n]!.length).reduce(
      (x, y) => x + y,
      0,
    );
    if (length === 0) continue;
    const at = (s: number): number => (path.closed && s > m.length ? s - m.length : s);
    const samples = Array.from({ length: 33 }, (_, i) => pointAtLength(m, at(from + (length * i) / 32)));
    const next = (k + 1) % kept.length;
    const [p, q] = [path.points[a]!, path.points[b]!];
    const handles = bestHandles(samples, p, q, [
      fittedHandles(
        samples,
        tangentAtLength(m, at(from + 1e-6 * length)),
        tangentAtLength(m, at(from + length * (1 - 1e-6))),
      ),
      // What a point was put into comes out again without a trace: the handles it shortened grow back.
      ...(span === 2 ? stretchedHandles(path.points[(a + 1) % n]!, p, q) : []),
    ]);
    points[k] = { ...points[k]!, out: handles.out };
    points[next] = { ...points[next]!, in: handles.in };
  }
  return { closed: path.closed && points.length > 1, points };
}

interface Handles {
  readonly out: Point;
  readonly in: Point;
}

function fittedHandles(samples: readonly Point[], leaving: Point, arriving: Point): Handles {
  const c = fitCubic(samples, leaving, scale(arriving, -1));
  return { out: { x: c[2] - c[0], y: c[3] - c[1] }, in: { x: c[4] - c[6], y: c[5] - c[7] } };
}

/** Where a smooth point split one curve in two, its own handles tell at which share; none where it did not. */
function stretchedHandles(gone: PathPoint, before: PathPoint, after: PathPoint): Handles[] {
  const total = norm(gone.in) + norm(gone.out);
  if (gone.kind === 'corner' || total === 0) return [];
  const share = Math.min(0.95, Math.max(0.05, norm(gone.in) / total));
  return [{ out: scale(before.out, 1 / share), in: scale(after.in, 1 / (1 - share)) }];
}

/** The handles with which one curve stays nearest to samples of what was there. */
function bestHandles(
  samples: readonly Point[],
  p: PathPoint,
  q: PathPoint,
  all: readonly Handles[],
): Handles {
  const off = (handles: Handles): number => {
    const path: Path = {
      closed: false,
      points: [
        { ...p, out: handles.out },
        { ...q, in: handles.in },
      ],
    };
    return greatestDeviation(path, samples);
  };
  return all.map((handles) => ({ handles, off: off(handles) })).reduce((a, b) => (b.off < a.off ? b : a))
    .handles;
}
