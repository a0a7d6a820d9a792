import type { Piece, Stroke } from '../document';
import { measurePath, type PathCommand } from '../geometry';
import { disc, inkedLengths, inkedPath, square, type InkWindow } from '../ink';
import { valueAt } from '../timing';
import type { DrawItem, DrawList } from './draw-list';

/** Head, tail and slide of a stroke at a frame (frames may be fractions). */
export const windowAt = (stroke: Stroke, frame: number): InkWindow => ({
  head: valueAt(stroke.window.head, frame),
  tail: valueAt(stroke.window.tail, frame),
  slide: valueAt(stroke.window.slide, frame),
});

/** A stroke without length shows as its cap alone, as SVG 2 (13.5.4) has it; a flat cap shows nothing. */
function capAlone(stroke: Stroke, window: InkWindow): readonly PathCommand[] {
  const point = stroke.path.points[0]!;
  if (!inkedLengths(window, 1, false) || stroke.ink.cap === 'flat') return [];
  return (stroke.ink.cap === 'round' ? disc : square)(point.x, point.y, stroke.ink.width / 2);
}

function drawStroke(stroke: Stroke, window: InkWindow): DrawItem | null {
  const { ink } = stroke;
  if (stroke.hidden || ink.opacity === 0 || ink.width === 0) return null;
  const shown = { colour: ink.colour, opacity: ink.opacity };
  if (measurePath(stroke.path).length === 0) {
    const path = capAlone(stroke, window);
    return path.length > 0 ? { kind: 'fill', path, ...shown } : null;
  }
  const path = inkedPath(stroke.path, window);
  if (path.length === 0) return null;
  return {
    kind: 'stroke',
    path,
    ...shown,
    width: ink.width,
    cap: ink.cap === 'flat' ? 'butt' : ink.cap,
    join: ink.join,
  };
}

/** What each stroke drew last: while its window stands still, it draws the very same item. */
const drawn = new WeakMap<Stroke, { window: InkWindow; item: DrawItem | null }>();

function itemAt(stroke: Stroke, frame: number): DrawItem | null {
  const window = windowAt(stroke, frame);
  const last = drawn.get(stroke);
  if (
    last &&
    last.window.head === window.head &&
    last.window.tail === window.tail &&
    last.window.slide === window.slide
  ) {
    return last.item;
  }
  const item = drawStroke(stroke, window);
  drawn.set(stroke, { window, item });
  return item;
}

/** Whether two draw lists are made of the same items, and so paint the same picture. */
export const sameItems = (a: DrawList, b: DrawList): boolean =>
  a.items.length === b.items.length && a.items.every((item, i) => item === b.items[i]);

/**
 * What a piece shows at a frame. Pure: the same piece and frame give the same list on every machine.
 * @param frame frames from the start; fractions lie between two frames.
 */
export function evaluate(piece: Piece, frame: number): DrawList {
  const items: DrawItem[] = [];
  for (const layer of piece.layers) {
    const item = itemAt(layer, frame);
    if (item) items.push(item);
  }
  return { width: piece.size.width, height: piece.size.height, items };
}
