import {
  keysOf,
  withKey,
  withoutKeys,
  withRetimedKeys,
  withShiftedKeys,
  type Animated,
  type Easing,
} from '../../timing';
import type { Piece, Stroke, WindowPart } from '../schema';
import { shiftedInk } from './ink';
import { updateStrokes } from './layers';

/** A key of a stroke, by its place in the list of keys of head, tail or slide. */
export interface KeyRef {
  readonly stroke: string;
  readonly part: WindowPart;
  readonly index: number;
}

export const WINDOW_PARTS: readonly WindowPart[] = ['head', 'tail', 'slide'];

const animated = (stroke: Stroke, part: WindowPart, to: Animated): Stroke => ({
  ...stroke,
  window: { ...stroke.window, [part]: to },
});

/** Changes each referenced list of keys once, given the places referenced in it. */
function changeKeys(
  piece: Piece,
  refs: readonly KeyRef[],
  change: (value: Animated, indices: number[]) => Animated,
): Piece {
  const ids = [...new Set(refs.map((ref) => ref.stroke))];
  return updateStrokes(piece, ids, (stroke) =>
    WINDOW_PARTS.reduce((result, part) => {
      const indices = refs.filter((r) => r.stroke === stroke.id && r.part === part).map((r) => r.index);
      if (indices.length === 0) return result;
      return animated(result, part, change(result.window[part], indices));
    }, stroke),
  );
}

/** Sets the value of head, tail or slide at a frame, adding a key or changing the one there. */
export const setKey = (
  piece: Piece,
  id: string,
  part: WindowPart,
  frame: number,
  value: number,
  easing?: Easing,
): Piece =>
  updateStrokes(piece, [id], (stroke) =>
    animated(stroke, part, withKey(stroke.window[part], frame, value, easing)),
  );

/** Changes value or easing of keys where they stand. */
export const changeKey = (
  piece: Piece,
  refs: readonly KeyRef[],
  to: { value?: number; easing?: Easing },
): Piece =>
  changeKeys(piece, refs, (value, indices) => ({
    keys: keysOf(value).map((key, i) => (indices.includes(i) ? { ...key, ...to } : key)),
  }));

export const moveKeys = (piece: Piece, refs: readonly KeyRef[], frames: number): Piece =>
  changeKeys(piece, refs, (value, indices) =>
    withShiftedKeys(value, (i) => (indices.includes(i) ? frames : 0)),
  );

/** Gives keys other frames, all by one rule: stretched, squeezed, or one part quicker and another slower. */
export const retimeKeys = (piece: Piece, refs: readonly KeyRef[], to: (frame: number) => number): Piece =>
  changeKeys(piece, refs, (value, indices) => withRetimedKeys(value, indices, to));

/**
 * The rule of a box of time whose edges and inner line are moved: within it frames are spread evenly on either side of
 * the line.
 */
export function boxRule(
  from: { readonly left: number; readonly line: number; readonly right: number },
  to: { readonly left: number; readonly line: number; readonly right: number },
): (frame: number) => number {
  const part = (frame: number, a: number, b: number, c: number, d: number): number =>
    b > a ? c + ((frame - a) * (d - c)) / (b - a) : c;
  return (frame) =>
    frame <= from.line
      ? part(frame, from.left, from.line, to.left, to.line)
      : part(frame, from.line, from.right, to.line, to.right);
}

export const removeKeys = (piece: Piece, refs: readonly KeyRef[]): Piece =>
  changeKeys(piece, refs, (value, indices) => withoutKeys(value, indices));

/** A stroke with everything keyed in it moved by a number of frames. */
export const shiftStroke = (stroke: Stroke, frames: number): Stroke =>
  frames === 0
    ? stroke
    : WINDOW_PARTS.reduce(
        (result, part) =>
          animated(
            result,
            part,
            withShiftedKeys(result.window[part], () => frames),
          ),
        { ...stroke, ink: shiftedInk(stroke.ink, frames) },
      );

/** Moves everything keyed in the strokes by a number of frames. */
export const shiftStrokes = (piece: Piece, ids: readonly string[], frames: number): Piece =>
  updateStrokes(piece, ids, (stroke) => shiftStroke(stroke, frames));

/** First and last keyed frame of a stroke, or null when nothing in it is keyed. */
export function keyedSpan(stroke: Stroke): { first: number; last: number } | null {
  const frames = WINDOW_PARTS.flatMap((part) => keysOf(stroke.window[part]).map((key) => key.frame));
  return frames.length > 0 ? { first: Math.min(...frames), last: Math.max(...frames) } : null;
}
