import type { DrawItem } from './draw-list';

/** Items as ink: all that shows at all covers, whatever its colour. What they are seen through stays as it is. */
export const solidItems = (items: readonly DrawItem[]): DrawItem[] =>
  items.map((item): DrawItem => {
    if (item.operator === 'keep') return item;
    const { blend, ...over } = item;
    return over.kind === 'group'
      ? { ...over, opacity: 1, items: solidItems(over.items) }
      : { ...over, opacity: 1, colour: '#000000' };
  });
