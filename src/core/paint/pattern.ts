import type { ShapeItem } from '../draw';
import { compose, inverse, type Matrix } from '../geometry';
import type { PaintContext, PaintPattern } from './context';

/**
 * Lays a pattern pixel for pixel onto a context for a shape to be painted with: its corner at a canvas pixel.
 * @returns false where the shape's own coordinates have no size, so that nothing of it can be seen.
 */
export function placePattern(
  pattern: PaintPattern,
  context: PaintContext,
  shape: ShapeItem,
  left: number,
  top: number,
): boolean {
  const { a, d, e, f } = context.getTransform();
  const placed: Matrix = [1 / a, 0, 0, 1 / d, (left - e) / a, (top - f) / d];
  const own = shape.kind === 'stroke' && shape.transform;
  const back = own ? inverse(own) : null;
  if (own && !back) return false;
  const [ma, mb, mc, md, me, mf] = back ? compose(back, placed) : placed;
  pattern.setTransform({ a: ma, b: mb, c: mc, d: md, e: me, f: mf });
  return true;
}
