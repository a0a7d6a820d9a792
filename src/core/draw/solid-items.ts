import { isRibbon } from '../ink';
import type { DrawItem } from './draw-list';

/** Items as ink: all that shows at all covers, whatever its colour. What they are seen through stays as it is. */
export const solidItems = (items: readonly DrawItem[]): DrawItem[] =>
  items.map((item): DrawItem => {
    if (item.operator === 'keep') return item;
    const { blend, ...over } = item;
    if (over.kind === 'group') return { ...over, opacity: 1, items: solidItems(over.items) };
    // A line that fades along its way is there as far as it shows.
    return { ...over, opacity: 1, colour: isRibbon(over.colour) ? over.colour : '#000000' };
  });
