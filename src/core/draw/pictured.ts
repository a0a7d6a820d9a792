import type { DrawItem, GroupItem, Picture } from './draw-list';

/** Whether a group, or any in it, is beyond a format. */
const holds = (item: DrawItem, isBeyond: (group: GroupItem) => boolean): boolean =>
  item.kind === 'group' && (isBeyond(item) || item.items.some((inner) => holds(inner, isBeyond)));

/**
 * Items with a picture wherever a format of shapes has no word for a group: of the group itself, or of the whole that it cuts into. All else
 * stays shapes.
 * @param isBeyond whether the format can't hold what is done to a group as a whole: its filters, its moments.
 * @param pictureOf paints a group as it is over nothing, at full opacity; null where nothing of it is seen.
 */
export function pictured(
  items: readonly DrawItem[],
  isBeyond: (group: GroupItem) => boolean,
  pictureOf: (group: GroupItem) => Picture | null,
): DrawItem[] {
  return items.flatMap((item): DrawItem[] => {
    if (item.kind !== 'group' || !holds(item, isBeyond)) return [item];
    const isCut = item.items.some((inner) => inner.operator !== undefined && holds(inner, isBeyond));
    if (!isCut && !isBeyond(item)) return [{ ...item, items: pictured(item.items, isBeyond, pictureOf) }];
    const { blend, opacity, ...whole } = item;
    const picture = pictureOf({ ...whole, opacity: 1 });
    return picture ? [{ kind: 'group', items: [], opacity, ...(blend && { blend }), picture }] : [];
  });
}
