import { kept, type DrawItem } from '../draw';
import type { Items } from './effect';

/** Items as one that is as strong as told: none shows through another. */
export function faded(items: Items, opacity: number): Items {
  if (opacity >= 1 || items.length === 0) return items;
  if (opacity <= 0) return [];
  const [only] = items;
  if (items.length === 1 && !only!.operator && !only!.blend)
    return [kept(only!, 'faded', [opacity], () => ({ ...only!, opacity: only!.opacity * opacity }))];
  return [{ kind: 'group', items, opacity }];
}

/** Items as one. */
export const asOne = (items: Items): DrawItem => ({ kind: 'group', items, opacity: 1 });
