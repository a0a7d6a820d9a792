import { itemBounds, solidItems, type DrawItem } from '../draw';
import type { Art, Lettering, Stroke } from '../document';
import { unite, widened } from '../geometry';
import { paint, type MakeCanvas, type PaintContext } from '../paint';
import { heldOutIn, ownersIn, partItems, unhidden } from '../scene';
import type { Covered } from './coverage';

/** Mask pixels at the most, and to a piece pixel. */
const MOST_PIXELS = 3e5;
const FINEST = 2;

/**
 * Art or lettering as something to be uncovered, hidden or not; null where it has no ink.
 * @param confined each letter or shape only by the strokes that run along it.
 */
export function coveredArt(
  layer: Art | Lettering,
  strokes: readonly Stroke[],
  confined: boolean,
  make: MakeCanvas,
): Covered | null {
  const parts = partItems(unhidden(layer)).map(solidItems);
  const around = unite(
    parts
      .flat()
      .map(itemBounds)
      .filter((box) => box !== null),
  );
  if (!around) return null;
  const bounds = widened(around, 1);
  const [w, h] = [bounds.right - bounds.left, bounds.bottom - bounds.top];
  const scale = Math.min(FINEST, Math.sqrt(MOST_PIXELS / Math.max(1, w * h)));
  const [width, height] = [Math.max(1, Math.ceil(w * scale)), Math.max(1, Math.ceil(h * scale))];
  /** Alpha of items painted on a canvas whose first pixel is at a place of the mask. */
  const alphaOf = (
    items: readonly DrawItem[],
    left: number,
    top: number,
    wide: number,
    high: number,
  ): Uint8Array => {
    const context = make(wide, high).getContext('2d') as PaintContext;
    context.setTransform(1, 0, 0, 1, -bounds.left * scale - left, -bounds.top * scale - top);
    paint({ width: wide, height: high, items }, context, make, scale);
    const { data } = context.getImageData(0, 0, wide, high);
    const alpha = new Uint8Array(wide * high);
    for (let i = 0; i < alpha.length; i++) alpha[i] = data[4 * i + 3]!;
    return alpha;
  };
  const mask = { width, height, data: alphaOf(parts.flat(), 0, 0, width, height) };
  if (!confined) return { mask, bounds, scale };
  const partOf = new Uint16Array(width * height);
  parts.forEach((items, k) => {
    const box = unite(items.map(itemBounds).filter((b) => b !== null));
    if (!box) return;
    const [left, top] = [
      Math.floor((box.left - bounds.left) * scale),
      Math.floor((box.top - bounds.top) * scale),
    ];
    const [wide, high] = [
      Math.min(width - left, Math.ceil((box.right - box.left) * scale) + 2),
      Math.min(height - top, Math.ceil((box.bottom - box.top) * scale) + 2),
    ];
    const alpha = alphaOf(items, left, top, wide, high);
    for (let y = 0; y < high; y++) {
      for (let x = 0; x < wide; x++)
        if (alpha[y * wide + x]! > 0) partOf[(top + y) * width + left + x] = k + 1;
    }
  });
  const owners = ownersIn(layer, strokes);
  const left = new Map<number, Uint8Array>();
  heldOutIn(layer, strokes).forEach((held, part) =>
    held.forEach((commands, n) => {
      if (!commands) return;
      const stroke = owners[part]![n]!;
      const alpha = alphaOf(
        [{ kind: 'fill', path: commands, colour: '#000000', opacity: 1 }],
        0,
        0,
        width,
        height,
      );
      const all = left.get(stroke);
      if (!all) left.set(stroke, alpha);
      else for (let i = 0; i < all.length; i++) all[i] = Math.max(all[i]!, alpha[i]!);
    }),
  );
  return { mask, bounds, scale, parts: partOf, owners, left };
}
