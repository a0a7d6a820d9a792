import { itemBounds, type DrawItem, type DrawList } from '../draw';
import { unite, type Bounds } from '../geometry';
import type { MakeCanvas, PaintContext } from './context';
import { layDownPart, type Layer } from './layers';
import { paintItem } from './paint';
import { pixelsOf } from './pixels';

/** What stands still at the bottom of a picture, painted. */
interface Standing {
  readonly items: readonly DrawItem[];
  /** How it stood under the canvas. */
  readonly key: string;
  readonly layer: Layer;
  /** The part of the canvas that is painted, px; null where nothing is. */
  readonly box: Bounds | null;
}

/** Where some items lie on a canvas, whole px; null where nothing of them does. */
const placeOf = (items: readonly DrawItem[], context: PaintContext): Bounds | null =>
  pixelsOf(unite(items.flatMap((item) => itemBounds(item) ?? [])), context.getTransform(), {
    left: 0,
    top: 0,
    right: context.canvas.width,
    bottom: context.canvas.height,
  });

/** From so much on it is quicker to lay painted items down than to paint them again. */
const WORTH = 8;

/** About how much longer than a plain stroke an item takes to be painted. */
const weightOf = (item: DrawItem): number =>
  item.kind === 'group'
    ? 4 + item.items.reduce((sum, inner) => sum + weightOf(inner), 0)
    : 1 + item.path.length / 32;

/** A clear canvas of just the same size: curves that are cut off elsewhere are not rounded alike. */
function canvasLike(make: MakeCanvas, { canvas: { width, height } }: PaintContext, old: Layer | null): Layer {
  if (old?.width === width && old.height === height) {
    old.context.setTransform(1, 0, 0, 1, 0, 0);
    old.context.clearRect(0, 0, width, height);
    return old;
  }
  const canvas = make(width, height);
  return { canvas, context: canvas.getContext('2d') as PaintContext, width, height };
}

/** How many items at the bottom are the very same in both, and meet what lies under them plainly. */
function standing(items: readonly DrawItem[], before: readonly DrawItem[]): number {
  const moves = items.findIndex((item, i) => item !== before[i] || item.blend || item.operator);
  return moves < 0 ? items.length : moves;
}

/**
 * Paints one picture after another onto the same canvas, as `paint` does. What is the very same at the bottom of two of them is
 * kept painted, so that what a picture costs follows what moves; on an empty canvas nobody can tell by the pixels.
 */
export function steadyPainter(
  make: MakeCanvas,
): (list: DrawList, context: PaintContext, scale?: number) => void {
  let before: readonly DrawItem[] = [];
  let kept: Standing | null = null;
  let layerMade: Layer | null = null;

  /** Paints what stands and was not painted before, on top of what was. */
  const keep = (items: readonly DrawItem[], key: string, context: PaintContext): void => {
    if (kept && (kept.key !== key || kept.items.some((item, i) => item !== items[i]))) kept = null;
    const still = items.slice(0, standing(items, before));
    const from = kept?.items.length ?? 0;
    if (still.length <= from) return;
    if (!kept && still.reduce((sum, item) => sum + weightOf(item), 0) < WORTH) return;
    const layer = kept?.layer ?? (layerMade = canvasLike(make, context, layerMade));
    const { a, d, e, f } = context.getTransform();
    layer.context.setTransform(a, 0, 0, d, e, f);
    for (const item of still.slice(from)) paintItem(item, layer.context, make);
    kept = { items: still, key, layer, box: placeOf(still, context) };
  };

  return ({ items }, context, scale = 1) => {
    context.save();
    context.transform(scale, 0, 0, scale, 0, 0);
    const { a, d, e, f } = context.getTransform();
    const { width, height } = context.canvas;
    keep(items, [a, d, e, f, width, height].join(), context);
    before = items;
    const done = kept?.items.length ?? 0;
    if (kept?.box) {
      context.save();
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.globalAlpha = 1;
      layDownPart(kept.layer, context, kept.box);
      context.restore();
    }
    for (const item of items.slice(done)) paintItem(item, context, make);
    context.restore();
  };
}
