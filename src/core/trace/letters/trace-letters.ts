import { glyphMatrices, type Lettering } from '../../document';
import { isJoinedScript, matchForms, type Form, type LetterLine } from '../../ductus';
import {
  lengthAtPlace,
  measurePath,
  nearestPlace,
  pointAtLength,
  transformPath,
  translation,
  type Matrix,
} from '../../geometry';
import { widthShareAt } from '../../ink';
import type { MakeCanvas } from '../../paint';
import { artItems, partItems, unhidden } from '../../scene';
import { handWays, turnedRound } from '../hands';
import { inkOfShapes, inPiece, traceScale, type InkSource, type TraceOptions } from '../ink';
import { centreLines, type TracedStroke, type TraceProgress } from '../lines';
import { asOne, between, directionOf, wayOn, writingOrder, type WritingDirection } from '../order';
import { formsOfGlyph, type ChosenForms } from './forms-of-glyph';
import { lettersIn, type Letter } from './letters-in';

/** Letters less like any form than this are written as ink that nothing is known of. */
const UNLIKE = 0.3;
/** So many of a text's letters must be known for it to be traced letter by letter. */
const KNOWN = 0.6;
/** So many of a text's neighbours must touch as a hand joins them for the text to be joined. */
const JOINED = 0.5;
/** A pen goes back over ink for so many sizes of the text at the most. */
const BACK = 1.6;
/** In letters that are not joined, within a movement, only so far. */
const BACK_IN_PRINT = 0.4;
/** And on its way into a letter, where ink is not yet written, only so far. */
const IN = 0.4;

/** Whether enough of a text's letters are known to trace it letter by letter. */
export function knowsLetters(layer: Lettering): boolean {
  const letters = lettersIn(layer).filter(({ text }) => text !== '');
  return (
    letters.length > 0 &&
    letters.filter((letter) => formsOfGlyph(letter, undefined).length > 0).length >= KNOWN * letters.length
  );
}

/** The strokes of one letter in their order. */
function strokesOfLetter(
  source: InkSource,
  scale: number,
  forms: readonly Form[],
  chosen: string | undefined,
  options: TraceOptions,
): TracedStroke[] {
  const ductus = (lines: readonly LetterLine[]) => {
    const match = matchForms(forms, lines);
    // What a person chose is followed however unlike it the letter is.
    return match && (match.form.name === chosen || match.cost < UNLIKE) ? match : null;
  };
  const found = centreLines(source.mask(scale), options, () => true, ductus) ?? [];
  const placed = found.map((stroke) => inPiece(stroke, source, scale));
  if (placed.every((stroke) => stroke.written)) {
    const key = ({ written }: TracedStroke) => written!.movement + Math.min(0.999, written!.from);
    return placed.sort((a, b) => key(a) - key(b));
  }
  const turned = placed.flatMap((stroke) => handWays(stroke, options.direction));
  return writingOrder(turned, { ...options, marks: 'at once' }).map((i) => turned[i]!);
}

/** A stroke whose end was taken to the edge of the ink, square, as it is where the pen goes on: there it is round. */
function roundAtEnd<T extends TracedStroke>(stroke: T): T {
  const { length } = measurePath(stroke.path);
  const reach = (stroke.width * (stroke.widths?.at(-1)?.scale ?? 1)) / 2;
  if (stroke.endCap !== 'flat' || !stroke.freeEnd || length <= 2 * reach) return stroke;
  return { ...stroke, ...between(stroke, 0, length - reach), endCap: 'round' };
}
const roundAtStart = (stroke: TracedStroke): TracedStroke => turnedRound(roundAtEnd(turnedRound(stroke)));

/**
 * The strokes of a letter, those between which the pen is not lifted as one: within a movement it never is, and where letters are
 * joined it also goes on to some others.
 */
