import { compose, IDENTITY, inverse, translation, type Matrix } from '../geometry';
import { valueAt } from '../timing';
import { groupOf } from './grouped';
import { placementMatrix } from './placement-schema';
import { partWithId, type Part, type Piece } from './schema';

type Placed = Pick<Piece, 'layers' | 'groups' | 'pins'>;

/**
 * From the coordinates in which something was made to the picture's at a frame: its own placement, its parent's, and those of
 * the groups it lies in. The schema keeps out circles.
 */
export function worldOf(piece: Placed, one: Part, frame: number): Matrix {
  const local = one.place ? placementMatrix(one.place, frame) : IDENTITY;
  const parent = one.place?.parent;
  if (parent) {
    const now = carrierAt(piece, parent.to, frame);
    const back = inverse(parent.rest);
    // A parent that is gone carries nothing; one that was flat when it was taken up can't say how it moved since.
    if (now && back) return compose(now, compose(back, local));
  }
  const group = groupOf(piece, one);
  return group ? compose(worldOf(piece, group, frame), local) : local;
}

/** How what carries others stands at a frame: a layer, a group or a pin; null where there is none. */
export function carrierAt(piece: Placed, id: string, frame: number): Matrix | null {
  const pin = piece.pins.find((one) => one.id === id);
  if (pin) return translation(valueAt(pin.x, frame), valueAt(pin.y, frame));
  const part = partWithId(piece, id);
  return part ? worldOf(piece, part, frame) : null;
}

/** From its own coordinates to those of the group it lies in (the picture's where it lies in none). */
export function withinGroup(piece: Placed, one: Part, frame: number): Matrix {
  if (!one.place) return IDENTITY;
  if (!one.place.parent) return placementMatrix(one.place, frame);
  const group = groupOf(piece, one);
  const world = worldOf(piece, one, frame);
  const back = group ? inverse(worldOf(piece, group, frame)) : IDENTITY;
  return back ? compose(back, world) : world;
}
