import { compose, IDENTITY, inverse, translation, type Matrix } from '../../geometry';
import { valueAt } from '../../timing';
import { groupOf, layersOf } from '../parts';
import {
  partWithId,
  placementMatrix,
  strokesOf,
  type Part,
  type Piece,
  type Placement,
  type Rider,
  type Stroke,
} from '../schema';
import { ownPlaceAt, ridesAt, type Ridden } from './ridden';

type Placed = Pick<Piece, 'layers' | 'groups' | 'pins'>;

/**
 * From the coordinates in which something was made to the picture's at a frame: its own placement, its parent's, and those of
 * the groups it lies in. The schema keeps out circles.
 */
export function worldOf(piece: Placed, one: Part, frame: number): Matrix {
  const local = one.place ? placementMatrix(one.place, frame) : IDENTITY;
  const { parent, rider } = one.place ?? {};
  const ridden = rider && riddenAt(piece, rider, frame);
  if (ridden) {
    const { place } = one as { readonly place: Placement };
    const pivot = translation(-valueAt(place.pivotX, frame), -valueAt(place.pivotY, frame));
    return compose(ridden.matrix, compose(pivot, local));
  }
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
  if (!one.place.parent && !one.place.rider) return placementMatrix(one.place, frame);
  const group = groupOf(piece, one);
  const world = worldOf(piece, one, frame);
  const back = group ? inverse(worldOf(piece, group, frame)) : IDENTITY;
  return back ? compose(back, world) : world;
}

/** The strokes that something rides on, in the order in which they are written. */
function strokesRidden(piece: Placed, { on }: Rider): Stroke[] {
  const ids = layersOf(piece, on);
  return strokesOf(piece).filter((stroke) => ids.includes(stroke.id));
}

/** Where a rider is at a frame, and how much of it is there; null where what it rides on is gone. */
export function riddenAt(piece: Placed, rider: Rider, frame: number): Ridden | null {
  const strokes = strokesRidden(piece, rider);
  return ridesAt(strokes, rider, frame, (stroke, s) => {
    const world = worldOf(piece, stroke, frame);
    return ownPlaceAt(stroke, s, rider.over, world);
  });
}
