import type { GroupItem } from './draw-list';

/**
 * Whether a group is nothing but soft: a glow, a shadow, which formats without softness do without. They are blurred in one colour; what is
 * blurred as it is, such as a mask, has a hard edge there.
 */
export const isOnlySoft = ({ filters = [], operator }: Pick<GroupItem, 'filters' | 'operator'>): boolean =>
  !operator && ['tint', 'blur'].every((kind) => filters.some((filter) => filter.kind === kind));
