import { mapValues, type Animated } from '../../timing';
import { sameValue } from '../parts';
import { strokeById, type Count, type Lettering, type Piece, type Stroke } from '../schema';

/** A number as it is counted, to the millionth: shares such as 0.82 give the whole numbers that are meant. */
export const toCount = (value: number): number => Math.round(value * 1e6) / 1e6;

/** What a number is whose stroke has its head so: it has the head's keys, with their easing. */
function counted(stroke: Stroke, { none, all }: NonNullable<Count['follows']>): Animated {
  return mapValues(stroke.window.head, (head) => toCount(none + (all - none) * head));
}

function followed(piece: Piece, text: Lettering): Lettering {
  const { count } = text;
  const stroke = count?.follows && strokeById(piece, count.follows.to);
  if (!count?.follows || !stroke) return text;
  const value = counted(stroke, count.follows);
  return sameValue(value, count.value) ? text : { ...text, count: { ...count, value } };
}

/** The piece with every number that goes with a stroke counting as its head goes; one whose stroke is gone counts as it did. */
export function settleCounts(piece: Piece): Piece {
  let moved = false;
  const layers = piece.layers.map((layer) => {
    const now = layer.type === 'lettering' ? followed(piece, layer) : layer;
    if (now !== layer) moved = true;
    return now;
  });
  return moved ? { ...piece, layers } : piece;
}
