import { commandsBounds, transformCommands, unite, widened, type Bounds, type Point } from '../geometry';
import type { DrawItem, DrawList, GroupItem, StrokeItem } from './draw-list';

/** A miter of limit 4 reaches 4 half widths from the path; a square cap √2; the rest one. */
const REACH = { miter: 4, round: 1, bevel: 1 } as const;
/** Standard deviations beyond which a canvas's blur leaves nothing. */
export const BLUR_REACH = 3;

/** How far beyond its path a pen leaves ink at the most, px. */
export function strokeReach({ width, join, miterLimit, transform }: StrokeItem): number {
  const sharpest = join === 'miter' ? (miterLimit ?? REACH.miter) : REACH[join];
  const most = transform ? Math.hypot(...transform.slice(0, 4)) : 1;
  return (width / 2) * Math.max(sharpest, Math.SQRT2) * most;
}

function meet(a: Bounds, b: Bounds): Bounds | null {
  const both = {
    left: Math.max(a.left, b.left),
    top: Math.max(a.top, b.top),
    right: Math.min(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
  };
  return both.left < both.right && both.top < both.bottom ? both : null;
}

/** How far filters carry ink from where it was, and how much wider they make it, px. */
export function filterReach(filters: GroupItem['filters'] = []): {
  readonly shift: Point;
  readonly blur: number;
} {
  let [x, y, blur] = [0, 0, 0];
  for (const filter of filters) {
    if (filter.kind === 'shift') [x, y] = [x + filter.by.x, y + filter.by.y];
    else if (filter.kind === 'blur') blur = Math.hypot(blur, filter.deviation);
  }
  return { shift: { x, y }, blur };
}

function groupBounds({ items, filters }: GroupItem): Bounds | null {
  let all: Bounds | null = null;
  // In their order: what is kept is kept of what lies below, not of what comes after.
  for (const item of items) {
    if (item.operator === 'erase' || item.operator === 'atop' || (item.operator === 'keep' && !all)) continue;
    const own = itemBounds(item);
    if (item.operator === 'keep') all = own && meet(all!, own);
    else all = own && all ? unite([all, own]) : (own ?? all);
  }
  if (!all) return null;
  const { blur, shift } = filterReach(filters);
  const wide = blur ? widened(all, blur * BLUR_REACH + 1) : all;
  return {
    left: wide.left + shift.x,
    right: wide.right + shift.x,
    top: wide.top + shift.y,
    bottom: wide.bottom + shift.y,
  };
}

const known = new WeakMap<DrawItem, Bounds | null>();

/** A rectangle in piece pixels that surely holds all ink of an item; null where it has none. */
export function itemBounds(item: DrawItem): Bounds | null {
  let bounds = known.get(item);
  if (bounds === undefined) known.set(item, (bounds = boundsOf(item)));
  return bounds;
}

function boundsOf(item: DrawItem): Bounds | null {
  if (item.kind === 'group') return groupBounds(item);
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
  return meet(
    {
      left: Math.floor(all.left * scale) - 1,
      top: Math.floor(all.top * scale) - 1,
      right: Math.ceil(all.right * scale) + 1,
      bottom: Math.ceil(all.bottom * scale) + 1,
    },
    { left: 0, top: 0, right: width, bottom: height },
  );
}
