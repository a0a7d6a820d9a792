import { changed, greatest, updateLayers, updateStrokes } from '../parts';
import {
  strokeById,
  strokesOf,
  tieCycle,
  type Piece,
  type Stroke,
  type Tie,
  type TiedProperty,
} from '../schema';
import { settleTies, toCount } from '../settle';

const withTies = (stroke: Stroke, ties: readonly Tie[]): Stroke =>
  changed(stroke, { ties: ties.length > 0 ? ties : undefined });

const others = (stroke: Stroke, property: TiedProperty): readonly Tie[] =>
  (stroke.ties ?? []).filter((tie) => tie.property !== property);

/** Ties a property of strokes to another stroke's, in place of a tie it had. */
export const tieStrokes = (piece: Piece, ids: readonly string[], tie: Tie): Piece =>
  settleTies(updateStrokes(piece, ids, (stroke) => tied(stroke, tie)));

const tied = (stroke: Stroke, tie: Tie): Stroke => withTies(stroke, [...others(stroke, tie.property), tie]);

/** Why strokes can't be tied so, in words; null where they can. */
export function tieFault(piece: Piece, ids: readonly string[], tie: Tie): string | null {
  const to = strokeById(piece, tie.to);
  if (!to) return 'The stroke to follow is not in this piece.';
  if (ids.includes(tie.to)) return `“${to.name}” can’t follow itself.`;
  if (!tieCycle(strokesOf(updateStrokes(piece, ids, (stroke) => tied(stroke, tie))))) return null;
  const follower = strokeById(piece, ids[0]!)!;
  return `The ${tie.property} of “${to.name}” already follows “${follower.name}”: they would chase each other. Cut that tie first.`;
}

/** Changes how strokes follow by a property; those that do not follow by it stay as they are. */
export const changeTies = (
  piece: Piece,
  ids: readonly string[],
  property: TiedProperty,
  part: Partial<Pick<Tie, 'factor' | 'offset'>>,
): Piece =>
  settleTies(
    updateStrokes(piece, ids, (stroke) => {
      const now = stroke.ties?.find((tie) => tie.property === property);
      return now ? tied(stroke, { ...now, ...part }) : stroke;
    }),
  );

/** Cuts the ties of a property (or all): what was followed stays as it is now. */
export function cutTies(piece: Piece, ids: readonly string[], property?: TiedProperty): Piece {
  return updateStrokes(piece, ids, (stroke) => {
    const kept = property ? others(stroke, property) : [];
    return kept.length === (stroke.ties?.length ?? 0) ? stroke : withTies(stroke, kept);
  });
}

/** The strokes that follow a stroke, and by what. */
export const followersOf = (piece: Piece, id: string): { stroke: Stroke; tie: Tie }[] =>
  strokesOf(piece).flatMap((stroke) =>
    (stroke.ties ?? []).filter((tie) => tie.to === id).map((tie) => ({ stroke, tie })),
  );

/**
 * Lets counted numbers go with the head of a stroke, from 0 to what they count to now, else to 100; with null they count by
 * themselves again, as they did with it.
 */
export function tieCounts(piece: Piece, ids: readonly string[], to: string | null): Piece {
  const stroke = to === null ? undefined : strokeById(piece, to);
  return updateLayers(piece, ids, (layer) => {
    if (layer.type !== 'lettering' || !layer.count) return layer;
    if (!stroke) return { ...layer, count: changed(layer.count, { follows: undefined }) };
    const [number, head] = [greatest(layer.count.value), greatest(stroke.window.head)];
    const all = number > 0 && head > 0 ? toCount(number / head) : 100;
    return { ...layer, count: { ...layer.count, follows: { to: stroke.id, none: 0, all } } };
  });
}
