import type { Piece, Stroke } from '../schema';

/** Changes the strokes with the given ids; all else is shared with the piece before. */
export function updateStrokes(
  piece: Piece,
  ids: readonly string[],
  change: (stroke: Stroke) => Stroke,
): Piece {
  let changed = false;
  const layers = piece.layers.map((layer) => {
    if (!ids.includes(layer.id)) return layer;
    const next = change(layer);
    if (next !== layer) changed = true;
    return next;
  });
  return changed ? { ...piece, layers } : piece;
}

/** Adds strokes after (in writing order) the one named, or at the end. */
export function addStrokes(piece: Piece, strokes: readonly Stroke[], after?: string): Piece {
  const at = after ? piece.layers.findIndex((layer) => layer.id === after) + 1 : piece.layers.length;
  return { ...piece, layers: [...piece.layers.slice(0, at), ...strokes, ...piece.layers.slice(at)] };
}

export const removeStrokes = (piece: Piece, ids: readonly string[]): Piece => ({
  ...piece,
  layers: piece.layers.filter((layer) => !ids.includes(layer.id)),
});

/** Moves strokes together to stand before the one now at `index` in writing order, keeping their own order. */
export function reorderStrokes(piece: Piece, ids: readonly string[], index: number): Piece {
  const moved = piece.layers.filter((layer) => ids.includes(layer.id));
  const before = piece.layers.slice(0, index).filter((layer) => !ids.includes(layer.id));
  const after = piece.layers.slice(index).filter((layer) => !ids.includes(layer.id));
  return { ...piece, layers: [...before, ...moved, ...after] };
}

/** One place earlier (-1) or later (1) in writing order; a block at the end of the list stays. */
export function stepStrokes(piece: Piece, ids: readonly string[], step: -1 | 1): Piece {
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

/** Copies of strokes right after the last of them, named with the next free number, under the ids given in their order. */
export function duplicateStrokes(piece: Piece, ids: readonly string[], newIds: readonly string[]): Piece {
  const originals = piece.layers.filter((layer) => ids.includes(layer.id));
  const names = new Set(piece.layers.map((layer) => layer.name));
  const copies = originals.map((layer, i): Stroke => {
    const name = freeName(layer.name, names);
    names.add(name);
    return { ...layer, id: newIds[i]!, name };
  });
  return addStrokes(piece, copies, originals.at(-1)?.id);
}

/** `name` with the first number from 2 on that no other bears. */
export function freeName(name: string, taken: ReadonlySet<string>): string {
  const stem = name.replace(/ \d+$/, '').slice(0, 110);
  for (let n = 2; ; n++) if (!taken.has(`${stem} ${n}`)) return `${stem} ${n}`;
}
