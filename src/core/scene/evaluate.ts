import { kept, type DrawItem, type DrawList } from '../draw';
import {
  changed,
  contentOf,
  strokeAt,
  windowAt,
  type Layer,
  type Lettering,
  type Nested,
  type Piece,
  type Stroke,
} from '../document';
import { MOST_LENGTH } from '../properties';
import { heldFrame, type Variant } from '../effects';
import type { InkWindow } from '../ink';
import { framesPerSecond, mapValues } from '../timing';
import { variedAt } from './along';
import { arrivalSignature, arrivedItems } from './arrived';
import { artItems } from './art-items';
import { composedItems } from './composed';
import { countedAt } from './counted';
import { inkSignature } from './ink-now';
import { MOST_SAMPLES } from './exposure';
import { momentOf, type Moment } from './moment';
import { strokeItems } from './stroke-items';

type Items = readonly DrawItem[];

/** A stroke shown otherwise than it is, as an effect that repeats it asks. */
function variedWindow(window: InkWindow, { reach }: Variant): InkWindow {
  return reach < 1
    ? { ...window, head: Math.min(window.head, reach), tail: Math.min(window.tail, reach) }
    : window;
}

const inkVaried = (stroke: Stroke, { width }: Variant): Stroke =>
  width === 1
    ? stroke
    : kept(stroke, 'varied', [width], () => ({
        ...stroke,
        ink: {
          ...stroke.ink,
          width: mapValues(stroke.ink.width, (value) => Math.min(MOST_LENGTH, value * width)),
        },
      }));

function drawnStroke(stroke: Stroke, moment: Moment, variant: Variant | null): Items {
  const own = windowAt(stroke, moment.frame);
  const window = variant ? variedWindow(own, variant) : own;
  const shown = variant ? inkVaried(stroke, variant) : stroke;
  const signature = [window.head, window.tail, window.slide, ...inkSignature(shown.ink, moment)];
  return kept(shown, 'drawn', signature, () => strokeItems(shown, window, moment));
}

/** What lettering shows at a frame, in its own coordinates. */
export function letteringAt(lettering: Lettering, piece: Piece, frame: number): Items {
  const now = countedAt(variedAt(lettering, frame), frame);
  if (!lettering.arrival) return artItems(now);
  const line = piece.layers.find((layer) => layer.id === lettering.arrival!.line);
  return kept(lettering, 'drawn', [now, line, ...arrivalSignature(now, frame)], () =>
    arrivedItems(now, piece, frame),
  );
}

/** The frame of its content that a nested piece shows at a frame of the piece around it; null where it shows nothing. */
export function innerFrame(nested: Nested, piece: Pick<Piece, 'rate'>, frame: number): number | null {
  const content = contentOf(nested);
  const own = ((frame - nested.start) * framesPerSecond(content.rate)) / framesPerSecond(piece.rate);
  if (own < 0) return null;
  if (own <= content.length - 1) return own;
  if (nested.after === 'again') return own % content.length;
  return nested.after === 'last frame' || own < content.length ? content.length - 1 : null;
}

const sharp = new WeakMap<Piece, Piece>();

/** A piece without motion blur; the same object for the same one. */
function unshuttered(piece: Piece): Piece {
  if (!piece.shutter) return piece;
  let plain = sharp.get(piece);
  if (!plain) sharp.set(piece, (plain = changed<Piece>(piece, { shutter: undefined })));
  return plain;
}

function nestedAt(nested: Nested, piece: Piece, frame: number): Items {
  if (nested.hidden || nested.opacity <= 0) return [];
  const own = innerFrame(nested, piece, frame);
  if (own === null) return [];
  // Where all of it is blurred, what it holds is looked at moment by moment.
  const content = contentOf(nested);
  const shown = piece.shutter ? unshuttered(content) : content;
  const { items, width, height } = evaluate(shown, own);
  return kept(nested, 'drawn', [nested.opacity, items.length, ...items], () => {
    if (items.length === 0) return items;
    // What lies outside its own picture is cut off, as when it is exported.
    const frameOf: DrawItem = {
      kind: 'fill',
      path: [['M', 0, 0], ['L', width, 0], ['L', width, height], ['L', 0, height], ['Z']],
      colour: '#ffffff',
      opacity: 1,
      operator: 'keep',
    };
    return [{ kind: 'group', items: [...items, frameOf], opacity: nested.opacity }] as Items;
  });
}

type Show<L extends Layer = Layer> = (
  layer: L,
  piece: Piece,
  frame: number,
  variant: Variant | null,
) => Items;

/** What each kind of layer shows at a frame, in its own coordinates. */
const SHOWS: { readonly [K in Layer['type']]: Show<Extract<Layer, { type: K }>> } = {
  stroke: (stroke, piece, frame, variant) =>
    drawnStroke(strokeAt(piece, stroke, frame), momentOf(piece, frame), variant),
  art: artItems,
  lettering: letteringAt,
  piece: nestedAt,
};

/** The frame whose drawing a piece shows at a frame: an earlier one where its drawings are held. */
export const drawnFrame = ({ drawings, rate }: Piece, frame: number): number =>
  drawings === undefined ? frame : heldFrame(frame, drawings, framesPerSecond(rate));

/**
 * What a piece shows at a frame. Pure: the same piece and frame give the same list on every machine.
 * @param frame frames from the start; fractions lie between two frames.
 * @param samples how many moments of a frame motion blur is made of at the most: fewer where it must be quick.
 */
export function evaluate(piece: Piece, frame: number, samples: number = MOST_SAMPLES): DrawList {
  const { shutter, drawings } = piece;
  const items = composedItems(
    piece,
    drawnFrame(piece, frame),
    (layer, at, variant) => (SHOWS[layer.type] as Show)(layer, piece, at, variant),
    shutter && !drawings ? { ...shutter, samples } : null,
  );
  return { width: piece.size.width, height: piece.size.height, items };
}
