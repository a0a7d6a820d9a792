import { changed, sameValue, updateStrokes } from '../parts';
import { strokesOf, type Ink, type Piece, type Stroke, type Style } from '../schema';

/** Adds a style to the piece, or replaces the one with its id; strokes that bear it change with it. */
export function putStyle(piece: Piece, style: Style): Piece {
  const known = piece.styles.some((other) => other.id === style.id);
  const styles = known
    ? piece.styles.map((other) => (other.id === style.id ? style : other))
    : [...piece.styles, style];
  const bearers = bearersOf(piece, style.id).map((stroke) => stroke.id);
  return updateStrokes({ ...piece, styles }, bearers, (stroke) => ({ ...stroke, ink: style.ink }));
}

/** Gives strokes a style, and its ink. */
export function applyStyle(piece: Piece, ids: readonly string[], id: string): Piece {
  const style = piece.styles.find((other) => other.id === id);
  if (!style) return piece;
  return updateStrokes(piece, ids, (stroke) => ({ ...stroke, ink: style.ink, style: id }));
}

/** Lets strokes go their own way; their ink stays as it is. */
export const leaveStyle = (piece: Piece, ids: readonly string[]): Piece =>
  updateStrokes(piece, ids, (stroke) => (stroke.style ? changed(stroke, { style: undefined }) : stroke));

/** Takes a style away; strokes that bore it keep their ink. */
export const removeStyle = (piece: Piece, id: string): Piece => ({
  ...leaveStyle(
    piece,
    bearersOf(piece, id).map((stroke) => stroke.id),
  ),
  styles: piece.styles.filter((style) => style.id !== id),
});

/** The strokes that bear a style. */
export const bearersOf = (piece: Piece, id: string): Stroke[] =>
  strokesOf(piece).filter((stroke) => stroke.style === id);

/** Whether an ink has gone its own way from a style. */
export const differs = (ink: Ink, style: Style): boolean => !sameValue(ink, style.ink);
