import type { DrawItem } from './draw-list';

/** What two lists differ by. */
export interface Change {
  /** Items of the later list that are not in the earlier one, or in another order. */
  readonly came: readonly DrawItem[];
  /** Items of the earlier list likewise. */
  readonly went: readonly DrawItem[];
}

/**
 * The items by which two lists differ. Where none of these has ink both lists paint the same: all others are the very same and lie
 * over one another in the same order.
 */
export function changedItems(before: readonly DrawItem[], after: readonly DrawItem[]): Change {
  const places = new Map<DrawItem, number[]>();
  before.forEach((item, i) => {
    const known = places.get(item);
    if (known) known.push(i);
    else places.set(item, [i]);
  });
  const stay = new Set<number>();
  let last = -1;
  const came = after.filter((item) => {
    const at = places.get(item)?.find((i) => i > last);
    if (at === undefined) return true;
    stay.add((last = at));
    return false;
  });
  return { came, went: before.filter((_, i) => !stay.has(i)) };
}
