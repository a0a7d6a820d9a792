import { nearestOf, nearestShare } from '../at';
import { changed, layersOf, updateStrokes } from '../parts';
import { cueCycle, strokeById, strokesOf, type Cue, type Group, type Piece, type Stroke } from '../schema';
import { settleCues } from '../settle';

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

/** What strokes may wait for: groups, which lead by the stroke of theirs that comes nearest, and strokes; none of their own. */
export function leadersOf(piece: Piece, ids: readonly string[]): { groups: Group[]; strokes: Stroke[] } {
  const strokes = strokesOf(piece).filter(({ id }) => !ids.includes(id));
  const groups = piece.groups.filter(({ id }) => {
    const among = layersOf(piece, id);
    return strokes.some((stroke) => among.includes(stroke.id));
  });
  return { groups, strokes };
}

/** Which stroke each is to wait for, where that is one stroke or the nearest of a group. */
const pairsTo = (piece: Piece, ids: readonly string[], leader: string) =>
  strokeById(piece, leader) ? ids.map((id) => ({ id, to: leader })) : leadersIn(piece, ids, leader);

/** Cues strokes to a stroke, or each to the nearest stroke of a group. */
export const cueTo = (piece: Piece, ids: readonly string[], leader: string): Piece =>
  pairsTo(piece, ids, leader).reduce((cued, { id, to }) => cueStrokes(cued, [id], to), piece);

/** Why strokes can't wait for a stroke or a group, in words; null where they can. */
export const cueToFault = (piece: Piece, ids: readonly string[], leader: string): string | null =>
  pairsTo(piece, ids, leader)
    .map(({ id, to }) => cueFault(piece, [id], to))
    .find((fault) => fault !== null) ?? null;

/** Says what of cued strokes keeps time with their leaders: where they begin, or where they arrive. */
export const tieCues = (piece: Piece, ids: readonly string[], ties: 'start' | 'arrival'): Piece =>
  updateStrokes(piece, ids, (stroke) =>
    stroke.cue
      ? withCue(stroke, changed<Cue>(stroke.cue, { ties: ties === 'arrival' ? ties : undefined }))
      : stroke,
  );

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
