import {
  arrivalFrame,
  groupOf,
  ownBox,
  strokeAt,
  strokeById,
  windowAt,
  withinGroup,
  worldOf,
  type Part,
  type Piece,
  type Stroke,
} from '../document';
import type { StrokeNow, Subject, Variant } from '../effects';
import { compose, IDENTITY, inverse, transformPath, type Matrix, type Path, type Point } from '../geometry';
import { framesPerSecond, valueAt } from '../timing';
import { kept } from '../draw';

/** One way of showing strokes otherwise on top of another. */
export const varied = (a: Variant | null, b: Variant | undefined): Variant | null => {
  const [width, reach] = [(a?.width ?? 1) * (b?.width ?? 1), Math.min(a?.reach ?? 1, b?.reach ?? 1)];
  return width === 1 && reach === 1 ? null : { width, reach };
};

/** The point about which something turns, as it was made: its pivot, or the middle of it where it has none. */
function pivotOf(piece: Piece, one: Part, frame: number): Point {
  const { place } = one;
  if (place) return { x: valueAt(place.pivotX, frame), y: valueAt(place.pivotY, frame) };
  return kept(one, 'middle', 'type' in one ? [] : [piece], () => {
    const box = ownBox(piece, one.id, 0);
    return box ? { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 } : { x: 0, y: 0 };
  });
}

const pathIn = (stroke: Stroke, m: Matrix): Path =>
  kept(stroke, 'path seen from elsewhere', [stroke.path, ...m], () => transformPath(stroke.path, m));

/** What an effect is told of the layer or group it is done to, besides what that shows. */
export function subjectOf(piece: Piece, one: Part, frame: number): Omit<Subject, 'items' | 'kept'> {
  const matrix = (at: number): Matrix => withinGroup(piece, one, at);
  const now = (made: Stroke, m: Matrix, at: number): StrokeNow => {
    const stroke = strokeAt(piece, made, at);
    const { head, tail } = windowAt(stroke, at);
    return { path: pathIn(stroke, m), head, tail, width: valueAt(stroke.ink.width, at) };
  };
  return {
    frame,
    framesPerSecond: framesPerSecond(piece.rate),
    loop: piece.length,
    matrix,
    pivot: () => pivotOf(piece, one, frame),
    stroke(at, id) {
      const stroke = strokeById(piece, id ?? one.id);
      if (stroke && id === undefined) return now(stroke, matrix(at), at);
      if (!stroke) return null;
      const group = groupOf(piece, one);
      const back = group ? inverse(worldOf(piece, group, at)) : IDENTITY;
      return back && now(stroke, compose(back, worldOf(piece, stroke, at)), at);
    },
    arrival(id) {
      const stroke = strokeById(piece, id);
      return stroke ? arrivalFrame(stroke, 'head', 1) : null;
    },
  };
}
