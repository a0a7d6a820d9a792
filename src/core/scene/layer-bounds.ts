import { type DrawItem, itemBounds } from '../draw';
import { kindOf, widestOf, type Artwork, type Layer } from '../document';
import { commandsBounds, pathBounds, transformCommands, unite, widened, type Bounds } from '../geometry';
import { artItems } from './art-items';
import { unhidden } from './reveal';

/** The rectangle around a layer's lines and shapes as it was made, ink included; null for one that shows nothing. */
export const layerBounds = (layer: Layer): Bounds | null =>
  (INKED[layer.type] as (layer: Layer) => Bounds | null)(layer);

const ofArtwork = (layer: Artwork): Bounds | null =>
  unite(
    artItems(unhidden(layer))
      .map(inkOf)
      .filter((b) => b !== null),
  );

/** The rectangle around each kind of layer. */
const INKED: { readonly [K in Layer['type']]: (layer: Extract<Layer, { type: K }>) => Bounds | null } = {
  stroke({ path, ink }) {
    const bounds = pathBounds(path);
    return bounds && widened(bounds, widestOf(ink) / 2);
  },
  art: ofArtwork,
  lettering: ofArtwork,
  piece: (nested) => kindOf(nested).box(nested),
};

/** The rectangle around what an item inks: its lines, not what a sharp join might reach. */
function inkOf(item: DrawItem): Bounds | null {
  if (item.kind === 'group') return itemBounds(item);
  const { path, transform } = { transform: undefined, ...item };
  const bounds = commandsBounds(transform ? transformCommands(path, transform) : path);
  return bounds && (item.kind === 'stroke' ? widened(bounds, item.width / 2) : bounds);
}
