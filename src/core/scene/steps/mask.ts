import { kept } from '../../draw';
import { worldOf, type Part, type Piece } from '../../document';
import { IDENTITY, inverse, type Matrix } from '../../geometry';
import { masked, maskSignature } from '../mask-shapes';
import type { Step } from './step';

/** The matrix from the picture to a part's own coordinates, in which its masks are laid over it; the identity where none stands in the picture. */
export function toMasked(piece: Piece, part: Part, frame: number): Matrix {
  const inPicture = part.masks?.some((mask) => mask.stands === 'picture');
  // What is flat shows nothing: then it does not matter where its masks stand.
  return (inPicture && inverse(worldOf(piece, part, frame))) || IDENTITY;
}

/** What masks leave of a part, in its own coordinates. */
export const mask: Step = ({ scene, part, when: { frame } }, before) => {
  const items = before();
  const { masks } = part;
  if (items.length === 0 || !masks || masks.length === 0) return items;
  const back = toMasked(scene.piece, part, frame);
  return kept(part, 'masked', [items, ...back, ...maskSignature(masks, frame)], () =>
    masked(items, masks, frame, back),
  );
};
