import { kept, transformed, type DrawItem } from '../draw';
import { riddenAt, withinGroup, worldOf, type Part, type Piece } from '../document';
import { IDENTITY, inverse, isIdentity } from '../geometry';
import { valueAt } from '../timing';
import { masked, maskSignature } from './masked';

type Items = readonly DrawItem[];

/** Items in their group's coordinates: what masks leave of them, put where they are placed. */
export function dressed(piece: Piece, one: Part, items: Items, frame: number): Items {
  if (items.length === 0) return items;
  const { masks } = one;
  const inPicture = masks?.some((mask) => mask.stands === 'picture');
  // What is flat shows nothing: then it does not matter where its masks stand.
  const back = (inPicture && inverse(worldOf(piece, one, frame))) || IDENTITY;
  const left =
    masks && masks.length > 0
      ? kept(one, 'masked', [items, ...back, ...maskSignature(masks, frame)], () =>
          masked(items, masks, frame, back),
        )
      : items;
  if (!one.place) return left;
  const m = withinGroup(piece, one, frame);
  return isIdentity(m)
    ? left
    : kept(one, 'placed', [left, ...m], () =>
        left.map((item) => kept(item, 'placed', m, () => transformed(item, m))),
      );
}

/** Items as they meet what lies under them: as strong as their placement says, blended. */
export function laid(piece: Piece, one: Part, items: Items, frame: number): Items {
  const rider = one.place?.rider;
  const presence = rider ? (riddenAt(piece, rider, frame)?.presence ?? 1) : 1;
  const opacity = presence * (one.place ? valueAt(one.place.opacity, frame) : 1);
  const { blend } = one;
  if (items.length === 0 || (opacity === 1 && !blend)) return items;
  if (opacity <= 0) return [];
  return kept(one, 'laid', [items, opacity], () => {
    const [only] = items;
    const single = items.length === 1 && !only!.operator && !only!.blend;
    if (single) return [{ ...only!, opacity: only!.opacity * opacity, ...(blend && { blend }) }];
    return [{ kind: 'group', items, opacity, ...(blend && { blend }) }];
  });
}
