import { type DrawItem, itemBounds } from '../draw';
import { contentOf, widestOf, type Layer } from '../document';
import { commandsBounds, pathBounds, transformCommands, unite, widened, type Bounds } from '../geometry';
import { artItems } from './art-items';

/** The rectangle around a layer's lines and shapes as it was made, ink included; null for one that shows nothing. */
export function layerBounds(layer: Layer): Bounds | null {
  if (layer.type === 'stroke') {
    const bounds = pathBounds(layer.path);
    return bounds && widened(bounds, widestOf(layer.ink) / 2);
  }
  if (layer.type === 'piece') {
    const { width, height } = contentOf(layer).size;
    return { left: 0, top: 0, right: width, bottom: height };
  }
  const shown = layer.hidden ? { ...layer, hidden: false } : layer;
  const parts = artItems(shown).map(inkOf);
  return unite(parts.filter((b) => b !== null));
}

/** The rectangle around what an item inks: its lines, not what a sharp join might reach. */
function inkOf(item: DrawItem): Bounds | null {
  if (item.kind === 'group') return itemBounds(item);
  const { path, transform } = { transform: undefined, ...item };
  const bounds = commandsBounds(transform ? transformCommands(path, transform) : path);
  return bounds && (item.kind === 'stroke' ? widened(bounds, item.width / 2) : bounds);
}
