import { unite, type Bounds } from '../../geometry';
import { kindOf } from '../kinds';
import { membersOf } from '../parts';
import type { Layer, Piece } from '../schema';

const boxes = new WeakMap<Layer, Bounds | null>();

/** The box of a layer, or of all of a group, as it was made; null where there is nothing to be seen of it. */
export function boxOf(piece: Pick<Piece, 'layers' | 'groups'>, id: string): Bounds | null {
  const layer = piece.layers.find((one) => one.id === id);
  if (!layer) return unite(membersOf(piece, id).flatMap((member) => boxOf(piece, member.id) ?? []));
  let box = boxes.get(layer);
  if (box === undefined) boxes.set(layer, (box = kindOf(layer).box(layer)));
  return box;
}
