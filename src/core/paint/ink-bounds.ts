import { unite, type Bounds } from '../geometry';
import type { DrawItem, DrawList } from '../scene';

/** A miter of limit 4 reaches 4 half widths from the path; a square cap √2; the rest one. */
const REACH = { miter: 4, round: 1, bevel: 1 } as const;

function itemBounds(item: DrawItem): Bounds {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const command of item.path) {
    for (let i = 1; i + 1 < command.length; i += 2) {
      const x = command[i] as number;
      const y = command[i + 1] as number;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  }
  const reach = item.kind === 'fill' ? 0 : (item.width / 2) * Math.max(REACH[item.join], Math.SQRT2);
  return { left: left - reach, top: top - reach, right: right + reach, bottom: bottom + reach };
}

/**
 * The whole canvas pixels outside which a draw list surely leaves no ink, held to the canvas; null for none.
 * @param scale piece pixels to canvas pixels.
 */
export function inkBounds(list: DrawList, width: number, height: number, scale = 1): Bounds | null {
  const all = unite(list.items.map(itemBounds));
  if (!all) return null;
  const bounds = {
    left: Math.max(0, Math.floor(all.left * scale) - 1),
    top: Math.max(0, Math.floor(all.top * scale) - 1),
    right: Math.min(width, Math.ceil(all.right * scale) + 1),
    bottom: Math.min(height, Math.ceil(all.bottom * scale) + 1),
  };
  return bounds.left < bounds.right && bounds.top < bounds.bottom ? bounds : null;
}
