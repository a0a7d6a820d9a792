import { changed } from '../document';
import type { DrawItem } from '../draw';

type Items = readonly DrawItem[];

/**
 * Items of which some cut out what lies under them and are cut out by it: Porter and Duff's xor as the sum of what each leaves
 * of the other, since canvases round an xor of their own differently.
 */
export function knockedOut(items: Items): Items {
  const left = items.reduce<DrawItem[]>((below, item) => {
    if (item.blend !== 'xor') return [...below, item];
    const top = changed<typeof item>(item, { blend: undefined });
    if (below.length === 0) return [top];
    return [
      { kind: 'group', items: [...below, { ...top, operator: 'erase' }], opacity: 1 },
      {
        kind: 'group',
        items: [top, { kind: 'group', items: below, opacity: 1, operator: 'erase' }],
        opacity: 1,
        operator: 'add',
      },
    ];
  }, []);
  return [{ kind: 'group', items: left, opacity: 1 }];
}
