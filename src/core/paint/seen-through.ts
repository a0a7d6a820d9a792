import { itemBounds, type DrawItem, type GroupItem, type ShapeItem } from '../draw';
import type { Bounds } from '../geometry';
import type { MakeCanvas, PaintContext, PaintPattern } from './context';
import { keeper } from './kept';
import { giveBack, pixelsIn, takeLayer, type Layer } from './layers';
import { pixelsOf } from './pixels';

/** One thing seen through one shape, that uncovers it wherever it lies: a letter and the stroke that writes it. */
export interface SeenThrough {
  readonly content: DrawItem;
  readonly shape: ShapeItem;
}

/**
 * Commands of a shape at the most. One that is painted again and again is filled each time, where a group is kept painted as a whole
 * and only laid down: with many corners that is quicker, above all on the server, which is told of them one by one.
 */
const LIGHT = 48;

/** A group as something seen through one light shape; null where it is more than that. */
export function seenThrough({ items, filters, moments, operator }: GroupItem): SeenThrough | null {
  const [content, shape] = items;
  if (items.length !== 2 || filters || moments || operator === 'keep') return null;
  if (content!.operator || shape!.operator !== 'keep' || shape!.kind === 'group') return null;
  if (shape!.path.length > LIGHT) return null;
  return typeof shape!.colour === 'string' ? { content: content!, shape: shape! } : null;
}

/** A content painted by itself, as what a shape can be filled with; its corner, canvas px. */
interface PaintedContent {
  readonly pattern: PaintPattern;
  readonly left: number;
  readonly top: number;
}

interface Kept {
  readonly layer: Layer;
  readonly box: Bounds;
  /** Clear pixels about the content, on each side. */
  readonly room: number;
  /** What a shape is filled with that stays within the room; canvases are half as long again about one that ends where it ends. */
  readonly endless: PaintPattern;
  bounded: PaintPattern | null;
}

/** Room about a content, so that a stroke a little wider than its letter stays within it. */
const roomAbout = (width: number, height: number): number => 16 + Math.ceil(Math.max(width, height) / 8);

/** Pixels of contents that are kept: three full pictures of 1920 × 1080. */
const MOST = 3 * 1920 * 1080;

const contents = keeper<DrawItem, Kept>(
  MOST,
  ({ layer }) => pixelsIn(layer),
  (make, { layer }) => giveBack(make, layer),
);

/** The content of a kept canvas as a shape is to be filled with it. */
function fillOf(kept: Kept, shape: Bounds, context: PaintContext): PaintedContent {
  const { layer, box, room, endless } = kept;
  const { left, top, right, bottom } = box;
  const beyond = Math.max(left - shape.left, top - shape.top, shape.right - right, shape.bottom - bottom);
  const pattern =
    beyond <= room
      ? endless
      : (kept.bounded ??= context.createPattern(layer.canvas, 'no-repeat') as PaintPattern);
  return { pattern, left: left - room, top: top - room };
}

/**
 * A content painted on a canvas of its own, which is kept while it stands still: what grows over it is then filled with it, and needs
 * no canvas. Null where nothing of it is seen on the canvas.
 */
export function contentOf(
  { content, shape }: SeenThrough,
  context: PaintContext,
  make: MakeCanvas,
  paintOn: (item: DrawItem, context: PaintContext) => void,
): PaintedContent | null {
  const { width, height } = context.canvas;
  const transform = context.getTransform();
  const canvas = { left: 0, top: 0, right: width, bottom: height };
  const box = pixelsOf(itemBounds(content), transform, canvas);
  const shown = pixelsOf(itemBounds(shape), transform, canvas);
  if (!box || !shown) return null;
  const { left, top, right, bottom } = box;
  const { a, d, e, f } = transform;
  const how = [a, e, f, left, top, right, bottom];
  const kept = contents.get(make, content, how);
  if (kept) return fillOf(kept, shown, context);
  const room = roomAbout(right - left, bottom - top);
  const layer = takeLayer(make, right - left + 2 * room, bottom - top + 2 * room);
  layer.context.setTransform(a, 0, 0, d, e - left + room, f - top + room);
  paintOn(content, layer.context);
  const endless = context.createPattern(layer.canvas, 'repeat') as PaintPattern;
  const painted: Kept = { layer, box, room, endless, bounded: null };
  contents.put(make, content, how, painted);
  return fillOf(painted, shown, context);
}
