import type { Layer, Part, Piece, Stroke } from '../schema';

/** Changes the layers with the given ids; all else is shared with the piece before. */
export function updateLayers(piece: Piece, ids: readonly string[], change: (layer: Layer) => Layer): Piece {
  let changed = false;
  const layers = piece.layers.map((layer) => {
    if (!ids.includes(layer.id)) return layer;
    const next = change(layer);
    if (next !== layer) changed = true;
    return next;
  });
  return changed ? { ...piece, layers } : piece;
}

/** Changes the strokes with the given ids; other layers are left alone. */
export const updateStrokes = (
  piece: Piece,
  ids: readonly string[],
  change: (stroke: Stroke) => Stroke,
): Piece => updateLayers(piece, ids, (layer) => (layer.type === 'stroke' ? change(layer) : layer));

/** Changes layers and groups by their ids. */
export function updateParts(
  piece: Piece,
  ids: readonly string[],
  change: <P extends Part>(part: P) => P,
): Piece {
  const put = <P extends Part>(part: P): P => (ids.includes(part.id) ? change(part) : part);
  return { ...piece, layers: piece.layers.map(put), groups: piece.groups.map(put) };
}
