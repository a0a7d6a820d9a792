import type { DrawItem } from '../draw';
import { isRibbon } from '../ink';
import type { MakeCanvas, PaintContext } from './context';
import type { Layer } from './layers';
import { paintItems } from './paint';

/** What stands still at the bottom of a picture, painted on a canvas of its own. */
export interface Bottom {
  /** The canvas on which these items are painted, whatever was painted on it before; it is painted on only where it must be. */
  of(items: readonly DrawItem[], key: string, place: (context: PaintContext) => void): Layer;
}

/** About how much longer than a plain stroke an item takes to be painted. */
export const weightOf = (item: DrawItem): number =>
  item.kind === 'group'
    ? 4 + item.items.reduce((sum, inner) => sum + weightOf(inner), 0)
    : (isRibbon(item.colour) ? 4 : 1) + item.path.length / 32;

/** A clear canvas of just the size of another: curves that are cut off elsewhere are not rounded alike. */
export function canvasLike(make: MakeCanvas, { width, height }: PaintContext['canvas']): Layer {
  const canvas = make(width, height);
  return { canvas, context: canvas.getContext('2d') as PaintContext, width, height };
}

/**
 * @param size the canvas it will be laid onto.
 */
export function bottomOf(make: MakeCanvas, size: PaintContext['canvas']): Bottom {
  let painted: { readonly items: readonly DrawItem[]; readonly key: string } | null = null;
  let layer: Layer | null = null;
  return {
    of(items, key, place) {
      const goesOn =
        painted?.key === key &&
        painted.items.length <= items.length &&
        painted.items.every((item, i) => item === items[i]);
      if (layer && (layer.width !== size.width || layer.height !== size.height)) layer = null;
      const had = layer !== null;
      layer ??= canvasLike(make, size);
      const { context } = layer;
      const from = had && goesOn ? painted!.items.length : 0;
      if (from < items.length) {
        context.save();
        if (from === 0 && had) {
          context.setTransform(1, 0, 0, 1, 0, 0);
          context.clearRect(0, 0, layer.width, layer.height);
        }
        place(context);
        paintItems(items.slice(from), context, make);
        context.restore();
      }
      painted = { items, key };
      return layer;
    },
  };
}
