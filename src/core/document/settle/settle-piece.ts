import { settleAxes } from '../at';
import { gathered, settleLines } from '../parts';
import type { Layer, Piece } from '../schema';
import { circlingStrokes } from './circling';
import { settleBetweens } from './settle-betweens';
import { settleCounts } from './settle-counts';
import { settleCues } from './settle-cues';
import { settleFits } from './settle-fits';
import { settleTies } from './settle-ties';

/**
 * One kind of following after another. Whatever follows others in one and the same way is followed to the end of its chain within a
 * pass; where one way leads to another that was settled earlier (a box that keeps to a stroke whose path follows another's), a further
 * pass does.
 */
const onePass = (before: Piece | null, piece: Piece): Piece =>
  settleCounts(
    settleCues(before, settleLines(settleTies(settleBetweens(settleFits(gathered(settleAxes(piece))))))),
  );

/**
 * How often a chain may go from one way of following to another. What still moves after so many passes goes round in a circle that
 * `circlingStrokes` can't see: by way of what carries things.
 */
const MOST_PASSES = 12;

/** A piece with some layers as they are in another; the same object where they are so already. */
function withLayersOf(piece: Piece, other: Piece, ids: ReadonlySet<string>): Piece {
  if (ids.size === 0) return piece;
  const theirs = new Map(other.layers.map((layer) => [layer.id, layer]));
  const layers = piece.layers.map((layer) => (ids.has(layer.id) ? (theirs.get(layer.id) ?? layer) : layer));
  return layers.some((layer, i) => layer !== piece.layers[i]) ? { ...piece, layers } : piece;
}

/** The layers that one piece has otherwise than another. */
function movedLayers(before: Piece, after: Piece): string[] {
  const earlier = new Set<Layer>(before.layers);
  return after.layers.filter((layer) => !earlier.has(layer)).map(({ id }) => id);
}

/**
 * A changed piece in which all that follows something else has followed: groups stand together, fits, lines between two things,
 * ties, lines of strokes, cues and counted numbers hold, and axes without keys stand still. What hangs on itself by way of others
 * (a path that follows a stroke that keeps to its box) stays as it was. A settled piece that is settled once more is the same object.
 * @param before the piece before the change, by which cues tell what was moved by hand; null for none.
 */
export function settlePiece(before: Piece | null, piece: Piece): Piece {
  const circling = circlingStrokes(piece);
  for (;;) {
    let result = piece;
    let moved: string[] = [];
    for (let pass = 0; pass <= MOST_PASSES; pass++) {
      const next = onePass(before, result);
      const held = next === result ? result : withLayersOf(next, piece, circling);
      moved = movedLayers(result, held);
      // Groups may have gone, or layers stand in another order: that is settled within a pass.
      if (moved.length === 0) return held.groups === result.groups && sameOrder(held, result) ? result : held;
      result = held;
    }
    const known = circling.size;
    for (const id of moved) circling.add(id);
    // A document of which two layers have one id is not sound: whoever checks it says so.
    if (circling.size === known) return result;
  }
}

const sameOrder = (a: Piece, b: Piece): boolean =>
  a.layers.length === b.layers.length && a.layers.every((layer, i) => layer === b.layers[i]);
