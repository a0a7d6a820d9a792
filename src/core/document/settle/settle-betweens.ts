import { strokeAt } from '../at';
import { sameValue } from '../parts';
import { strokesOf, type Piece } from '../schema';
import { tieThatHolds } from './settle-ties';

/** The piece with the path of every stroke between two things as it is at the opening, for what looks at no frame. */
export function settleBetweens(piece: Piece): Piece {
  if (!strokesOf(piece).some((stroke) => stroke.between)) return piece;
  let moved = false;
  const layers = piece.layers.map((layer) => {
    if (layer.type !== 'stroke' || !layer.between || tieThatHolds(piece, layer, 'path')) return layer;
    const { path } = strokeAt(piece, layer, 0);
    if (sameValue(path, layer.path)) return layer;
    moved = true;
    return { ...layer, path };
  });
  return moved ? { ...piece, layers } : piece;
}
