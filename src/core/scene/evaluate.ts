import {
  contentOf,
  windowAt,
  type Layer,
  type Lettering,
  type Nested,
  type Piece,
  type Stroke,
} from '../document';
import { framesPerSecond } from '../timing';
import { arrivalMarks, arrivedItems } from './arrived';
import { artItems } from './art-items';
import { composedItems } from './composed';
import { countedAt } from './counted';
import type { DrawItem, DrawList } from './draw-list';
import { inkMarks } from './ink-now';
import { momentOf, type Moment } from './moment';
import { strokeItems } from './stroke-items';

type Items = readonly DrawItem[];
type Mark = number | string | object | undefined;

/** What each layer drew last: while all that it is made from stands still, it draws the very same items. */
const drawn = new WeakMap<Layer, { marks: readonly Mark[]; items: Items }>();

function asBefore(layer: Layer, marks: readonly Mark[], draw: () => Items): Items {
  const last = drawn.get(layer);
  if (last && last.marks.length === marks.length && last.marks.every((mark, i) => mark === marks[i]))
    return last.items;
  const items = draw();
  drawn.set(layer, { marks, items });
  return items;
}

function strokeAt(stroke: Stroke, moment: Moment): Items {
  const window = windowAt(stroke, moment.frame);
  const marks = [window.head, window.tail, window.slide, ...inkMarks(stroke.ink, moment)];
  return asBefore(stroke, marks, () => strokeItems(stroke, window, moment));
}

function letteringAt(lettering: Lettering, piece: Piece, frame: number): Items {
  const now = countedAt(lettering, frame);
  if (!lettering.arrival) return artItems(now);
  const line = piece.layers.find((layer) => layer.id === lettering.arrival!.line);
  return asBefore(lettering, [now, line, ...arrivalMarks(now, frame)], () => arrivedItems(now, piece, frame));
}

/** The frame of its content that a nested piece shows at a frame of the piece around it; null where it shows nothing. */
function innerFrame(nested: Nested, piece: Pick<Piece, 'rate'>, frame: number): number | null {
  const content = contentOf(nested);
  const own = ((frame - nested.start) * framesPerSecond(content.rate)) / framesPerSecond(piece.rate);
  if (own < 0) return null;
  if (own <= content.length - 1) return own;
  if (nested.after === 'again') return own % content.length;
  return nested.after === 'last frame' || own < content.length ? content.length - 1 : null;
}

function nestedAt(nested: Nested, piece: Piece, frame: number): Items {
  if (nested.hidden || nested.opacity <= 0) return [];
  const own = innerFrame(nested, piece, frame);
  if (own === null) return [];
  const { items, width, height } = evaluate(contentOf(nested), own);
  return asBefore(nested, [nested.opacity, items.length, ...items], () => {
    if (items.length === 0) return [];
    // What lies outside its own picture is cut off, as when it is exported.
    const frameOf: DrawItem = {
      kind: 'fill',
      path: [['M', 0, 0], ['L', width, 0], ['L', width, height], ['L', 0, height], ['Z']],
      colour: '#ffffff',
      opacity: 1,
      operator: 'keep',
    };
    return [{ kind: 'group', items: [...items, frameOf], opacity: nested.opacity }];
  });
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
  const own = (layer: Layer): Items => {
    switch (layer.type) {
      case 'stroke':
        return strokeAt(layer, moment);
      case 'lettering':
        return letteringAt(layer, piece, frame);
      case 'piece':
        return nestedAt(layer, piece, frame);
      case 'art':
        return artItems(layer);
    }
  };
  const items = composedItems(piece, frame, own);
  return { width: piece.size.width, height: piece.size.height, items };
}
