import { changed } from '../changed';
import { nearestOf, nearestShare, settleCues } from '../cued';
import { layersOf } from '../grouped';
import { cueCycle, type Cue } from '../cue-schema';
import { strokeById, strokesOf, type Piece, type Stroke } from '../schema';
import { updateStrokes } from './layers';

const withCue = (stroke: Stroke, cue: Cue): Stroke => ({ ...stroke, cue });

/** Why strokes can't wait for another, in words; null where they can. */
export function cueFault(piece: Piece, ids: readonly string[], to: string): string | null {
  const leader = strokeById(piece, to);
  if (!leader) return 'The stroke to wait for is not in this piece.';
  if (ids.includes(to)) return `“${leader.name}” can’t wait for itself.`;
  const cued = updateStrokes(piece, ids, (stroke) => withCue(stroke, { to, part: 'head', at: 0, offset: 0 }));
  if (!cueCycle(strokesOf(cued))) return null;
  return `“${leader.name}” waits for one of these strokes already, itself or through others: none of them would ever begin. Cut that cue first.`;
}

/**
 * Cues strokes to another: each begins when the leader's head reaches the place nearest to its first point, and stays so
 * when the leader is retimed. Those that were cued before are cued anew.
 */
export function cueStrokes(
  piece: Piece,
  ids: readonly string[],
  to: string,
  part: Partial<Omit<Cue, 'to'>> = {},
): Piece {
  const leader = strokeById(piece, to);
  if (!leader) return piece;
  const cued = updateStrokes(piece, ids, (stroke) =>
    withCue(stroke, { to, part: 'head', at: nearestShare(leader, stroke), offset: 0, ...part }),
  );
  return settleCues(null, cued);
}

/** Of a group the stroke that each is to wait for: that which comes nearest to where it begins. */
export function leadersIn(piece: Piece, ids: readonly string[], to: string): { id: string; to: string }[] {
  const among = layersOf(piece, to);
  const leaders = strokesOf(piece).filter(({ id }) => among.includes(id) && !ids.includes(id));
  return ids.flatMap((id) => {
    const stroke = strokeById(piece, id);
    const leader = stroke && nearestOf(leaders, stroke);
    return leader ? [{ id, to: leader.id }] : [];
  });
}

/** Cuts cues: strokes stay when they are. */
export const cutCues = (piece: Piece, ids: readonly string[]): Piece =>
  updateStrokes(piece, ids, (stroke) => (stroke.cue ? changed(stroke, { cue: undefined }) : stroke));
