import { withKey, type Animated } from '../../timing';
import { changed, updateLayers, type Change } from '../parts';
import { newArrival, type Arrival, type Lettering, type Piece } from '../schema';

/** Frames in which text comes and leaves; without `offAt` it stays. */
export interface ArrivalTimes {
  readonly onAt: number;
  readonly onFrames: number;
  readonly offAt?: number;
  readonly offFrames?: number;
}

const updateLettering = (
  piece: Piece,
  ids: readonly string[],
  change: (text: Lettering) => Lettering,
): Piece => updateLayers(piece, ids, (layer) => (layer.type === 'lettering' ? change(layer) : layer));

/** Changes how lettering comes and goes; null lets it be there all the time. */
export const setArrival = (
  piece: Piece,
  ids: readonly string[],
  change: (arrival: Arrival | undefined) => Arrival | null,
): Piece =>
  updateLettering(piece, ids, (text) =>
    changed<Lettering>(text, { arrival: change(text.arrival) ?? undefined }),
  );

/** Comes quickly and settles softly; leaves as it came, turned round. */
const SETTLING = { type: 'bezier', x1: 0.16, y1: 0.84, x2: 0.24, y2: 1 } as const;
const LEAVING = { type: 'bezier', x1: 0.7, y1: 0, x2: 0.84, y2: 0.3 } as const;

/** Keys lettering to come and leave in some frames. */
export const arriving = (piece: Piece, ids: readonly string[], times: ArrivalTimes): Piece =>
  setArrival(piece, ids, (arrival) => {
    const { onAt, onFrames, offAt, offFrames = onFrames } = times;
    let shown: Animated = withKey(0, onAt, 0, SETTLING);
    shown = withKey(shown, onAt + onFrames, 1, LEAVING);
    if (offAt !== undefined) {
      shown = withKey(shown, Math.max(offAt, onAt + onFrames + 1), 1, LEAVING);
      shown = withKey(shown, Math.max(offAt, onAt + onFrames + 1) + offFrames, 0);
    }
    return { ...(arrival ?? newArrival()), shown };
  });

/** Frames in which text comes and leaves where nothing else is said, and between them and the end of the piece. */
const COMES = 14;
const LEAVES = 12;
const BEFORE_END = 20;

/** Lets lettering come at a frame, hold, and leave shortly before the piece ends; parts of how it comes may be given. */
export function comeAt(
  piece: Piece,
  ids: readonly string[],
  frame: number,
  part: Partial<Arrival> = {},
): Piece {
  const given = changeArrival(piece, ids, part);
  const offAt = Math.max(frame + 2 * COMES, piece.length - BEFORE_END);
  return arriving(given, ids, { onAt: frame, onFrames: COMES, offAt, offFrames: LEAVES });
}

/** Changes parts of how lettering comes and goes; one given as undefined is taken away. */
export const changeArrival = (piece: Piece, ids: readonly string[], part: Change<Arrival>): Piece =>
  setArrival(piece, ids, (now) => changed<Arrival>(now ?? newArrival(), part));

/** Says which number lettering shows in the place of its #; null for none. */
export const setCount = (piece: Piece, ids: readonly string[], count: Lettering['count'] | null): Piece =>
  updateLettering(piece, ids, (text) => changed<Lettering>(text, { count: count ?? undefined }));
