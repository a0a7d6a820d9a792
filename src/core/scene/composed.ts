import { kept } from '../draw';
import type { Piece } from '../document';
import type { Exposure } from './exposure';
import { knockedOut } from './knocked-out';
import { lookedThrough } from './reveal';
import { afterSteps, itemsOf, type Own, type Scene } from './steps';

type Items = ReturnType<Own>;

/** Whether layers and groups of a piece lie over one another just as they are. */
const isPlain = (piece: Piece): boolean =>
  [...piece.layers, ...piece.groups].every(
    (one) => !one.reveal && !one.place && !one.masks && !one.blend && !one.effects,
  );

function sceneOf(piece: Piece, own: Own): Scene {
  const done = new Map<string, Items>();
  const scene: Scene = {
    piece,
    own,
    onlyThrough: lookedThrough(piece),
    show: (part, when, as) => afterSteps(scene, part, when, as),
    once(key, make) {
      let items = done.get(key);
      if (!items) done.set(key, (items = make()));
      return items;
    },
  };
  return scene;
}

/**
 * What a piece shows where layers and groups are masked, placed, blended, seen through others and changed by effects. Chains of
 * mattes are followed to their end; the schema keeps out circles.
 * @param shutter how motion is blurred; null where it is not.
 */
export function composedItems(piece: Piece, frame: number, own: Own, shutter: Exposure | null): Items {
  if (isPlain(piece) && !shutter) return piece.layers.flatMap((layer) => own(layer, frame, null));
  const scene = sceneOf(piece, own);
  const all = itemsOf(piece.layers, null, { scene, when: { frame, variant: null, shutter }, as: 'seen' });
  return all.some((item) => item.blend === 'xor')
    ? kept(piece, 'knocked out', all, () => knockedOut(all))
    : all;
}
