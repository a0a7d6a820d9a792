import type { Artwork, Stroke } from '../../document';
import { itemBounds, kept, solidItems, type DrawItem } from '../../draw';
import { unite, widened, type Bounds } from '../../geometry';
import { paint, type MakeCanvas, type PaintContext } from '../../paint';
import { heldOutIn, ownersIn, partItems, unhidden } from '../../scene';
import type { Covered } from './coverage';

/** Mask pixels at the most, and to a piece pixel. */
const MOST_PIXELS = 3e5;
const FINEST = 2;

/** A mask's frame: where it lies in the piece, and how large it is in mask pixels. */
interface Frame {
  readonly bounds: Bounds;
  readonly scale: number;
  readonly width: number;
  readonly height: number;
}

const boxOf = (items: readonly DrawItem[]): Bounds | null =>
  unite(items.map(itemBounds).filter((box) => box !== null));

/** Paints items and hears of every pixel that they have a share of: its place in the mask, and its alpha. */
function forEachInked(
  items: readonly DrawItem[],
  { bounds, scale, width, height }: Frame,
  make: MakeCanvas,
  heard: (pixel: number, alpha: number) => void,
): void {
  const box = boxOf(items);
  if (!box) return;
  const left = Math.max(0, Math.floor((box.left - bounds.left) * scale));
  const top = Math.max(0, Math.floor((box.top - bounds.top) * scale));
  const wide = Math.min(width, Math.ceil((box.right - bounds.left) * scale) + 1) - left;
  const high = Math.min(height, Math.ceil((box.bottom - bounds.top) * scale) + 1) - top;
  if (wide <= 0 || high <= 0) return;
  const context = make(wide, high).getContext('2d') as PaintContext;
  context.setTransform(1, 0, 0, 1, -bounds.left * scale - left, -bounds.top * scale - top);
  paint({ width: wide, height: high, items }, context, make, scale);
  const { data } = context.getImageData(0, 0, wide, high);
  for (let y = 0, at = 3; y < high; y++) {
    const row = (top + y) * width + left;
    for (let x = 0; x < wide; x++, at += 4) if (data[at]! > 0) heard(row + x, data[at]!);
  }
}

/** What there is of a layer to be uncovered, whatever uncovers it. */
interface Inked extends Frame {
  readonly mask: Covered['mask'];
  readonly parts: Uint16Array;
}

/** The ink of a layer, kept with it: strokes are fitted to it in several rounds. */
const inkedBy = (layer: Artwork, make: MakeCanvas): Inked | null =>
  kept(layer, 'ink to be covered', [make], () => {
    const parts = partItems(unhidden(layer)).map(solidItems);
    const around = boxOf(parts.flat());
    if (!around) return null;
    const bounds = widened(around, 1);
    const [w, h] = [bounds.right - bounds.left, bounds.bottom - bounds.top];
    const scale = Math.min(FINEST, Math.sqrt(MOST_PIXELS / Math.max(1, w * h)));
    const [width, height] = [Math.max(1, Math.ceil(w * scale)), Math.max(1, Math.ceil(h * scale))];
    const frame = { bounds, scale, width, height };
    const data = new Uint8Array(width * height);
    forEachInked(parts.flat(), frame, make, (pixel, alpha) => (data[pixel] = alpha));
    const partOf = new Uint16Array(width * height);
    parts.forEach((items, k) => forEachInked(items, frame, make, (pixel) => (partOf[pixel] = k + 1)));
    return { ...frame, mask: { width, height, data }, parts: partOf };
  });

/**
 * Art or lettering as something to be uncovered, hidden or not; null where it has no ink.
 * @param confined each letter or shape only by the strokes that run along it.
 */
export function coveredArt(
  layer: Artwork,
  strokes: readonly Stroke[],
  confined: boolean,
  make: MakeCanvas,
): Covered | null {
  const inked = inkedBy(layer, make);
  if (!inked) return null;
  const { mask, bounds, scale, parts } = inked;
  if (!confined) return { mask, bounds, scale };
  const owners = ownersIn(layer, strokes);
  const left = new Map<number, Uint8Array>();
  heldOutIn(layer, strokes).forEach((held, part) =>
    held.forEach((path, n) => {
      if (!path) return;
      const stroke = owners[part]![n]!;
      let all = left.get(stroke);
      if (!all) left.set(stroke, (all = new Uint8Array(mask.data.length)));
      const leaves = all;
      forEachInked([{ kind: 'fill', path, colour: '#000000', opacity: 1 }], inked, make, (pixel, alpha) => {
        leaves[pixel] = Math.max(leaves[pixel]!, alpha);
      });
    }),
  );
  return { mask, bounds, scale, parts, owners, left };
}
