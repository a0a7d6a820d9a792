import { lineShape, rectangleShape, reversePath, type Bounds, type Path } from '../../geometry';
import { boxOf } from '../at';
import { sameValue } from '../parts';
import { strokesOf, type Fitted, type Piece, type Stroke } from '../schema';
import { tieThatHolds } from './settle-ties';
import { settled } from './settled';

/** Slices lie over one another by so much, px: no line shows between them. */
const LAP = 1;

const line = (x0: number, y0: number, x1: number, y1: number): Path =>
  lineShape({ x: x0, y: y0 }, { x: x1, y: y1 });

const turned = (path: Path, round: boolean): Path => (round ? reversePath(path) : path);

/** One of the slices that fill a box, as the middle line of a stroke and the width it must have. */
function slice({ left, top, right, bottom }: Bounds, { index, of, way }: NonNullable<Fitted['slice']>) {
  const across = way === 'down' || way === 'up' ? right - left : bottom - top;
  const each = across / of;
  const lap = index < of - 1 ? LAP : 0;
  const middle = index * each + (each + lap) / 2;
  const path =
    way === 'down' || way === 'up'
      ? line(left + middle, top, left + middle, bottom)
      : line(left, top + middle, right, top + middle);
  return { path: turned(path, way === 'up' || way === 'left'), width: each + lap };
}

/** The path that keeps to a box, and the width of its stroke where the box says that too. */
function fittedPath(fitted: Fitted, box: Bounds): { path: Path; width?: number } {
  const { as, padX, padY, from, radius } = fitted;
  const back = from === 'right';
  const room = {
    left: box.left - padX,
    right: box.right + padX,
    top: box.top - padY,
    bottom: box.bottom + padY,
  };
  if (as === 'slice') return slice(room, fitted.slice ?? { index: 0, of: 1, way: 'down' });
  if (as === 'box') {
    const a = { x: room.left, y: room.top };
    return { path: turned(rectangleShape(a, { x: room.right, y: room.bottom }, radius), back) };
  }
  if (as === 'before') return { path: turned(line(room.left, room.top, room.left, room.bottom), back) };
  if (as === 'after') return { path: turned(line(room.right, room.top, room.right, room.bottom), back) };
  if (as === 'lead in' || as === 'lead out') {
    const end = as === 'lead in' ? box.left - padY : box.right + padY;
    const far = as === 'lead in' ? end - padX : end + padX;
    const [from, to] = as === 'lead in' ? [far, end] : [end, far];
    return { path: turned(line(from, box.bottom, to, box.bottom), back) };
  }
  const y = as === 'under' ? room.bottom : room.top;
  return { path: turned(line(room.left, y, room.right, y), back) };
}

function fit(piece: Piece, stroke: Stroke): Stroke {
  const box = stroke.fitted && boxOf(piece, stroke.fitted.to);
  // Where there is nothing to keep to (an empty text) it stays as it was.
  if (!stroke.fitted || !box) return stroke;
  const fitted = fittedPath(stroke.fitted, box);
  // What it follows by other ways too is not said by its box.
  const path = tieThatHolds(piece, stroke, 'path') || stroke.between ? stroke.path : fitted.path;
  const width = tieThatHolds(piece, stroke, 'width') ? undefined : fitted.width;
  const same = sameValue(path, stroke.path);
  if (same && (width === undefined || width === stroke.ink.width)) return stroke;
  return {
    ...stroke,
    path: same ? stroke.path : path,
    ...(width !== undefined && { ink: { ...stroke.ink, width } }),
  };
}

/** The piece with every fitted stroke keeping to what it is fitted to; the same object where nothing changes. */
export const settleFits = (piece: Piece): Piece =>
  strokesOf(piece).some((stroke) => stroke.fitted) ? settled(piece, (stroke) => fit(piece, stroke)) : piece;
