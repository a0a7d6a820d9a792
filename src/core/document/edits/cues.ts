import { changed } from '../changed';
import { nearestShare, settleCues } from '../cued';
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

/** Cuts cues: strokes stay when they are. */
export const cutCues = (piece: Piece, ids: readonly string[]): Piece =>
  updateStrokes(piece, ids, (stroke) => (stroke.cue ? changed(stroke, { cue: undefined }) : stroke));
