import { applyMatrix, corner, inverse, type Path, type Point } from '../../geometry';
import { valueAt } from '../../timing';
import { partWithId, type Between, type Piece, type Stroke } from '../schema';
import { ownBox } from './own-box';
import { worldOf } from './world';

/** Where something stands in the picture at a frame: a pin, or what a layer or group turns about. Null where there is none. */
function anchorAt(piece: Piece, id: string, frame: number): Point | null {
  const pin = piece.pins.find((one) => one.id === id);
  if (pin) return { x: valueAt(pin.x, frame), y: valueAt(pin.y, frame) };
  const part = partWithId(piece, id);
  if (!part) return null;
  const { place } = part;
  const box = place ? null : ownBox(piece, id, frame);
  if (!place && !box) return null;
  const own = place
    ? { x: valueAt(place.pivotX, frame), y: valueAt(place.pivotY, frame) }
    : { x: (box!.left + box!.right) / 2, y: (box!.top + box!.bottom) / 2 };
  return applyMatrix(worldOf(piece, part, frame), own);
}

/** A line from one place to another, its middle so far off the straight way; null where gaps leave nothing of it. */
function lineBetween(a: Point, b: Point, arch: number, gap: number): Path | null {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length <= 2 * gap) return null;
  const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
  const from = { x: a.x + ux * gap, y: a.y + uy * gap };
  const to = { x: b.x - ux * gap, y: b.y - uy * gap };
  // A cubic's middle stands off by three quarters of what its handles do.
  const off = (arch * 4) / 3;
  const third = (length - 2 * gap) / 3;
  const handle = (way: 1 | -1): Point => ({ x: way * ux * third + uy * off, y: way * uy * third - ux * off });
  return {
    closed: false,
    points: [
      { ...corner(from.x, from.y), out: handle(1) },
      { ...corner(to.x, to.y), in: handle(-1) },
    ],
  };
}

const last = new WeakMap<
  Between,
  { readonly marks: readonly number[]; readonly stroke: Stroke; readonly of: Stroke }
>();

/**
 * A stroke as it is at a frame: one that runs between two things has its path from there. The same object while nothing of
 * it changes; itself where nothing moves it.
 */
export function strokeAt(piece: Piece, stroke: Stroke, frame: number): Stroke {
  const { between } = stroke;
  if (!between) return stroke;
  const [a, b] = [anchorAt(piece, between.from, frame), anchorAt(piece, between.to, frame)];
  const back = inverse(worldOf(piece, stroke, frame));
  if (!a || !b || !back) return stroke;
  const [p, q] = [applyMatrix(back, a), applyMatrix(back, b)];
  const marks = [p.x, p.y, q.x, q.y, valueAt(between.arch, frame), between.gap];
  const before = last.get(between);
  if (before?.of === stroke && before.marks.every((mark, i) => mark === marks[i])) return before.stroke;
  const path = lineBetween(p, q, marks[4]!, between.gap);
  const now: Stroke = path
    ? { ...stroke, path }
    : {
        ...stroke,
        path: { closed: false, points: [corner((p.x + q.x) / 2, (p.y + q.y) / 2)] },
        hidden: true,
      };
  last.set(between, { marks, stroke: now, of: stroke });
  return now;
}
