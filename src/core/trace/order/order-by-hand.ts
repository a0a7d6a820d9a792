import { inSequence, lettersOf, reverseStrokes, strokesOf, widestOf, type Piece } from '../../document';
import { directionOf, goesBackward, type WritingDirection } from './direction';
import { writingOrder, type OrderOptions } from './order';

/** The direction of the first text that has one: strokes in a piece with Arabic lettering are most likely its. */
export const directionIn = (piece: Pick<Piece, 'layers'>): WritingDirection =>
  lettersOf(piece)
    .map(({ setting }) => directionOf(setting.text))
    .find((direction) => direction !== null) ?? 'left to right';

/** Strokes of a piece in the order of a hand; those that go against its direction are reversed where that is asked for. */
export function orderedByHand(
  piece: Piece,
  ids: readonly string[],
  options: OrderOptions,
  isTurned: boolean,
): Piece {
  const strokes = strokesOf(piece).filter(({ id }) => ids.includes(id));
  const order = writingOrder(
    strokes.map(({ path, ink }) => ({ path, width: widestOf(ink) })),
    options,
  );
  const ordered = inSequence(
    piece,
    order.map((i) => strokes[i]!.id),
  );
  if (!isTurned) return ordered;
  const backward = strokes.filter(
    ({ path }) => path.points.length > 1 && goesBackward(path, options.direction),
  );
  return reverseStrokes(
    ordered,
    backward.map(({ id }) => id),
  );
}
