import { windowAt, type Layer, type Piece, type Stroke } from '../document';
import { artItems } from './art-items';
import type { DrawItem, DrawList } from './draw-list';
import { inkMarks } from './ink-now';
import { momentOf, type Moment } from './moment';
import { revealedItems } from './reveal';
import { strokeItems } from './stroke-items';

/** What each stroke drew last: while its window and its ink stand still, it draws the very same items. */
const drawn = new WeakMap<Stroke, { marks: readonly (number | string)[]; items: readonly DrawItem[] }>();

function itemsAt(stroke: Stroke, moment: Moment): readonly DrawItem[] {
  const window = windowAt(stroke, moment.frame);
  const marks = [window.head, window.tail, window.slide, ...inkMarks(stroke.ink, moment)];
  const last = drawn.get(stroke);
  if (last && last.marks.length === marks.length && last.marks.every((mark, i) => mark === marks[i])) {
    return last.items;
  }
  const items = strokeItems(stroke, window, moment);
  drawn.set(stroke, { marks, items });
  return items;
}

/** Whether two draw lists are made of the same items, and so paint the same picture. */
export const sameItems = (a: DrawList, b: DrawList): boolean =>
  a.items.length === b.items.length && a.items.every((item, i) => item === b.items[i]);

/**
 * What a piece shows at a frame. Pure: the same piece and frame give the same list on every machine.
 * @param frame frames from the start; fractions lie between two frames.
 */
export function evaluate(piece: Piece, frame: number): DrawList {
  const moment = momentOf(piece, frame);
  const own = (layer: Layer): readonly DrawItem[] =>
    layer.type === 'stroke' ? itemsAt(layer, moment) : artItems(layer);
  const reveals = piece.layers.some((layer) => layer.reveal) || piece.groups.some((group) => group.reveal);
  const items = reveals ? revealedItems(piece, own) : piece.layers.flatMap(own);
  return { width: piece.size.width, height: piece.size.height, items };
}