function runOnWithin(strokes: readonly TracedStroke[], size: number, isJoined: boolean): TracedStroke[] {
  const out: TracedStroke[] = [];
  const back = (isJoined ? BACK : BACK_IN_PRINT) * size;
  for (const stroke of strokes) {
    const before = out.at(-1);
    const goesOn =
      before?.written &&
      stroke.written &&
      ((isJoined && stroke.written.runsOn) || stroke.written.movement === before.written.movement);
    const [end, start] = goesOn ? [roundAtEnd(before), roundAtStart(stroke)] : [null, null];
    const way = end && start ? wayOn(end, start, { back, ahead: back, both: isJoined }) : null;
    if (!end || !start || !way) out.push(stroke);
    else {
      const { freeStart, cap, written } = end;
      out[out.length - 1] = asOne([end, ...way, start], {
        ...start,
        cap,
        freeStart,
        ...(written && { written }),
      });
    }
  }
  return out;
}

/** Whether a pen that comes to the end of a stroke goes on along the writing. */
function goesForward({ path }: TracedStroke, direction: WritingDirection): boolean {
  const m = measurePath(path);
  const [p, q] = [pointAtLength(m, 0.9 * m.length), pointAtLength(m, m.length)];
  const sign = direction === 'left to right' ? 1 : -1;
  return sign * (q.x - p.x) > 0.4 * Math.hypot(q.x - p.x, q.y - p.y);
}

const isBody = ({ written }: TracedStroke): boolean => !written?.isMark && !written?.isHeadLine;

/** The strokes of what one glyph shows; what is known to be marks is, whatever they look like. */
function strokesOfGlyph(
  letter: Letter,
  source: InkSource,
  scale: number,
  ductus: ChosenForms,
  options: TraceOptions,
): TracedStroke[] {
  const forms = formsOfGlyph(letter, ductus);
  const found = strokesOfLetter(source, scale, forms, ductus?.[letter.text.normalize('NFC')], options);
  if (letter.part !== 'marks') return found;
  return found.map((stroke, i) => ({
    ...stroke,
    written: stroke.written ?? { movement: i, from: 0, isMark: true, isHeadLine: false, runsOn: false },
  }));
}

/** The strokes of each letter of a text, in the order in which the letters are read; letters that look the same are looked at once. */
function strokesOfLetters(
  layer: Lettering,
  letters: readonly Letter[],
  scale: number,
  options: TraceOptions,
  make: MakeCanvas,
  progress: TraceProgress,
): TracedStroke[][] | null {
  const parts = partItems(unhidden(layer));
  const matrices = glyphMatrices(layer);
  const known = new Map<string, { strokes: TracedStroke[]; x: number; y: number }>();
  const traced: TracedStroke[][] = [];
  for (const [i, letter] of letters.entries()) {
    if (!progress(i / letters.length)) return null;
    const { text, glyph, part, position } = letter;
    const { outline } = layer.set.glyphs[glyph]!;
    const [a, b, c, d, x, y] = matrices[glyph]!;
    const key = [outline, text, part, position, a, b, c, d].join(' ');
    const same = known.get(key);
    if (same) {
      const move: Matrix = translation(x - same.x, y - same.y);
      traced.push(
        same.strokes.map((stroke) => ({ ...stroke, path: transformPath(stroke.path, move), glyph })),
      );
      continue;
    }
    const source = inkOfShapes(parts[glyph] ?? [], make);
    const own = { ...options, direction: directionOf(text) ?? options.direction };
    const found = source ? strokesOfGlyph(letter, source, scale, layer.setting.ductus, own) : [];
    const strokes = found.map((stroke) => ({ ...stroke, glyph }));
    known.set(key, { strokes, x, y });
    traced.push(strokes);
  }
  return traced;
}

/**
 * Traces a text letter by letter: each letter's ink by itself, so that every letter has strokes of its own whatever touches
 * it, written as a hand writes that letter. Where letters are joined, each goes on from where the one before it ended. Dots and
 * bars may wait until their word is written, and its head-line always does.
 * @returns null when `progress` stopped it, or where there is no ink.
 */
