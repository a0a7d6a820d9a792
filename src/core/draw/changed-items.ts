import type { DrawItem } from './draw-list';

/**
 * The items of two lists by which they differ: all that stand in one of them alone, or in another order. Where none of these has
 * ink, both lists paint the same, as all others are the very same and lie over one another in the same order.
 */
export function changedItems(before: readonly DrawItem[], after: readonly DrawItem[]): DrawItem[] {
  const places = new Map<DrawItem, number[]>();
  before.forEach((item, i) => {
    const known = places.get(item);
    if (known) known.push(i);
    else places.set(item, [i]);
  });
  const stay = new Set<number>();
  let last = -1;
  const changed = after.filter((item) => {
    const at = places.get(item)?.find((i) => i > last);
    if (at === undefined) return true;
    stay.add((last = at));
    return false;
  });
  before.forEach((item, i) => {
    if (!stay.has(i)) changed.push(item);
  });
  return changed;
}
