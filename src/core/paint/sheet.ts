import { itemBounds, type DrawItem, type ShapeItem } from '../draw';
import type { Bounds } from '../geometry';
import { isRibbon, type ColourRibbon } from '../ink';
import type { MakeCanvas, PaintContext, PaintPattern } from './context';
import { fieldOf } from './fields';
import { giveBack, takeLayer, wholeSide } from './layers';
import { placePattern } from './pattern';
import { pixelsOf } from './pixels';
import { paintRibbon } from './ribbon';

/**
 * Colours of ribbons, painted side by side on one canvas that is then one pattern for all of them: what a canvas costs is paid
 * once, and a stroke is filled as with any colour.
 */
export interface Sheet {
  /** What a shape whose colour is a ribbon is filled or stroked with on the context; null where none of it is on the canvas. */
  styleOf(item: ShapeItem, onto: PaintContext): unknown;
  /** Everything is painted. */
  done(): void;
}

/** Pixels of a sheet at the most, but for a ribbon that needs more by itself; it is at least as wide as this where it has several rows. */
const MOST = 2 * 1920 * 1080;
const WIDE = 1024;

const hasRibbon = (item: DrawItem): item is ShapeItem & { readonly colour: ColourRibbon } =>
  item.kind !== 'group' && isRibbon(item.colour);

interface Slot {
  readonly box: Bounds;
  x: number;
  y: number;
}

const widthOf = ({ left, right }: Bounds): number => right - left;
const heightOf = ({ top, bottom }: Bounds): number => bottom - top;

/** Gives each box a place in rows, the highest first; answers with the width and height of all. */
function setOut(slots: readonly Slot[]): readonly [width: number, height: number] {
  const all = slots.reduce((sum, { box }) => sum + widthOf(box), 0);
  const widest = slots.reduce((most, { box }) => Math.max(most, widthOf(box)), 0);
  const width = Math.max(widest, Math.min(all, WIDE));
  let [x, y, high] = [0, 0, 0];
  for (const slot of [...slots].sort((a, b) => heightOf(b.box) - heightOf(a.box))) {
    if (x + widthOf(slot.box) > width) [x, y, high] = [0, y + high, 0];
    [slot.x, slot.y] = [x, y];
    x += widthOf(slot.box);
    high = Math.max(high, heightOf(slot.box));
  }
  return [width, y + high];
}

type Picture = ReturnType<PaintContext['createImageData']> & {
  readonly width: number;
  readonly height: number;
};

/** Pictures for use again, by their widths: one of about the width that is asked for is cleared at once, and lies close together in memory. */
const pictures = new WeakMap<MakeCanvas, Map<number, Picture>>();

/** A picture at least so large, its upper `height` rows clear: making one anew takes as long as filling it. */
function pictureOf(make: MakeCanvas, context: PaintContext, width: number, height: number): Picture {
  let known = pictures.get(make);
  if (!known) pictures.set(make, (known = new Map()));
  const wide = wholeSide(width);
  const before = known.get(wide);
  if (before && before.height >= height) {
    // Done just before it is painted, it lies near the processor then: looking colours up takes half as long.
    before.data.fill(0, 0, 4 * wide * height);
    return before;
  }
  const picture = context.createImageData(wide, wholeSide(height)) as Picture;
  known.delete(wide);
  const pixels = [...known.values()].reduce(
    (sum, one) => sum + one.width * one.height,
    wide * picture.height,
  );
  if (pixels > MOST) known.clear();
  if (wide * picture.height <= MOST) known.set(wide, picture);
  return picture;
}

/** How many items, from one on, have room together on a sheet, and where ribbons lie on the canvas. */
function gather(items: readonly DrawItem[], from: number, context: PaintContext) {
  const transform = context.getTransform();
  const { width, height } = context.canvas;
  const canvas = { left: 0, top: 0, right: width, bottom: height };
  const slots = new Map<ColourRibbon, Slot>();
  let [pixels, upTo] = [0, from];
  for (; upTo < items.length; upTo++) {
    const item = items[upTo]!;
    if (!hasRibbon(item)) continue;
    const box = pixelsOf(itemBounds(item), transform, canvas);
    if (!box) continue;
    const had = slots.get(item.colour)?.box ?? box;
    const whole = {
      left: Math.min(had.left, box.left),
      top: Math.min(had.top, box.top),
      right: Math.max(had.right, box.right),
      bottom: Math.max(had.bottom, box.bottom),
    };
    const more = widthOf(whole) * heightOf(whole) - (had === box ? 0 : widthOf(had) * heightOf(had));
    if (pixels > 0 && pixels + more > MOST) break;
    pixels += more;
    slots.set(item.colour, { box: whole, x: 0, y: 0 });
  }
  return { slots, upTo };
}

/**
 * Makes the sheet for items from one on, as far as there is room.
 * @returns the sheet, null where no item needs one, and the first item it is not for.
 */
export function sheetFor(
  items: readonly DrawItem[],
  from: number,
  context: PaintContext,
  make: MakeCanvas,
): { readonly sheet: Sheet | null; readonly upTo: number } {
  if (!items.some(hasRibbon)) return { sheet: null, upTo: items.length };
  const { slots, upTo } = gather(items, from, context);
  if (slots.size === 0) return { sheet: null, upTo };
  const { a, e, f } = context.getTransform();
  const at = { scale: a, x: e, y: f };
  const [width, height] = setOut([...slots.values()]);
  const layer = takeLayer(make, width, height);
  for (const [ribbon, { box, x, y }] of slots) {
    const image = pictureOf(make, layer.context, widthOf(box), heightOf(box));
    const part = { pixels: image.data, stride: image.width, box };
    const placed = fieldOf(ribbon, at, context.canvas, make);
    if (placed) paintRibbon(ribbon, placed, at, part);
    layer.context.putImageData(image, x, y, 0, 0, widthOf(box), heightOf(box));
  }
  // Nothing is painted beyond a ribbon's own place; a pattern that ends there takes canvases half as long again.
  const pattern = context.createPattern(layer.canvas, 'repeat') as PaintPattern;
  return {
    upTo,
    sheet: {
      styleOf(item, onto) {
        const slot = hasRibbon(item) && slots.get(item.colour);
        const seen = slot && placePattern(pattern, onto, item, slot.box.left - slot.x, slot.box.top - slot.y);
        return seen ? pattern : null;
      },
      done: () => giveBack(make, layer),
    },
  };
}
