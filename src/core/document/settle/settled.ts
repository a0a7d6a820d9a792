import { strokesOf, type Piece, type Stroke } from '../schema';

/**
 * A piece in which strokes that depend on others have followed them; the same object where nothing changes.
 * @param follow the stroke as it is to be; it asks for others by their id and gets them as they are to be.
 */
export function settled(
  piece: Piece,
  follow: (stroke: Stroke, other: (id: string) => Stroke | undefined) => Stroke,
): Piece {
  const strokes = new Map(strokesOf(piece).map((stroke) => [stroke.id, stroke]));
  const done = new Map<string, Stroke>();
  const settle = (id: string): Stroke | undefined => {
    const stroke = strokes.get(id);
    if (!stroke || done.has(id)) return done.get(id);
    // Until it is settled a stroke stands for itself.
    done.set(id, stroke);
    const result = follow(stroke, settle);
    done.set(id, result);
    return result;
  };
  let moved = false;
  const layers = piece.layers.map((layer) => {
    const now = layer.type === 'stroke' ? settle(layer.id)! : layer;
    if (now !== layer) moved = true;
    return now;
  });
  return moved ? { ...piece, layers } : piece;
}
