import { kept, type DrawItem, type GroupItem } from '../draw';
import { withColours } from '../ink';
import type { Items } from './effect';

/** An item in another colour, shape by shape; null where its colours decide what is seen of it. */
function byShapes(item: DrawItem, to: string): DrawItem | null {
  if (item.operator === 'keep' || item.operator === 'erase') return item;
  if (item.blend) return null;
  if (item.kind !== 'group') return { ...item, colour: withColours(item.colour, () => to) };
  if (item.filters?.some(({ kind }) => kind === 'alpha from brightness')) return null;
  const items: DrawItem[] = [];
  for (const inner of item.items) {
    const one = byShapes(inner, to);
    if (!one) return null;
    items.push(one);
  }
  const { filters, ...plain } = item;
  const left = filters?.filter(({ kind }) => kind !== 'tint') ?? [];
  return { ...plain, items, ...(left.length > 0 && { filters: left }) };
}

/** Items all in one colour, as transparent as they were. */
export function recoloured(items: Items, colour: string): Items {
  const shapes = items.map((item) => kept(item, 'recoloured', [colour], () => byShapes(item, colour)));
  if (shapes.every((item): item is DrawItem => item !== null)) return shapes;
  const tinted: GroupItem = { kind: 'group', items, filters: [{ kind: 'tint', colour }], opacity: 1 };
  return [tinted];
}
