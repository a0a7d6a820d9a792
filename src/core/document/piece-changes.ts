import type { Layer, Piece } from './schema';

/** What makes one piece of another: layers that stay only by their ids, so that little travels and what stays is the same. */
export interface PieceChanges {
  readonly layers: readonly (string | Layer)[];
  readonly groups: Piece['groups'];
}

/** What became of the layers and groups of a piece. */
export function changesOf(before: Piece, after: Piece): PieceChanges {
  const known = new Set(before.layers);
  return {
    layers: after.layers.map((layer) => (known.has(layer) ? layer.id : layer)),
    groups: after.groups,
  };
}

/** A piece in which layers and groups have become what something else made of them. */
export function withChanges(piece: Piece, { layers, groups }: PieceChanges): Piece {
  const known = new Map(piece.layers.map((layer) => [layer.id, layer]));
  return {
    ...piece,
    groups,
    layers: layers.flatMap((layer) => (typeof layer === 'string' ? (known.get(layer) ?? []) : layer)),
  };
}
