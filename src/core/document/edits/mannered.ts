import { groupOf, shared } from '../parts';
import type { GivenManner, Manner, MannerParts, Piece, Stroke } from '../schema';
import { mannerNow, reapplyManner, setByHand, withoutManner } from './manner';
import type { Mannered } from './manner-window';

/** Strokes, or the lines that time them as one: what bears the manner in which they are written. */
interface MannerBearer {
  readonly id: string;
  readonly of: Mannered;
  readonly closed: boolean;
}

/** What bears the manner of some strokes: the lines of their groups where each of them has one, else the strokes themselves. */
export function mannerBearers(piece: Piece, strokes: readonly Stroke[]): MannerBearer[] {
  const groups = strokes.map((stroke) => groupOf(piece, stroke));
  if (groups.length > 0 && groups.every((group) => group?.line))
    return [...new Set(groups)].map((group) => ({ id: group!.id, of: group!.line!, closed: false }));
  return strokes.map((stroke) => ({ id: stroke.id, of: stroke, closed: stroke.path.closed }));
}

/** The manner that all bear alike; null where they differ or bear none. */
export const commonManner = (bearers: readonly MannerBearer[]): GivenManner | null =>
  shared(bearers.map(({ of }) => of.manner ?? null));

/** The lengths of time in a manner, frames. */
export type MannerTime = 'onFrames' | 'offFrames' | 'hold';

/** The lengths of time that all have now, however they came about; null where they differ or have none. */
export function commonTimes(bearers: readonly MannerBearer[]): Record<MannerTime, number | null> {
  const now = bearers.flatMap(({ of, closed }) => mannerNow(of, closed) ?? []);
  const time = (key: MannerTime) => shared<Manner[MannerTime]>(now.map((manner) => manner[key]));
  return { onFrames: time('onFrames'), offFrames: time('offFrames'), hold: time('hold') };
}

/** How many have keys that are no longer those of their manner. */
export const countSetByHand = (bearers: readonly MannerBearer[]): number =>
  bearers.filter(({ of, closed }) => setByHand(of, closed)).length;

/** Strokes or lines written just as a manner says, without what was set by hand. */
export const writeAnew = (piece: Piece, ids: readonly string[], manner: MannerParts, name: string): Piece =>
  reapplyManner(withoutManner(piece, ids), ids, manner, name);
