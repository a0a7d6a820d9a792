import { commandsBounds, transformCommands, unite, widened, type Bounds } from '../geometry';
import type { DrawItem, DrawList, StrokeItem } from '../scene';

/** A miter of limit 4 reaches 4 half widths from the path; a square cap √2; the rest one. */
const REACH = { miter: 4, round: 1, bevel: 1 } as const;

function strokeReach({ width, join, miterLimit, transform }: StrokeItem): number {
  const sharpest = join === 'miter' ? (miterLimit ?? REACH.miter) : REACH[join];
  const most = transform ? Math.hypot(...transform.slice(0, 4)) : 1;
  return (width / 2) * Math.max(sharpest, Math.SQRT2) * most;
}

/** A rectangle in piece pixels that surely holds all ink of an item; null where it has none. */
export function itemBounds(item: DrawItem): Bounds | null {
  if (item.kind === 'fill') return commandsBounds(item.path);
  const path = item.transform ? transformCommands(item.path, item.transform) : item.path;
  const bounds = commandsBounds(path);
  return bounds && widened(bounds, strokeReach(item));
}

/**
 * The whole canvas pixels outside which a draw list surely leaves no ink, held to the canvas; null for none.
 * @param scale piece pixels to canvas pixels.
 */
export function inkBounds(list: DrawList, width: number, height: number, scale = 1): Bounds | null {
  const all = unite(list.items.map(itemBounds).filter((b) => b !== null));
  if (!all) return null;
  const bounds = {
    left: Math.max(0, Math.floor(all.left * scale) - 1),
    top: Math.max(0, Math.floor(all.top * scale) - 1),
    right: Math.min(width, Math.ceil(all.right * scale) + 1),
    bottom: Math.min(height, Math.ceil(all.bottom * scale) + 1),
  };
  return bounds.left < bounds.right && bounds.top < bounds.bottom ? bounds : null;
}
