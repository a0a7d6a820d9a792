import type { DrawItem, GroupItem } from './draw-list';

/** Whether a group is nothing but soft: a glow, a shadow, which formats without softness do without. */
export const isOnlySoft = ({ filters = [], operator }: Pick<GroupItem, 'filters' | 'operator'>): boolean =>
  !operator && filters.some(({ kind }) => kind === 'blur') && !filters.some(({ kind }) => kind === 'sharpen');

/** Items without those that are nothing but soft, in groups as well. */
export const withoutSoft = (items: readonly DrawItem[]): readonly DrawItem[] =>
  items.flatMap((item): readonly DrawItem[] => {
    if (item.kind !== 'group') return [item];
    return isOnlySoft(item) ? [] : [{ ...item, items: withoutSoft(item.items) }];
  });
