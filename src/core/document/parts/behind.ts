import { contentOf, strokesOf, type Layer, type Lettering, type Nested, type Piece } from '../schema';
import { sameValue } from './changed';

/** Whether a layer is uncovered by strokes that were traced from it. */
export const writesItself = (piece: Piece, layer: Layer): boolean =>
  layer.reveal !== undefined && strokesOf(piece).some((stroke) => stroke.traced?.from === layer.id);

/** Whether lettering that writes itself was set otherwise since its strokes were found: they have not followed yet. */
export const isBehind = (piece: Piece, layer: Layer): layer is Lettering =>
  layer.type === 'lettering' &&
  layer.written !== undefined &&
  // An empty text has nothing that could be written; what it had waits for the next one.
  layer.setting.text.trim() !== '' &&
  !sameValue(layer.written, layer.setting) &&
  writesItself(piece, layer);

/** Lettering whose strokes have not followed it yet: its id, and the ids of the nested pieces it lies in, outermost first. */
export interface Behind {
  readonly within: readonly string[];
  readonly id: string;
}

/** All lettering of a piece, and of the pieces nested in it, whose strokes have not followed it yet. */
export function lettersBehind(piece: Piece, within: readonly string[] = []): Behind[] {
  return piece.layers.flatMap((layer): Behind[] => {
    if (layer.type === 'piece') return lettersBehind(contentOf(layer), [...within, layer.id]);
    return isBehind(piece, layer) ? [{ within, id: layer.id }] : [];
  });
}

const nestedIn = (piece: Piece, id: string): Nested | undefined =>
  piece.layers.find((layer): layer is Nested => layer.type === 'piece' && layer.id === id);

/** The piece itself, or the one nested in it by a way of ids; null where it is not there any more. */
export function pieceWithin(piece: Piece, [next, ...rest]: readonly string[]): Piece | null {
  if (next === undefined) return piece;
  const nested = nestedIn(piece, next);
  return nested ? pieceWithin(contentOf(nested), rest) : null;
}

/** A piece in which the one nested by a way of ids is another. */
export function withPieceWithin(piece: Piece, [next, ...rest]: readonly string[], inner: Piece): Piece {
  if (next === undefined) return inner;
  return {
    ...piece,
    layers: piece.layers.map((layer) =>
      layer.type === 'piece' && layer.id === next
        ? { ...layer, content: withPieceWithin(contentOf(layer), rest, inner) }
        : layer,
    ),
  };
}
