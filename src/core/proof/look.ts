import { groupsAround, mappedBox, ownBox, widestOf, worldOf, type Layer, type Piece } from '../document';
import { widened, type Bounds } from '../geometry';
import { inkedLength, shownBox } from '../scene';
import { legibility, presence } from './legible';

/** Ends that miss one another by less than this are loose, px; further off they are meant to be apart (our choice). */
export const LOOSE = 10;
/** Among more strokes than this ends are looked for in the Trace step on request: all against all would hold the page up. */
export const MANY = 150;
/** What is no stronger is not seen, of 1. */
const UNSEEN = 0.02;
/** What sticks out by less is not seen, px. */
export const SLIGHT = 0.5;

/** Colours that lie under a box of the picture, as they are seen there; null where nothing is known of them. */
export type Backdrop = (box: Bounds) => readonly string[] | null;

export interface Look {
  readonly piece: Piece;
  readonly frame: number;
  readonly backdrop: Backdrop;
  /** Layers that only others are seen through. */
  readonly through: ReadonlySet<string>;
}

/** Where a layer lies in the picture at a frame, its ink included. */
export function boxAt(piece: Piece, layer: Layer, frame: number): Bounds | null {
  // What repeats or moves it counts as it is seen.
  if ([layer, ...groupsAround(piece, layer)].some((one) => one.effects?.some(({ on }) => on)))
    return shownBox(piece, layer.id, frame);
  const own = ownBox(piece, layer.id, frame);
  if (!own) return null;
  const box = layer.type === 'stroke' ? widened(own, widestOf(layer.ink) / 2) : own;
  return mappedBox(box, worldOf(piece, layer, frame));
}

export const isSeen = ({ piece, frame, through }: Look, layer: Layer): boolean => {
  if (layer.hidden || through.has(layer.id)) return false;
  if (layer.type === 'lettering') return legibility(piece, layer)(frame);
  if (layer.type === 'stroke' && inkedLength(layer, frame) <= 0) return false;
  // Most layers lie plainly in the picture: what they are is there.
  const isPlain = [layer, ...groupsAround(piece, layer)].every((one) => !one.place && !one.effects);
  return isPlain || presence(piece, layer, () => true)(frame) > UNSEEN;
};
