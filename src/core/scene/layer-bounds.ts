import type { Layer } from '../document';
import { commandsBounds, pathBounds, transformCommands, unite, widened, type Bounds } from '../geometry';
import { artItems } from './evaluate';

/** The rectangle around a layer's lines and shapes, ink included; null for one that shows nothing. */
export function layerBounds(layer: Layer): Bounds | null {
  if (layer.type === 'stroke') {
    const bounds = pathBounds(layer.path);
    return bounds && widened(bounds, layer.ink.width / 2);
  }
  const shown = layer.hidden ? { ...layer, hidden: false } : layer;
  const parts = artItems(shown).map((item) => {
    if (item.kind === 'fill') return commandsBounds(item.path);
    const bounds = commandsBounds(item.transform ? transformCommands(item.path, item.transform) : item.path);
    return bounds && widened(bounds, item.width / 2);
  });
  return unite(parts.filter((b) => b !== null));
}
