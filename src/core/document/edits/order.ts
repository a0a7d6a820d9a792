import { keyedSpan } from '../keys';
import { cutName, strokesOf, type Piece, type Stroke } from '../schema';
import { shiftStrokes } from './keys';

/**
 * Lets timing follow a change of the writing order: where strokes changed places, the first of them now starts when
 * the first did before, the next when the next did, and so on; how long each takes stays its own.
 */
export function withTimingCarried(before: Piece, after: Piece): Piece {
  const [old, now] = [strokesOf(before), strokesOf(after)];
  if (old.length !== now.length) return after;
  const moved = now.map((stroke, i) => stroke.id !== old[i]!.id);
  const [first, last] = [moved.indexOf(true), moved.lastIndexOf(true)];
  if (first === -1) return after;
  const starts = old.slice(first, last + 1).flatMap((stroke) => keyedSpan(stroke)?.first ?? []);
  const keyed = now.slice(first, last + 1).filter((stroke) => keyedSpan(stroke) !== null);
  return keyed.reduce(
    (piece, stroke, k) => shiftStrokes(piece, [stroke.id], starts[k]! - keyedSpan(stroke)!.first),
    after,
  );
}

/** Puts strokes into a sequence, in the places that they hold together now; other layers stay where they are. */
export function inSequence(piece: Piece, ids: readonly string[]): Piece {
  const queue = ids.flatMap((id): Stroke[] => strokesOf(piece).filter((stroke) => stroke.id === id));
  const taking = new Set(queue.map((stroke) => stroke.id));
  let next = 0;
  const layers = piece.layers.map((layer) => (taking.has(layer.id) ? queue[next++]! : layer));
  return withTimingCarried(piece, { ...piece, layers });
}

/** Names strokes anew from a pattern, in writing order: `#` is the number, `##` one of two digits, and so on. */
export function renameStrokes(piece: Piece, ids: readonly string[], pattern: string, from = 1): Piece {
  let n = from;
  return {
    ...piece,
    layers: piece.layers.map((layer) => {
      if (layer.type !== 'stroke' || !ids.includes(layer.id)) return layer;
      const number = n++;
      const name = /#/.test(pattern)
        ? pattern.replace(/#+/g, (marks) => String(number).padStart(marks.length, '0'))
        : `${pattern} ${number}`;
      return { ...layer, name: cutName(name, undefined, layer.name) };
    }),
  };
}
