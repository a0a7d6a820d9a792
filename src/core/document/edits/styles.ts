import type { Ink } from '../ink-schema';
import type { Piece, Stroke, Style } from '../schema';
import { changedStroke, updateStrokes } from './layers';

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
  updateStrokes(piece, ids, (stroke) =>
    stroke.style ? changedStroke(stroke, { style: undefined }) : stroke,
  );

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
  piece.layers.filter((layer): layer is Stroke => layer.type === 'stroke' && layer.style === id);

/** Whether two inks look alike: compared by what they hold, in whatever order (a database keeps none). */
export function sameInk(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return Object.is(a, b);
  const [of, other] = [Object.keys(a), Object.keys(b)];
  const inside = (value: object, key: string): unknown => (value as Record<string, unknown>)[key];
  return of.length === other.length && of.every((key) => sameInk(inside(a, key), inside(b, key)));
}

/** Whether an ink has gone its own way from a style. */
export const differs = (ink: Ink, style: Style): boolean => !sameInk(ink, style.ink);
