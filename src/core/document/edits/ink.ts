import type { StrokeEnd } from '../../ink';
import { scaled } from '../../properties';
import { isKeyed, withKey, type Animated } from '../../timing';
import { changed, updateStrokes, type Change } from '../parts';
import { inkSchema, type Ink, type Piece } from '../schema';

/** Parts of an ink; one given as undefined is taken away. */
export type InkChange = Change<Ink>;

/** Changes parts of the ink of strokes, each from what it was. */
export const setInk = (
  piece: Piece,
  ids: readonly string[],
  change: InkChange | ((ink: Ink) => InkChange),
): Piece =>
  updateStrokes(piece, ids, (stroke) => ({
    ...stroke,
    ink: changed(stroke.ink, typeof change === 'function' ? change(stroke.ink) : change),
  }));

/** An ink with another shape riding its head or tail; none where it is undefined. */
export function withEnd(ink: Ink, which: 'head' | 'tail', end: StrokeEnd | undefined): InkChange {
  const ends: NonNullable<Ink['ends']> = changed(ink.ends ?? {}, { [which]: end });
  return { ends: ends.head || ends.tail ? ends : undefined };
}

/** A value as it is to be at a frame: what is keyed gets a key there, what stays is replaced. */
export const withValueAt = <V>(animated: Animated<V>, frame: number, value: V): Animated<V> =>
  isKeyed(animated) ? withKey(animated, frame, value) : value;

/** An ink as it looks when its stroke is scaled about the first corner of the picture: lengths in px grow along. */
export const scaledInk = (ink: Ink, factor: number): Ink => scaled(inkSchema, ink, factor, { x: 0, y: 0 });
