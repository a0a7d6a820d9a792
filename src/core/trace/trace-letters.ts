import { formsOf, matchForms, type Form, type LetterLine } from '../ductus';
import { glyphMatrices, type Lettering } from '../document';
import {
  measurePath,
  nearestPlace,
  pointAtLength,
  transformPath,
  translation,
  type Matrix,
} from '../geometry';
import type { MakeCanvas } from '../paint';
import { artItems, partItems, unhidden } from '../scene';
import { centreLines, type TracedStroke, type TraceProgress } from './centre-lines';
import { inkOfShapes } from './ink-of-shapes';
import { asOne, wayOn } from './run-on';
import { handWays } from './hand-ways';
import { inPiece, traceScale, type InkSource, type TraceOptions } from './trace-ink';
import { writingOrder } from './order';

/** A letter of a text: its sign or signs, and the glyph that shows it. */
interface Letter {
  readonly text: string;
  readonly glyph: number;
  /** Which word of the text it is in. */
  readonly word: number;
}

/** Letters less like any form than this are written as ink that nothing is known of. */
const UNLIKE = 0.3;
/** So many of a text's letters must be known for it to be traced letter by letter. */
const KNOWN = 0.6;
/** So many of a text's neighbours must touch as a hand joins them for the text to be joined. */
const JOINED = 0.5;
/** A pen goes back over ink for so many sizes of the text at the most. */
const BACK = 1.6;
/** And on its way into a letter, where ink is not yet written, only so far. */
const IN = 0.4;

