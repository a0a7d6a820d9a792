import type { Point } from '../../geometry';
import { kindOf } from '../kinds';
import { changedTogether } from '../parts';
import type { Layer, Piece, Underlay } from '../schema';

/** A layer moved by an offset in piece pixels. */
export const movedLayer = <L extends Layer>(layer: L, by: Point): L => kindOf(layer).moved(layer, by);

/** Moves whole layers by an offset, or each by its own. */
export const moveLayers = (
  piece: Piece,
  ids: readonly string[],
  by: Point | ((layer: Layer) => Point),
): Piece =>
  changedTogether(piece, ids, (layer) => movedLayer(layer, typeof by === 'function' ? by(layer) : by));

/** A layer scaled by a factor about a point; widths of ink and sizes of type grow along. */
export const scaledLayer = <L extends Layer>(layer: L, factor: number, about: Point): L =>
  kindOf(layer).scaled(layer, factor, about);

export const scaleLayers = (piece: Piece, ids: readonly string[], factor: number, about: Point): Piece =>
  changedTogether(piece, ids, (layer) => withMasksStanding(layer, scaledLayer(layer, factor, about)));

/** A layer that was changed, with the masks that stand in the picture where they were. */
const withMasksStanding = (before: Layer, now: Layer): Layer =>
  before.masks?.some((mask) => mask.stands)
    ? { ...now, masks: now.masks!.map((mask, i) => (mask.stands ? before.masks![i]! : mask)) }
    : now;

export const addUnderlay = (piece: Piece, underlay: Underlay): Piece => ({
  ...piece,
  underlays: [...piece.underlays, underlay],
});

export function updateUnderlay(piece: Piece, id: string, change: Partial<Underlay>): Piece {
  return {
    ...piece,
    underlays: piece.underlays.map((underlay) =>
      underlay.id === id ? { ...underlay, ...change } : underlay,
    ),
  };
}

export const removeUnderlay = (piece: Piece, id: string): Piece => ({
  ...piece,
  underlays: piece.underlays.filter((underlay) => underlay.id !== id),
});

/** Where a picture lies that fills as much of the piece as it can without being cut. */
export function fittedUnderlay(
  size: Piece['size'],
  picture: { width: number; height: number },
): Pick<Underlay, 'x' | 'y' | 'scale'> {
  const scale = Math.min(size.width / picture.width, size.height / picture.height);
  return {
    scale,
    x: (size.width - picture.width * scale) / 2,
    y: (size.height - picture.height * scale) / 2,
  };
}
