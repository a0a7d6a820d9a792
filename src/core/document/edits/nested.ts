import { updateLayers } from '../parts';
import { contentOf, placementAbout, type Nested, type Piece } from '../schema';
import { addLayers } from './layers';

/** Where a piece comes from: its id and the revision that was copied. */
export type Origin = NonNullable<Nested['from']>;

/** The ids of the pieces that a piece holds copies of, at any depth. */
const origins = (piece: Piece): string[] =>
  piece.layers.flatMap((layer) =>
    layer.type === 'piece' ? [...(layer.from ? [layer.from.piece] : []), ...origins(contentOf(layer))] : [],
  );

/** Why a piece can't be put into another, in words; null where it can. @param into the id of the piece around it. */
export function nestingFault(into: string, content: Piece, from: Origin): string | null {
  return from.piece === into || origins(content).includes(into)
    ? 'A piece can’t be shown within itself.'
    : null;
}

/** Puts a copy of a piece into another, in the middle, as large as fits, begun at a frame. */
export function addNested(piece: Piece, id: string, content: Piece, from: Origin, start: number): Piece {
  const { width, height } = content.size;
  const factor = Math.min(1, piece.size.width / width, piece.size.height / height);
  const middle = { x: width / 2, y: height / 2 };
  const nested: Nested = {
    type: 'piece',
    id,
    name: content.name,
    hidden: false,
    locked: false,
    opacity: 1,
    from,
    start,
    after: 'nothing',
    content,
    place: {
      ...placementAbout(middle),
      x: piece.size.width / 2 - middle.x,
      y: piece.size.height / 2 - middle.y,
      scaleX: factor,
      scaleY: factor,
    },
  };
  return addLayers(piece, [nested]);
}

/** Changes how a nested piece is shown, or what it holds. */
export const setNested = (
  piece: Piece,
  id: string,
  part: Partial<Pick<Nested, 'start' | 'after' | 'opacity' | 'content' | 'from'>>,
): Piece => updateLayers(piece, [id], (layer) => (layer.type === 'piece' ? { ...layer, ...part } : layer));
