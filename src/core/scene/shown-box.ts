import { changed, type Layer, type Part, type Piece } from '../document';
import { kindOfEffect } from '../effects';
import { itemBounds } from '../draw';
import { unite, type Bounds } from '../geometry';
import { evaluate } from './evaluate';

/** Without what only changes how something looks: light reaches further than anything that must be seen. */
const shapesOnly = <P extends Part>(part: P): P =>
  part.effects
    ? changed<P>(part, {
        effects: part.effects.filter((effect) => kindOfEffect(effect).touches === 'shape'),
      } as unknown as Partial<P>)
    : part;

/** A piece of which only some layers are seen; the rest only does its work as what they are seen through. */
export const onlySeen = (piece: Piece, ids: readonly string[]): Piece => ({
  ...changed<Piece>(piece, { shutter: undefined }),
  layers: piece.layers.map((layer): Layer =>
    ids.includes(layer.id) || layer.hidden ? layer : { ...layer, hidden: true },
  ),
});

/** The rectangle round all that a layer shows in the picture at a frame: what effects of it and of its groups repeat and move too. */
export function shownBox(piece: Piece, id: string, frame: number): Bounds | null {
  const alone = onlySeen(piece, [id]);
  const shapes = { ...alone, groups: alone.groups.map(shapesOnly), layers: alone.layers.map(shapesOnly) };
  return unite(evaluate(shapes, frame).items.flatMap((item) => itemBounds(item) ?? []));
}
