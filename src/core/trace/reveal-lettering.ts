import {
  fitToCover,
  isFarBeyond,
  lengthenToCover,
  revealThrough,
  setInk,
  setReveal,
  strokesOf,
  updateLayers,
  updateStrokes,
  type Art,
  type Lettering,
  type Piece,
  type Stroke,
} from '../document';
import { mapValues } from '../timing';
import { coverage, type Coverage } from './coverage';
import type { Covered } from './coverage';

/** As much of the art as counts as all of it. */
const ALL = 0.9999;
/** So often strokes are widened and lengthened before what is left is left. */
const ROUNDS = 5;
/** Px that a stroke that uncovers is wider than the widest of the line it follows. */
const SPARE = 1;

/** What is to be uncovered by strokes, each letter by its own where it is confined. */
export type CoveredBy = (strokes: readonly Stroke[]) => Covered | null;

const chosen = (piece: Piece, ids: readonly string[]): Stroke[] =>
  strokesOf(piece).filter((s) => ids.includes(s.id));

/** Px of width that each round of fitting adds. */
const MORE = 0.75;

/** Fits strokes to what they uncover, and lengthens them, until all is uncovered, as far as that goes. */
export function untilCovered(
  piece: Piece,
  ids: readonly string[],
  of: CoveredBy,
): { readonly piece: Piece; readonly coverage: Coverage | null } {
  let now = piece;
  let found: Coverage | null = null;
  for (let round = 0; round <= ROUNDS; round++) {
    const strokes = chosen(now, ids);
    const covered = of(strokes);
    found = covered && coverage(covered, strokes, Math.max(now.length, 1));
    const enough = found && (found.share >= ALL || found.bare.length === 0) && round > 0;
    if (!found || enough || round === ROUNDS) break;
    const far = found.bare.filter((spot) => isFarBeyond(now, spot));
    now = far.length > 0 ? lengthenToCover(now, far) : fitToCover(now, found.needs, SPARE + round * MORE);
  }
  return { piece: now, coverage: found };
}

/**
 * Lets lettering or art be uncovered by the strokes traced from it: each as wide as the widest of its line, round at its
 * ends, made wider and longer until nothing stays bare, and each letter shown only through its own strokes.
 */
export function revealByStrokes(
  piece: Piece,
  layer: Art | Lettering,
  ids: readonly string[],
  of: CoveredBy,
): { readonly piece: Piece; readonly coverage: Coverage | null } {
  const wide = setInk(piece, ids, ({ width, widths }) => {
    const most = widths ? Math.max(...widths.map((w) => w.scale)) : 1;
    return {
      width: mapValues(width, (w) => w * most + SPARE),
      widths: undefined,
      cap: 'round',
      join: 'round',
    };
  });
  const even = updateStrokes(wide, ids, (stroke) => ({ ...stroke, hidden: false }));
  const seen = updateLayers(even, [layer.id], (one) => (one.hidden ? { ...one, hidden: false } : one));
  const revealed = setReveal(seen, [layer.id], revealThrough(ids, { confined: true }));
  return untilCovered(revealed, ids, of);
}
