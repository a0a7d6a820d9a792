import { itemBounds, solidItems, type DrawItem } from '../../draw';
import { unite, widened } from '../../geometry';
import { paint, type MakeCanvas, type PaintContext } from '../../paint';
import type { InkSource } from './trace-ink';

/** Shapes as ink, whatever their colours: all of them cover. Null where there are none. */
export function inkOfShapes(items: readonly DrawItem[], make: MakeCanvas): InkSource | null {
  const around = unite(items.map(itemBounds).filter((box) => box !== null));
  if (!around) return null;
  const bounds = widened(around, 2);
  const solid = solidItems(items);
  return {
    bounds,
    finest: Infinity,
    mask(scale) {
      const width = Math.max(1, Math.ceil((bounds.right - bounds.left) * scale));
      const height = Math.max(1, Math.ceil((bounds.bottom - bounds.top) * scale));
      const context = make(width, height).getContext('2d') as PaintContext;
      context.setTransform(1, 0, 0, 1, -bounds.left * scale, -bounds.top * scale);
      paint({ width, height, items: solid }, context, make, scale);
      const { data } = context.getImageData(0, 0, width, height);
      const alpha = new Uint8Array(width * height);
      for (let i = 0; i < alpha.length; i++) alpha[i] = data[4 * i + 3]!;
      return { width, height, data: alpha };
    },
  };
}