/** The letters of a text in the order in which they are read. */
function lettersIn({ setting: { text }, set }: Lettering): Letter[] {
  const clusters = [...new Set(set.glyphs.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  const next = new Map(clusters.map((cluster, i) => [cluster, clusters[i + 1] ?? text.length]));
  return set.glyphs
    .map(({ cluster }, glyph): Letter => {
      const own = text.slice(cluster, next.get(cluster)).trim();
      const word = text.slice(0, cluster).split(/\s+/).length;
      return { text: own, glyph, word };
    })
    .sort((a, b) => set.glyphs[a.glyph]!.cluster - set.glyphs[b.glyph]!.cluster || a.glyph - b.glyph);
}

/** So many forms of each letter that is joined with others in one glyph. */
const FORMS_OF_EACH = 4;

/** How a person wants letters to be written: the name of a form for each that was chosen. */
type ChosenForms = Lettering['setting']['ductus'];

/** The form that was chosen for a letter, or all it may have. */
function formsFor(letter: string, chosen: ChosenForms): readonly Form[] {
  const forms = formsOf(letter);
  const form = forms.find(({ name }) => name === chosen?.[letter.normalize('NFC')]);
  return form ? [form] : forms;
}

/** The forms of what one glyph shows: of a letter, or of letters joined in one (fi) side by side. */
function formsOfGlyph(text: string, chosen: ChosenForms): readonly Form[] {
  const known = formsFor(text, chosen);
  const parts = [...text.normalize('NFC')];
  if (known.length > 0 || parts.length < 2) return known;
  return parts
    .map((letter) => formsFor(letter, chosen).slice(0, FORMS_OF_EACH))
    .reduce<readonly Form[]>((all, each, i) => {
      const besides = (form: Form): Form['movements'] =>
        form.movements.map((movement) => ({
          ...movement,
          way: movement.way.map(({ x, y }) => ({ x: (i * 1.25 + x) / parts.length, y })),
        }));
      if (i === 0) return each.map((form) => ({ ...form, movements: besides(form) }));
      return all.flatMap((before) =>
        each.map((form) => ({
          name: `${before.name}; ${form.name}`,
          isFlourish: before.isFlourish || form.isFlourish,
          movements: [...before.movements, ...besides(form)],
        })),
      );
    }, []);
}

/** Whether enough of a text's letters are known to trace it letter by letter. */
export function knowsLetters(layer: Lettering): boolean {
  const letters = lettersIn(layer).filter(({ text }) => text !== '');
  return (
    letters.length > 0 &&
    letters.filter(({ text }) => formsOfGlyph(text, undefined).length > 0).length >= KNOWN * letters.length
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

/** Movements of one letter between which the pen is not lifted, as one stroke. */
function runOnWithin(strokes: readonly TracedStroke[], size: number): TracedStroke[] {
  const out: TracedStroke[] = [];
  for (const stroke of strokes) {
    const before = out.at(-1);
    // No hand lifts the pen within a movement.
    const goesOn =
      before?.written &&
      stroke.written &&
      (stroke.written.runsOn || stroke.written.movement === before.written.movement);
    const way = goesOn ? wayOn(before, stroke, { back: BACK * size, ahead: BACK * size }) : null;
    if (!before || !way) out.push(stroke);
    else {
      const { freeStart, written } = before;
      out[out.length - 1] = asOne([before, ...way, stroke], {
        ...stroke,
        freeStart,
        ...(written && { written }),
      });
    }
  }
  return out;
}

/** Whether a pen that comes to the end of a stroke goes on along the writing. */
function goesForward({ path }: TracedStroke, sign: number): boolean {
  const m = measurePath(path);
  const [p, q] = [pointAtLength(m, 0.9 * m.length), pointAtLength(m, m.length)];
  return sign * (q.x - p.x) > 0.4 * Math.hypot(q.x - p.x, q.y - p.y);
}

const isBody = ({ written }: TracedStroke): boolean => !written?.isMark;

/**
 * Traces a text letter by letter: each letter's ink by itself, so that every letter has strokes of its own whatever touches
 * it, written as a hand writes that letter. Where letters are joined, each goes on from where the one before it ended.
 * @returns null when `progress` stopped it, or where there is no ink.
 */
export function traceLetters(
  layer: Lettering,
  options: TraceOptions,
  make: MakeCanvas,
  progress: TraceProgress = () => true,
): TracedStroke[] | null {
  const shown = unhidden(layer);
  const whole = inkOfShapes(artItems(shown), make);
  if (!whole) return null;
  const scale = traceScale(whole);
  const parts = partItems(shown);
  const letters = lettersIn(layer);
  const { size, ductus } = layer.setting;
  const matrices = glyphMatrices(layer);
  const known = new Map<string, { strokes: TracedStroke[]; x: number; y: number }>();
  const traced: TracedStroke[][] = [];
  for (const [i, { text, glyph }] of letters.entries()) {
    if (!progress(i / letters.length)) return null;
    const { outline } = layer.set.glyphs[glyph]!;
    const [a, b, c, d, x, y] = matrices[glyph]!;
    const key = [outline, text, a, b, c, d].join(' ');
    const same = known.get(key);
    if (same) {
      const move: Matrix = translation(x - same.x, y - same.y);
      traced.push(
        same.strokes.map((stroke) => ({ ...stroke, path: transformPath(stroke.path, move), glyph })),
      );
      continue;
    }
    const source = inkOfShapes(parts[glyph] ?? [], make);
    const strokes = source
      ? strokesOfLetter(
          source,
          scale,
          formsOfGlyph(text, ductus),
          ductus?.[text.normalize('NFC')],
          options,
        ).map((stroke) => ({
          ...stroke,
          glyph,
        }))
      : [];
    known.set(key, { strokes, x, y });
    traced.push(strokes);
  }
  const sign = options.direction === 'left to right' ? 1 : -1;
  const joined = options.lifts === 'fewest' && areJoined(letters, traced, sign);
  const run = joined ? traced.map((strokes) => runOnWithin(strokes, size)) : traced;
  const out: TracedStroke[] = [];
  let waiting: TracedStroke[] = [];
  let word = letters[0]?.word;
  run.forEach((strokes, i) => {
    const letter = letters[i]!;
    if (letter.word !== word) {
      out.push(...waiting);
      waiting = [];
      word = letter.word;
    }
    const before = i > 0 && letters[i - 1]!.word === letter.word ? run[i - 1]!.filter(isBody).at(-1) : null;
    const [first, ...rest] = strokes;
    const way =
      joined && before && first && isBody(first)
        ? wayOn(before, first, { back: IN * size, ahead: IN * size })
        : null;
    const all = way ? [ledIn(before!, way, first!), ...rest] : strokes;
    out.push(...all.filter((stroke) => isBody(stroke) || options.marks === 'at once'));
    waiting.push(...all.filter((stroke) => !isBody(stroke) && options.marks === 'after the word'));
  });
  out.push(...waiting);
  return progress(1) ? out : null;
}

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
  sign: number,
): boolean {
  let [pairs, touching] = [0, 0];
  for (let i = 1; i < letters.length; i++) {
    if (letters[i]!.word !== letters[i - 1]!.word) continue;
    const before = traced[i - 1]!.filter(isBody);
    const next = traced[i]!.filter(isBody);
    if (before.length === 0 || next.length === 0) continue;
    pairs++;
    const meets = before.some(
      (a) => a.kind === 'line' && goesForward(a, sign) && next.some((b) => touchesEnd(a, b)),
    );
    if (meets) touching++;
  }
  return pairs > 0 && touching >= JOINED * pairs;
}

/** How far the ink of a stroke reaches from its line, shares of its width, where another one ends in it. */
const REACH = 0.6;

/** Whether a stroke ends in the ink of another, by the width it has at its end: a thin serif beside a stem does not. */
function touchesEnd(a: TracedStroke, b: TracedStroke): boolean {
  const ends = a.width * (a.widths?.at(-1)?.scale ?? 1);
  return (nearestPlace(b.path, a.path.points.at(-1)!)?.distance ?? Infinity) < REACH * (ends + b.width);
}
