import { measurePath, tangentAtLength, type PathPoint } from '../../geometry';
import { clamp } from '../../numbers';
import { mapValues } from '../../timing';
import { updateStrokes } from '../parts';
import { strokeById, widestOf, type Piece } from '../schema';
import { setInk } from './ink';

/** A place that stays bare, as much as mending it must know. */
interface Bare {
  readonly stroke: string | null;
  /** Half width, px, with which the stroke would reach it. */
  readonly reach: number;
  readonly beyond: 'start' | 'end' | null;
}

/** Px that a stroke is made wider than what just reaches. */
const SPARE = 1.5;
/** A spot beyond an end that is so many times the stroke's half width away is better reached by a longer end. */
const FAR_BEYOND = 1.6;

/** Points of a width profile that follows what a stroke is to reach, at most. */
const MOST_POINTS = 24;

/**
 * Makes strokes just so wide, place by place, that they reach what is nearest to them: nothing of it stays bare, and as
 * little as may be of others' is uncovered too early.
 * @param needs half widths, px, at places evenly spread along each stroke.
 * @param spare px of width beyond what is needed.
 */
export function fitToCover(
  piece: Piece,
  needs: readonly { readonly stroke: string; readonly halves: ArrayLike<number> }[],
  spare: number,
): Piece {
  return needs.reduce((result, { stroke: id, halves }) => {
    const stroke = strokeById(result, id);
    const most = Math.max(0, ...Array.from(halves));
    if (!stroke || most === 0) return result;
    const width = Math.min(4000, Math.round((2 * most + spare) * 100) / 100);
    const bins = Math.min(MOST_POINTS - 1, halves.length - 1);
    if (bins < 1) return setInk(result, [id], { width, widths: undefined });
    // Each point is as wide as the widest place up to its neighbours, so that straight lines between them reach all.
    const at = Array.from({ length: bins + 1 }, (_, i) => {
      const [from, to] = [i - 1, i + 1].map((k) => clamp(k / bins, 0, 1) * (halves.length - 1));
      let half = 0;
      for (let k = Math.floor(from!); k <= Math.ceil(to!); k++) half = Math.max(half, halves[k]!);
      return half;
    });
    const widths = at.map((half, i) => ({
      at: i / bins,
      scale: Math.min(1, Math.round(((2 * half + spare) / width) * 1000) / 1000),
    }));
    return setInk(result, [id], { width, widths });
  }, piece);
}

/** Makes strokes so wide that they reach the bare places nearest to them; their width along them becomes even. */
export function widenToCover(piece: Piece, bare: readonly Bare[]): Piece {
  const needed = new Map<string, number>();
  for (const { stroke, reach } of bare) {
    if (stroke && strokeById(piece, stroke))
      needed.set(stroke, Math.max(needed.get(stroke) ?? 0, 2 * reach + SPARE));
  }
  return [...needed].reduce((result, [id, width]) => {
    const { ink: now } = strokeById(result, id)!;
    const factor = Math.max(1, width / Math.max(0.1, widestOf(now)));
    return factor === 1 && !now.widths
      ? result
      : setInk(result, [id], (ink) => ({
          width: mapValues(ink.width, (w) => Math.min(4000, Math.max(w * factor, Math.min(width, w * 50)))),
          widths: undefined,
        }));
  }, piece);
}

/** Lengthens strokes straight on over their ends, to bare places that lie beyond them. */
export function lengthenToCover(piece: Piece, bare: readonly Bare[]): Piece {
  return bare.reduce((result, { stroke: id, reach, beyond }) => {
    const stroke = id === null ? undefined : strokeById(result, id);
    if (!stroke || beyond === null || stroke.path.closed) return result;
    const half = widestOf(stroke.ink) / 2;
    if (reach <= half) return result;
    const m = measurePath(stroke.path);
    if (m.length === 0) return result;
    const t = tangentAtLength(m, beyond === 'start' ? 0 : m.length);
    const by = (reach - half + SPARE) * (beyond === 'start' ? -1 : 1);
    const points = [...stroke.path.points];
    const at = beyond === 'start' ? 0 : points.length - 1;
    const end = points[at]!;
    const tip: PathPoint = {
      x: end.x + t.x * by,
      y: end.y + t.y * by,
      in: { x: 0, y: 0 },
      out: { x: 0, y: 0 },
      kind: 'corner',
    };
    points.splice(beyond === 'start' ? 0 : points.length, 0, tip);
    return updateStrokes(result, [stroke.id], (s) => ({ ...s, path: { ...s.path, points } }));
  }, piece);
}

/** Whether a longer end reaches a bare place better than a wider stroke does. */
export function isFarBeyond(piece: Piece, { stroke: id, reach, beyond }: Bare): boolean {
  const stroke = id === null ? undefined : strokeById(piece, id);
  return stroke !== undefined && beyond !== null && reach > (FAR_BEYOND * widestOf(stroke.ink)) / 2;
}
