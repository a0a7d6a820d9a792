import type { DrawItem } from './draw-list';

/** Commands of all paths of items, those of groups among them: what painting them costs, roughly. */
export const commandsIn = (items: readonly DrawItem[]): number =>
  items.reduce((sum, item) => sum + (item.kind === 'group' ? commandsIn(item.items) : item.path.length), 0);
