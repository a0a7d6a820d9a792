import type { Bounds } from '../geometry';
import type { PaintContext } from './context';

/** The whole canvas pixels of a box, and one more on each side, as far as they lie within others; null where there are none. */
export function pixelsOf(
  bounds: Bounds | null,
  { a, d, e, f }: ReturnType<PaintContext['getTransform']>,
  within: Bounds,
): Bounds | null {
  if (!bounds) return null;
  const box = {
    left: Math.max(within.left, Math.floor(bounds.left * a + e) - 1),
    top: Math.max(within.top, Math.floor(bounds.top * d + f) - 1),
    right: Math.min(within.right, Math.ceil(bounds.right * a + e) + 1),
    bottom: Math.min(within.bottom, Math.ceil(bounds.bottom * d + f) + 1),
  };
  return box.left < box.right && box.top < box.bottom ? box : null;
}
