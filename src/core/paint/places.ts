import { itemBounds, type Change, type DrawItem } from '../draw';
import { boundsMeet, unite, type Bounds } from '../geometry';
import { pixelsOf } from './pixels';

/** How a picture lies on a canvas: scaled and moved, canvas px. */
export interface Placed {
  readonly a: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

export const areaOf = ({ left, top, right, bottom }: Bounds): number => (right - left) * (bottom - top);

/** Beyond so many boxes one about all of them is told sooner than where they meet. */
const MOST = 400;

/** Boxes that hold all that some hold, fewer of them: those that meet, or are hardly larger together, become one. */
function joined(boxes: readonly Bounds[]): readonly Bounds[] {
  const all = unite(boxes);
  if (!all || boxes.length > MOST) return all ? [all] : [];
  let left: Bounds[] = [];
  for (const box of boxes) {
    let one = box;
    for (let before = Infinity; left.length < before;) {
      before = left.length;
      left = left.filter((other) => {
        const both = unite([one, other])!;
        if (areaOf(both) > areaOf(one) + areaOf(other)) return true;
        one = both;
        return false;
      });
    }
    left.push(one);
  }
  return left;
}

/**
 * Boxes of whole canvas pixels outside which two lists surely paint the same that differ by some items.
 * @param within the part of the canvas that is painted.
 */
export function changedPlaces({ came, went }: Change, placed: Placed, within: Bounds): readonly Bounds[] {
  const changed = [...came, ...went];
  // What keeps only what it covers changes all that lies elsewhere.
  if (changed.some(({ operator }) => operator === 'keep')) return [within];
  return joined(changed.flatMap((item) => pixelsOf(itemBounds(item), placed, within) ?? []));
}

/** Whether an item may leave ink in any of some boxes of a canvas. */
export function meets(item: DrawItem, places: readonly Bounds[], placed: Placed): boolean {
  if (item.operator === 'keep') return true;
  const bounds = itemBounds(item);
  if (!bounds) return false;
  const { a, d, e, f } = placed;
  // One pixel more, as edges are smoothed.
  const box = {
    left: bounds.left * a + e - 1,
    top: bounds.top * d + f - 1,
    right: bounds.right * a + e + 1,
    bottom: bounds.bottom * d + f + 1,
  };
  return places.some((place) => boundsMeet(place, box));
}
