import { cutName, type Layer, type Piece } from '../schema';

/** Adds layers after the one named, or at the end. */
export function addLayers(piece: Piece, layers: readonly Layer[], after?: string): Piece {
  const at = after ? piece.layers.findIndex((layer) => layer.id === after) + 1 : piece.layers.length;
  return { ...piece, layers: [...piece.layers.slice(0, at), ...layers, ...piece.layers.slice(at)] };
}

export const removeLayers = (piece: Piece, ids: readonly string[]): Piece => ({
  ...piece,
  layers: piece.layers.filter((layer) => !ids.includes(layer.id)),
});

/** Moves layers together to stand before the one now at `index` in the order, keeping their own order. */
export function reorderLayers(piece: Piece, ids: readonly string[], index: number): Piece {
  const moved = piece.layers.filter((layer) => ids.includes(layer.id));
  const before = piece.layers.slice(0, index).filter((layer) => !ids.includes(layer.id));
  const after = piece.layers.slice(index).filter((layer) => !ids.includes(layer.id));
  return { ...piece, layers: [...before, ...moved, ...after] };
}

/** One place earlier (-1) or later (1) in the order; a block at the end of the list stays. */
export function stepLayers(piece: Piece, ids: readonly string[], step: -1 | 1): Piece {
  const layers = [...piece.layers];
  const order = step < 0 ? layers.map((_, i) => i) : layers.map((_, i) => layers.length - 1 - i);
  for (const i of order) {
    const to = i + step;
    const layer = layers[i]!;
    const other = layers[to];
    if (!other || !ids.includes(layer.id) || ids.includes(other.id)) continue;
    layers[to] = layer;
    layers[i] = other;
  }
  return { ...piece, layers };
}

/** `name` with the first number from 2 on that no other bears. */
export function freeName(name: string, taken: ReadonlySet<string>): string {
  const stem = cutName(name.replace(/ \d+$/, ''), 110);
  for (let n = 2; ; n++) if (!taken.has(`${stem} ${n}`)) return `${stem} ${n}`;
}
