import { changedItems, type DrawItem, type DrawList } from '../draw';
import type { Bounds } from '../geometry';
import { bottomOf, canvasLike, weightOf, type Bottom } from './bottom';
import type { MakeCanvas, PaintContext } from './context';
import { layDownPart, type Layer } from './layers';
import { paintItems } from './paint';
import { areaOf, changedPlaces, meets, type Placed } from './places';

/** Where a picture lies on a canvas: its corner, canvas px, and piece pixels to canvas pixels. */
export interface Placement {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

/** Paints one picture after another onto a canvas that it has to itself, each only where it differs from the one before. */
interface PicturePainter {
  /** Answers with the boxes that were painted anew, whole canvas pixels; with none where it shows what it showed. */
  paint(list: DrawList, placement: Placement): readonly Bounds[];
  /** The canvas was emptied. */
  forget(): void;
}

/** From so much on it is quicker to lay painted items down than to paint them again. */
const WORTH = 8;
/** Where so much of a whole picture changes, all of it is painted, however little of the canvas it lies over. */
const NEARLY_ALL = 0.7;
/**
 * From this share of what moves on, where it lies over as much of the picture, all of that is painted where it is seen: painted
 * beside and laid down, it takes twice as long.
 */
const MUCH = 0.5;

const weight = (items: readonly DrawItem[]): number => items.reduce((sum, item) => sum + weightOf(item), 0);

/** The whole pixels of a canvas on which a piece of some size lies; null where none of it is seen. */
export function pieceBox(
  { width, height }: Pick<DrawList, 'width' | 'height'>,
  { x, y, scale }: Placement,
  canvas: PaintContext['canvas'],
): Bounds | null {
  const box = {
    left: Math.max(0, Math.round(x)),
    top: Math.max(0, Math.round(y)),
    right: Math.min(canvas.width, Math.round(x + width * scale)),
    bottom: Math.min(canvas.height, Math.round(y + height * scale)),
  };
  return box.left < box.right && box.top < box.bottom ? box : null;
}

const clear = (context: PaintContext, { left, top, right, bottom }: Bounds): void =>
  context.clearRect(left, top, right - left, bottom - top);

/** Sets a canvas up for what a piece shows: in its coordinates, cut off where it ends. */
function setUp(context: PaintContext, box: Bounds, { x, y, scale }: Placement): void {
  const { width, height } = context.canvas;
  context.setTransform(1, 0, 0, 1, 0, 0);
  if (box.left > 0 || box.top > 0 || box.right < width || box.bottom < height) {
    context.beginPath();
    context.rect(box.left, box.top, box.right - box.left, box.bottom - box.top);
    context.clip();
  }
  context.setTransform(scale, 0, 0, scale, x, y);
}

/** How many items stand at the bottom of both of two lists, and meet what lies under them plainly. */
function standing(items: readonly DrawItem[], before: readonly DrawItem[]): number {
  const moves = items.findIndex((item, i) => item !== before[i] || item.blend || item.operator);
  return moves < 0 ? items.length : moves;
}

/**
 * A painter of one canvas. **How a picture was come to never shows:** an item is always painted as a whole, onto a canvas of just
 * this size, and whole pixels are taken over; a clip would have curves cut off elsewhere, and those are not rounded alike.
 * @param apart the canvas is only read where a picture was painted anew: elsewhere it may hold anything.
 */
export function picturePainter(context: PaintContext, make: MakeCanvas, apart = false): PicturePainter {
  const { canvas } = context;
  let shown: { readonly items: readonly DrawItem[]; readonly key: string } | null = null;
  let bottom: Bottom | null = null;
  let beside: Layer | null = null;

  return {
    forget: () => void (shown = null),
    paint(list, placement) {
      const { items } = list;
      const { x, y, scale } = placement;
      const box = pieceBox(list, placement, canvas);
      const key = [x, y, scale, list.width, list.height, canvas.width, canvas.height].join();
      const before = shown?.key === key ? shown.items : null;
      shown = { items, key };
      if (!before) {
        context.setTransform(1, 0, 0, 1, 0, 0);
        context.clearRect(0, 0, canvas.width, canvas.height);
      }
      if (!box) return [];
      const change = before && changedItems(before, items);
      if (change?.came.length === 0 && change.went.length === 0) return [];

      const placed: Placed = { a: scale, d: scale, e: x, f: y };
      const stands = standing(items, before ?? []);
      const moving = items.slice(stands);
      // Places are looked for only where they may be few: that takes a while too.
      const isNearlyAll = !change || (!apart && weight(change.came) >= NEARLY_ALL * weight(items));
      const changed = isNearlyAll ? [box] : changedPlaces(change, placed, box);
      const within = (some: readonly DrawItem[]) => some.filter((item) => meets(item, changed, placed));
      const moved = isNearlyAll ? moving : within(moving);
      const isMuch =
        changed.reduce((sum, place) => sum + areaOf(place), 0) >= MUCH * areaOf(box) &&
        weight(moved) >= MUCH * weight(moving);
      const all = isNearlyAll || (!apart && isMuch);
      const places = all ? [box] : changed;
      // What was seen to stand is kept painted where that is quicker than painting it.
      const below = all ? items.slice(0, stands) : within(items.slice(0, stands));
      const above = all ? moving : moved;
      const keeps = weight(below) >= WORTH;
      const top = keeps ? above : [...below, ...above];

      const put = (onto: PaintContext): void => setUp(onto, box, placement);
      const show = (onto: PaintContext): void => {
        onto.save();
        onto.setTransform(1, 0, 0, 1, 0, 0);
        onto.globalAlpha = 1;
        const layer = keeps ? (bottom ??= bottomOf(make, canvas)).of(items.slice(0, stands), key, put) : null;
        // One after another: boxes may lie over one another.
        for (const place of places) {
          clear(onto, place);
          if (layer) layDownPart(layer, onto, place);
        }
        put(onto);
        paintItems(top, onto, make);
        onto.restore();
      };

      if (all || apart) {
        show(context);
        return places;
      }
      if (beside?.width !== canvas.width || beside.height !== canvas.height)
        beside = canvasLike(make, canvas);
      show(beside.context);
      context.save();
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.globalAlpha = 1;
      for (const place of places) {
        clear(context, place);
        layDownPart(beside, context, place);
      }
      context.restore();
      return places;
    },
  };
}
