import {
  boxCommands,
  commandsBounds,
  compose,
  inverse,
  transformCommands,
  unite,
  type Bounds,
  type Matrix,
} from '../../geometry';
import { membersOf } from '../parts';
import { partWithId, type Piece } from '../schema';
import { boxOf } from './box-of';
import { worldOf } from './world';

/** The box round what a layer or group shows in its own coordinates, at a frame where members are placed; null for nothing. */
export function ownBox(piece: Piece, id: string, frame: number): Bounds | null {
  if (piece.layers.some((layer) => layer.id === id)) return boxOf(piece, id);
  const group = partWithId(piece, id);
  const back = group && inverse(worldOf(piece, group, frame));
  if (!group || !back) return null;
  return unite(
    membersOf(piece, id).flatMap((layer) => {
      const box = boxOf(piece, layer.id);
      return box ? (mappedBox(box, compose(back, worldOf(piece, layer, frame))) ?? []) : [];
    }),
  );
}

/** The upright box round a box that was mapped. */
export const mappedBox = (box: Bounds, m: Matrix): Bounds | null =>
  commandsBounds(transformCommands(boxCommands(box), m));
