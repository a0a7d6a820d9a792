import { withColours } from '../ink';
import type { DrawItem } from './draw-list';

/** An item in one colour, gradients by their alpha alone; how its colours would have met others is of no account then. */
function inColour(item: DrawItem, colour: string): DrawItem {
  const { blend, ...plain } = item;
  if (plain.kind !== 'group') return { ...plain, colour: withColours(plain.colour, () => colour) };
  return { ...plain, items: plain.items.map((inner) => inColour(inner, colour)) };
}

/** Whether how much of something is seen follows the brightness of an item. */
const isBright = (item: DrawItem): boolean =>
  item.kind === 'group' && (item.filters ?? []).some(({ kind }) => kind === 'alpha from brightness');

/**
 * Items whose mattes are white and whose cuts are black: whoever reads a matte by its brightness and not by its alpha reads the
 * same. (Masks of PDF 1.7, 11.6.5.2, are read either way; programs that make them of SVG read brightness alone.)
 */
export const plainMattes = (items: readonly DrawItem[]): DrawItem[] =>
  items.map((item): DrawItem => {
    const inner: DrawItem = item.kind === 'group' ? { ...item, items: plainMattes(item.items) } : item;
    if (inner.operator === 'keep' && !isBright(inner)) return inColour(inner, '#ffffff');
    return inner.operator === 'erase' ? inColour(inner, '#000000') : inner;
  });
