import { itemBounds, type DrawItem, type GroupItem, type ShapeItem } from '../draw';
import type { MakeCanvas, PaintContext, PaintPattern } from './context';
import { giveBack, takeLayer, type Layer } from './layers';
import { pixelsOf } from './pixels';

/** One thing seen through one shape, that uncovers it wherever it lies: a letter and the stroke that writes it. */
export interface SeenThrough {
  readonly content: DrawItem;
  readonly shape: ShapeItem;
}

/** A group as something seen through one shape; null where it is more than that. */
export function seenThrough({ items, filters, moments, operator }: GroupItem): SeenThrough | null {
  const [content, shape] = items;
  if (items.length !== 2 || filters || moments || operator === 'keep') return null;
  if (content!.operator || shape!.operator !== 'keep' || shape!.kind === 'group') return null;
  return typeof shape!.colour === 'string' ? { content: content!, shape: shape! } : null;
}

/** A content painted by itself, as what a shape can be filled with; its corner, canvas px. */
export interface PaintedContent {
  readonly pattern: PaintPattern;
  readonly left: number;
  readonly top: number;
}

interface Kept extends PaintedContent {
  readonly key: string;
  readonly layer: Layer;
}

/** Pixels of contents that are kept: three full pictures of 1920 × 1080. */
const MOST = 3 * 1920 * 1080;

interface Store {
  /** In the order in which they were last used. */
  readonly kept: Map<DrawItem, Kept>;
  pixels: number;
}

const stores = new WeakMap<MakeCanvas, Store>();

function storeOf(make: MakeCanvas): Store {
  let store = stores.get(make);
  if (!store) stores.set(make, (store = { kept: new Map(), pixels: 0 }));
  return store;
}

const sizeOf = ({ canvas }: Layer): number => canvas.width * canvas.height;

/**
 * A content painted on a canvas of its own, which is kept while it stands still: what grows over it is then filled with it, and needs
 * no canvas. Null where none of it is on the canvas.
 */
export function contentOf(
  content: DrawItem,
  context: PaintContext,
  make: MakeCanvas,
  paintOn: (item: DrawItem, context: PaintContext) => void,
): PaintedContent | null {
  const { width, height } = context.canvas;
  const transform = context.getTransform();
  const box = pixelsOf(itemBounds(content), transform, { left: 0, top: 0, right: width, bottom: height });
  if (!box) return null;
  const { left, top, right, bottom } = box;
  const { a, d, e, f } = transform;
  const key = [a, e, f, left, top, right, bottom].join();
  const store = storeOf(make);
  const found = store.kept.get(content);
  if (found) store.kept.delete(content);
  if (found?.key === key) {
    store.kept.set(content, found);
    return found;
  }
  if (found) {
    store.pixels -= sizeOf(found.layer);
    giveBack(make, found.layer);
  }
  const layer = takeLayer(make, right - left, bottom - top);
  layer.context.setTransform(a, 0, 0, d, e - left, f - top);
  paintOn(content, layer.context);
  const pattern = context.createPattern(layer.canvas, 'no-repeat') as PaintPattern;
  const painted = { key, layer, pattern, left, top };
  store.kept.set(content, painted);
  store.pixels += sizeOf(layer);
  for (const [longest, { layer: gone }] of store.kept) {
    if (store.pixels <= MOST || longest === content) break;
    store.kept.delete(longest);
    store.pixels -= sizeOf(gone);
    giveBack(make, gone);
  }
  return painted;
}
