import {
  glyphMatrices,
  isCorrected,
  markOf,
  onSpan,
  strokesOf,
  updateStrokes,
  withOnSpan,
  writeInSequence,
  type Lettering,
  type Piece,
  type Stroke,
} from '../../document';
import {
  compose,
  IDENTITY,
  inverse,
  measurePath,
  scaling,
  transformPath,
  translation,
  type Matrix,
} from '../../geometry';
import { ownersIn } from '../../scene';

/** Which letters of a text are still there in another: pairs of places, as many as can be in order. */
function lettersKept(before: readonly string[], now: readonly string[]): [number, number][] {
  const table = Array.from({ length: before.length + 1 }, () => new Uint16Array(now.length + 1));
  for (let i = before.length - 1; i >= 0; i--) {
    for (let j = now.length - 1; j >= 0; j--) {
      table[i]![j] =
        before[i] === now[j] ? table[i + 1]![j + 1]! + 1 : Math.max(table[i + 1]![j]!, table[i]![j + 1]!);
    }
  }
  const pairs: [number, number][] = [];
  for (let i = 0, j = 0; i < before.length && j < now.length;) {
    if (before[i] === now[j]) pairs.push([i++, j++]);
    else if (table[i + 1]![j]! >= table[i]![j + 1]!) i++;
    else j++;
  }
  return pairs;
}

/** The letters of a text, each with the form in which it is written where that was chosen: another form is another letter. */
const lettersOf = ({ setting, set }: Lettering): string[] =>
  set.glyphs.map(({ cluster }) => {
    const letter = String.fromCodePoint(setting.text.codePointAt(cluster) ?? 0x20);
    return `${letter} ${setting.ductus?.[letter] ?? ''}`;
  });

/** A stroke as if no hand had corrected it: found anew, it may change or go. */
export const uncorrected = (stroke: Stroke): Stroke =>
  stroke.traced ? { ...stroke, traced: { ...stroke.traced, mark: markOf(stroke.path) } } : stroke;

/** How many of the letters of two settings are in both, in order, as a share of the longer one. */
export function lettersThatStay(before: Lettering, now: Lettering): number {
  const [a, b] = [lettersOf(before), lettersOf(now)];
  return lettersKept(a, b).length / Math.max(1, a.length, b.length);
}

/** What leads from where a letter stood to where it stands now; exact where it was only moved and scaled. */
function movedFrom(was: Matrix, is: Matrix): Matrix {
  const upright = ([a, b, c, d]: Matrix): boolean => b === 0 && c === 0 && a === d && a !== 0;
  if (upright(was) && upright(is))
    return compose(
      translation(is[4], is[5]),
      compose(scaling(is[0] / was[0]), translation(-was[4], -was[5])),
    );
  const back = inverse(was);
  return back ? compose(is, back) : IDENTITY;
}

/**
 * Strokes traced from lettering, moved and scaled along with the letters they belong to, where those are still there after
 * the text, the face or the size was changed. A new trace then finds them in their new places.
 */
export function withLettersMoved(piece: Piece, before: Lettering, now: Lettering): Piece {
  const strokes = strokesOf(piece).filter((stroke) => stroke.traced?.from === now.id);
  const owners = ownersIn(before, strokes);
  const to = new Map(lettersKept(lettersOf(before), lettersOf(now)));
  const [was, is] = [glyphMatrices(before), glyphMatrices(now)];
  return strokes.reduce((result, stroke, i) => {
    const letter = owners.findIndex((of, glyph) => of.includes(i) && to.has(glyph));
    // Corrections of a letter that is gone are corrections of nothing.
    if (letter < 0)
      return updateStrokes(result, [stroke.id], (s) => {
        const { from, mark } = uncorrected(s).traced!;
        return { ...s, traced: { from, mark } };
      });
    const move = movedFrom(was[letter]!, is[to.get(letter)!]!);
    return updateStrokes(result, [stroke.id], (s) => {
      const path = transformPath(s.path, move);
      const known = s.traced!.glyph !== undefined && { glyph: to.get(letter)! };
      const mark = isCorrected(s) ? s.traced!.mark : markOf(path);
      return { ...s, path, traced: { from: now.id, mark, ...known } };
    });
  }, piece);
}

/** Frames by which a stroke sets out before the one before it has arrived. */
const LAP = 2;
const LEAST_FRAMES = 3;

/**
 * Gives strokes that have no timing yet theirs among the others: each begins as the one before it arrives, at the others'
 * usual speed, and leaves as its neighbour does. Where none has timing they are written one after another.
 */
export function timedAmongOthers(piece: Piece, ids: readonly string[], first: number, last: number): Piece {
  const own = (p: Piece) => strokesOf(p).filter((stroke) => ids.includes(stroke.id));
  const timed = own(piece).filter((stroke) => onSpan(stroke));
  if (timed.length === 0) return writeInSequence(piece, ids, first, last);
  const speeds = timed.map((stroke) => {
    const { from, to } = onSpan(stroke)!;
    return measurePath(stroke.path).length / Math.max(1, to - from);
  });
  const speed = Math.max(1, speeds.sort((a, b) => a - b)[speeds.length >> 1]!);
  return own(piece).reduce((result, { id }) => {
    const now = own(result);
    const at = now.findIndex((stroke) => stroke.id === id);
    const stroke = now[at]!;
    if (onSpan(stroke)) return result;
    const before = now.slice(0, at).findLast((other) => onSpan(other));
    const neighbour = before ?? now.slice(at + 1).find((other) => onSpan(other))!;
    const frames = Math.max(LEAST_FRAMES, Math.round(measurePath(stroke.path).length / speed));
    const span = onSpan(neighbour)!;
    const from = before
      ? Math.max(0, Math.round(span.to) - LAP)
      : Math.max(0, Math.round(span.from) - frames + LAP);
    return updateStrokes(result, [id], (s) => {
      const { window, pace, manner } = neighbour;
      const like = { ...s, window, ...(pace && { pace }), ...(manner && { manner }) };
      return withOnSpan(like, { from, to: from + frames });
    });
  }, piece);
}
