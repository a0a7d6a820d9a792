import { kindOf } from '../kinds';
import { layersOf } from '../parts';
import { cutName, DEFAULT_INK, mannerOf, partWithId, type Ink, type Piece } from '../schema';
import { surround, type Surround } from './fit';
import { groupLayers } from './groups';
import { applyManner } from './manner';
import { setBlend } from './place';

/** Frames in which a rule or a slice is drawn on, and between the beginnings of two slices. */
const FRAMES = 12;
const APART = 2;
/** A box is minium at first: text, mostly light, is read on it and is cut out of it. */
const BOX = '#ff6b3d';

/** How something round a text is drawn: where slices run, where a rule grows from, and the frame it begins at. */
interface Drawing {
  readonly way: 'down' | 'up' | 'right' | 'left';
  readonly from: 'start' | 'middle' | 'end';
  readonly frame: number;
}

/**
 * Draws a rule, a border or a box round a layer or group, in the colour of what it is round, and lets it write itself on, slice
 * after slice.
 * @param ids of the strokes to be made: one, or as many as there are slices.
 */
export function drawRound(
  piece: Piece,
  id: string,
  as: Surround,
  ids: readonly string[],
  { way, from, frame }: Drawing,
): Piece {
  const to = partWithId(piece, id);
  if (!to) return piece;
  const own = 'type' in to ? kindOf(to).ownColour(to) : null;
  const ink: Ink = {
    ...DEFAULT_INK,
    cap: 'flat',
    join: 'miter',
    colour: as === 'slice' ? BOX : (own ?? DEFAULT_INK.colour),
    width: Math.max(2, Math.round(piece.size.height / 180)),
  };
  const manner = mannerOf({ kind: 'on', from: as === 'slice' ? 'start' : from, onFrames: FRAMES });
  return ids.reduce(
    (drawn, one, i) => applyManner(drawn, [one], { ...manner, onAt: frame + i * APART }, 'Drawn on'),
    surround(piece, to, as, ids, ink, { way }),
  );
}

/** Knocks a layer or group out of a box that was drawn round it: both become a group of their own. */
export function knockOut(piece: Piece, id: string, box: readonly string[], group: string): Piece {
  const name = cutName(`${partWithId(piece, id)?.name ?? 'Text'}, boxed`);
  return setBlend(groupLayers(piece, [...box, ...layersOf(piece, id)], { id: group, name }), [id], 'xor');
}
