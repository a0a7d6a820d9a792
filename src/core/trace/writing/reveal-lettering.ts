import {
  fitToCover,
  isFarBeyond,
  lengthenToCover,
  revealThrough,
  setInk,
  setReveal,
  strokesOf,
  updateLayers,
  type Piece,
  type Stroke,
} from '../../document';
import { coverage, type Coverage, type Covered } from '../coverage';

/** So often strokes are widened and lengthened before what is left is left. */
const ROUNDS = 7;
/** Px that a stroke that uncovers is wider than what just reaches. */
const SPARE = 1;

/** What is to be uncovered by strokes, each letter by its own where it is confined. */
type CoveredBy = (strokes: readonly Stroke[]) => Covered | null;

const chosen = (piece: Piece, ids: readonly string[]): Stroke[] =>
  strokesOf(piece).filter((s) => ids.includes(s.id));

/** Px of width that each round of fitting adds. */
const MORE = 0.75;

/** Square px that stay bare. */
const bareArea = ({ bare }: Coverage): number => bare.reduce((sum, { area }) => sum + area, 0);

/**
 * Fits strokes to what they uncover, and lengthens them, until all is uncovered, as far as that goes: a stroke that was lengthened is
 * fitted anew, and where the two do not come to rest the round that left least bare is taken.
 */
export function untilCovered(
  piece: Piece,
  ids: readonly string[],
  of: CoveredBy,
): { readonly piece: Piece; readonly coverage: Coverage | null } {
  let now = piece;
  let best: { readonly piece: Piece; readonly coverage: Coverage } | null = null;
  for (let round = 0; round <= ROUNDS; round++) {
    const strokes = chosen(now, ids);
    const covered = of(strokes);
    if (!covered) break;
    const found = coverage(covered, strokes, Math.max(now.length, 1));
    // Of two that leave as much the later one: the first are not fitted yet.
    if (!best || bareArea(found) <= bareArea(best.coverage)) best = { piece: now, coverage: found };
    if (round > 0 && found.bare.length === 0) break;
    // Only what strokes as wide as they must be leave lies beyond their ends.
    const far = round % 2 === 1 ? found.bare.filter((spot) => isFarBeyond(now, spot)) : [];
    now = far.length > 0 ? lengthenToCover(now, far) : fitToCover(now, found.needs, SPARE + round * MORE);
  }
  return best ?? { piece, coverage: null };
}

/**
 * Lets lettering or art be seen through strokes traced from it, each letter only through its own. The strokes are round
 * at their ends; `untilCovered` then makes them as wide as they must be.
 * @param through what it is seen through: the strokes themselves, or a group that holds them.
 */
export function seenThroughStrokes(
  piece: Piece,
  id: string,
  ids: readonly string[],
  through: readonly string[],
): Piece {
  const round = setInk(piece, ids, { cap: 'round', endCap: undefined, join: 'round' });
  const seen = updateLayers(round, [id], (one) => (one.hidden ? { ...one, hidden: false } : one));
  return setReveal(seen, [id], revealThrough(through, { confined: true }));
}
