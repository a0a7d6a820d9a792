import {
  distance,
  nearestPlace,
  norm,
  pathBounds,
  type Path,
  type PathPoint,
  type Point,
} from '../../geometry';
import { updateStrokes } from '../parts';
import { strokeById, type Piece, type Stroke } from '../schema';
import { movedTo } from './align-points';

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
    const other = strokeById(now, end.other);
    if (end.onPath && other) return nearestPlace(other.path, end.at)?.point ?? end.to;
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
  const [a, b] = [first, second].map((id) => strokeById(piece, id));
  if (!a || !b || a.path.closed || b.path.closed) return piece;
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
