import type { Blend } from '../../draw';
import { applyMatrix } from '../../geometry';
import { carrierAt, ownBox } from '../at';
import { changed, updateParts } from '../parts';
import {
  partWithId,
  placementAbout,
  placementMatrix,
  strokeById,
  type Part,
  type Piece,
  type Pin,
  type Placement,
  type PlacementPart,
  type Rider,
} from '../schema';
import { withValueAt } from './ink';

/** How a layer or group is placed; where it is not yet, about the middle of its box. */
export function placementOf(piece: Piece, id: string, frame: number): Placement {
  const { place } = partWithId(piece, id) ?? {};
  if (place) return place;
  const box = ownBox(piece, id, frame);
  const middle = box
    ? { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 }
    : { x: piece.size.width / 2, y: piece.size.height / 2 };
  return placementAbout({ x: Math.round(middle.x), y: Math.round(middle.y) });
}

/** Changes how one layer or group is placed. */
export const withPlacement = (
  piece: Piece,
  id: string,
  frame: number,
  change: (place: Placement) => Placement,
): Piece => {
  const place = change(placementOf(piece, id, frame));
  return updateParts(piece, [id], (part) => ({ ...part, place }));
};

/** Sets numbers of a placement at a frame: what is keyed gets keys there. */
export const setPlace = (
  piece: Piece,
  id: string,
  frame: number,
  values: Partial<Record<PlacementPart, number>>,
): Piece =>
  withPlacement(piece, id, frame, (place) => {
    const parts = Object.entries(values) as [PlacementPart, number][];
    return parts.reduce<Placement>(
      (result, [part, value]) => ({ ...result, [part]: withValueAt(result[part], frame, value) }),
      place,
    );
  });

/** Moves the pivot to a place in the layer's own coordinates; the picture at the frame stays as it is. */
export function movePivot(piece: Piece, id: string, frame: number, to: { x: number; y: number }): Piece {
  const place = placementOf(piece, id, frame);
  const before = applyMatrix(placementMatrix(place, frame), to);
  return setPlace(piece, id, frame, {
    pivotX: to.x,
    pivotY: to.y,
    x: before.x - to.x,
    y: before.y - to.y,
  });
}

/** Lays everything back as it was made, parents and keys of the placement included. */
export const unplaced = (piece: Piece, ids: readonly string[]): Piece =>
  updateParts(piece, ids, <P extends Part>(part: P) => changed<P>(part, { place: undefined } as Partial<P>));

/** Whether a layer, group or pin can carry another layer or group: not where that one carries it already, itself or through others. */
export function canCarry(piece: Piece, to: string, id: string): boolean {
  const seen = new Set<string>();
  const ways = [to];
  for (let at = ways.pop(); at !== undefined; at = ways.pop()) {
    if (at === id) return false;
    if (seen.has(at)) continue;
    seen.add(at);
    const part = partWithId(piece, at);
    const between = strokeById(piece, at)?.between;
    const by = [part?.group, part?.place?.parent?.to, part?.place?.rider?.on, between?.from, between?.to];
    ways.push(...by.filter((one) => one !== undefined));
  }
  return true;
}

/** Lets a layer or group be carried along by another or by a pin from how both stand at a frame; null lets it go, where it is. */
export function setParent(piece: Piece, id: string, to: string | null, frame: number): Piece {
  const rest = to === null ? null : carrierAt(piece, to, frame);
  return withPlacement(piece, id, frame, (place) =>
    changed<Placement>(place, { parent: to !== null && rest ? { to, rest } : undefined }),
  );
}

/** Says how the colours of layers or groups meet what lies under them; null for over it. */
export const setBlend = (piece: Piece, ids: readonly string[], blend: Blend | null): Piece =>
  updateParts(piece, ids, <P extends Part>(part: P) =>
    changed<P>(part, { blend: blend ?? undefined } as Partial<P>),
  );

/** Puts a pin into the piece. */
export const addPin = (piece: Piece, pin: Pin): Piece => ({ ...piece, pins: [...piece.pins, pin] });

/** Moves a pin at a frame. */
export const movePin = (piece: Piece, id: string, frame: number, to: { x: number; y: number }): Piece => ({
  ...piece,
  pins: piece.pins.map((pin) =>
    pin.id === id ? { ...pin, x: withValueAt(pin.x, frame, to.x), y: withValueAt(pin.y, frame, to.y) } : pin,
  ),
});

/** Takes a pin out; what it carried stays where it was made. */
export const removePin = (piece: Piece, id: string): Piece => ({
  ...piece,
  pins: piece.pins.filter((pin) => pin.id !== id),
});

/** Lets a layer or group ride on a stroke by its pivot; null lets it go. */
export const setRider = (piece: Piece, id: string, rider: Rider | null): Piece =>
  withPlacement(piece, id, 0, (place) => changed<Placement>(place, { rider: rider ?? undefined }));