export function traceLetters(
  layer: Lettering,
  options: TraceOptions,
  make: MakeCanvas,
  progress: TraceProgress = () => true,
): TracedStroke[] | null {
  const whole = inkOfShapes(artItems(unhidden(layer)), make);
  if (!whole) return null;
  const letters = lettersIn(layer);
  const { size, text } = layer.setting;
  const direction = directionOf(text) ?? options.direction;
  const traced = strokesOfLetters(
    layer,
    letters,
    traceScale(whole),
    { ...options, direction },
    make,
    progress,
  );
  if (!traced) return null;
  const isLifted = options.lifts !== 'fewest';
  const byHand = !isLifted && areJoined(letters, traced, direction);
  const joined = letters.map((letter) => !isLifted && (byHand || isJoinedScript(letter.text)));
  const run = traced.map((strokes, i) => (isLifted ? strokes : runOnWithin(strokes, size, joined[i]!)));
  const out: TracedStroke[] = [];
  let marks: TracedStroke[] = [];
  let headLines: TracedStroke[] = [];
  let before: TracedStroke | null = null;
  run.forEach((strokes, i) => {
    const [letter, previous] = [letters[i]!, letters[i - 1]];
    if (previous?.word !== letter.word) {
      out.push(...marks, ...headLines);
      [marks, headLines, before] = [[], [], null];
    }
    const [first, ...rest] = strokes;
    const way =
      before && first && isBody(first) && joined[i] && isJoinedTo(letter)
        ? wayOn(before, first, { back: IN * size, ahead: IN * size, both: false })
        : null;
    const all = way ? [ledIn(before!, way, first!), ...rest] : strokes;
    const waits = ({ written }: TracedStroke): boolean =>
      written?.isMark === true && options.marks === 'after the word';
    out.push(...all.filter((stroke) => !waits(stroke) && !stroke.written?.isHeadLine));
    marks.push(...all.filter(waits));
    headLines.push(...all.filter((stroke) => stroke.written?.isHeadLine));
    // Of a letter set by several glyphs the last may be its dots alone.
    before = all.filter(isBody).at(-1) ?? before;
  });
  out.push(...marks, ...headLines);
  return progress(1) ? out : null;
}

/** Whether a letter may be joined to the one before it: by the rules of its script, where it has such. */
const isJoinedTo = ({ text, position }: Letter): boolean =>
  !isJoinedScript(text) || position === 'medial' || position === 'final';

/** A stroke begun where the one before it ended. */
function ledIn(
  before: TracedStroke,
  way: Exclude<ReturnType<typeof wayOn>, null>,
  stroke: TracedStroke,
): TracedStroke {
  const end = before.path.points.at(-1)!;
  const at = {
    closed: false,
    points: [{ ...end, in: { x: 0, y: 0 }, out: { x: 0, y: 0 }, kind: 'corner' as const }],
  };
  return asOne(
    [{ path: at, width: stroke.width, widths: stroke.widths && startWidth(stroke) }, ...way, stroke],
    stroke,
  );
}

const startWidth = ({ widths }: TracedStroke) => [{ at: 0, scale: widths![0]?.scale ?? 1 }];

/** Whether a hand joined the letters of a text: most end going forward in the ink of the next. */
function areJoined(
  letters: readonly Letter[],
  traced: readonly (readonly TracedStroke[])[],
  direction: WritingDirection,
): boolean {
  let [pairs, touching] = [0, 0];
  for (let i = 1; i < letters.length; i++) {
    if (letters[i]!.word !== letters[i - 1]!.word) continue;
    const before = traced[i - 1]!.filter(isBody);
    const next = traced[i]!.filter(isBody);
    if (before.length === 0 || next.length === 0) continue;
    pairs++;
    const meets = before.some(
      (a) => a.kind === 'line' && goesForward(a, direction) && next.some((b) => touchesEnd(a, b)),
    );
    if (meets) touching++;
  }
  return pairs > 0 && touching >= JOINED * pairs;
}

/** How far the ink of a stroke reaches from its line, shares of its width, where another one ends in it. */
const REACH = 0.6;

const widthAt = ({ width, widths }: TracedStroke, share: number): number =>
  width * (widths ? widthShareAt(widths, share) : 1);

/** Whether a stroke ends in the ink of another, by the widths both have there: a thin serif beside a stem does not. */
function touchesEnd(a: TracedStroke, b: TracedStroke): boolean {
  const ends = widthAt(a, 1);
  const place = nearestPlace(b.path, a.path.points.at(-1)!);
  if (!place) return false;
  const m = measurePath(b.path);
  const meets = widthAt(b, m.length > 0 ? lengthAtPlace(m, place) / m.length : 0);
  // A round end reaches half its width further than its line.
  return place.distance < REACH * (ends + meets) - (a.endCap === 'flat' ? ends / 2 : 0);
}
