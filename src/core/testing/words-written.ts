import type { Lettering } from '../document';
import { commandsBounds, measurePath, pointAtLength, type PathCommand, type Point } from '../geometry';
import { letterOutlines } from '../document';
import type { TracedStroke } from '../trace';
import { keepsRule } from './hand-rules';

/** What is known of a face: heights of its small letters and capitals in ems, and its slant. */
export interface FaceMeasures {
  readonly small: number;
  readonly capital: number;
  /** How far it leans to the right for each unit up. */
  readonly slant: number;
}

/** What a word's strokes break of the rules of a hand. */
export interface WordJudged {
  /** Letters that have no stroke of their own. */
  readonly bare: readonly string[];
  /** Letters written otherwise than a hand does. */
  readonly otherwise: readonly string[];
  /** Letters begun before the one before them was done, dots and bars apart. */
  readonly early: readonly string[];
  /** Times the pen is lifted within and between letters of a word, dots and bars apart. */
  readonly lifts: number;
  readonly letters: number;
}

const APART = 1.5;
/** Small letters of which a bar or dot may wait until the word is written; accented letters may wait with their accents. */
const WITH_MARKS = 'ijtf';

/** Whether letters may bear a mark, told by the letter and not by what tracing took for one. */
const bearsMark = (letter: string): boolean =>
  WITH_MARKS.includes(letter) || letter.normalize('NFD').length > 1;

function placesOf({ path }: TracedStroke): Point[] {
  const m = measurePath(path);
  const count = Math.max(1, Math.ceil(m.length / APART));
  return Array.from({ length: count + 1 }, (_, i) => pointAtLength(m, (m.length * i) / count));
}

/** Judges the strokes of a text of one word by the rules of a hand. */
export function judgeWord(
  layer: Lettering,
  strokes: readonly TracedStroke[],
  face: FaceMeasures,
): WordJudged {
  const { setting, set } = layer;
  const outlines: PathCommand[][] = letterOutlines(layer);
  const bare: string[] = [];
  const otherwise: string[] = [];
  const early: string[] = [];
  let done = -1;
  let letters = 0;
  const letterOf = ({ glyph }: TracedStroke): string =>
    String.fromCodePoint(setting.text.codePointAt(set.glyphs[glyph!]!.cluster) ?? 0x20);
  const body = (stroke: TracedStroke) => !(stroke.written?.isMark && bearsMark(letterOf(stroke)));
  set.glyphs.forEach((glyph, g) => {
    const letter = String.fromCodePoint(setting.text.codePointAt(glyph.cluster) ?? 0x20);
    const box = commandsBounds(outlines[g]!);
    if (!box || letter.trim() === '') return;
    letters++;
    const own = strokes.filter((stroke) => stroke.glyph === g);
    if (own.length === 0) {
      bare.push(letter);
      return;
    }
    const first = strokes.findIndex((stroke) => stroke.glyph === g && body(stroke));
    // Without a body a letter is all marks: something of it was taken for a dot that is none.
    if (first < done) early.push(letter);
    done = Math.max(
      done,
      strokes.findLastIndex((stroke) => stroke.glyph === g && body(stroke)),
    );
    const isTall = letter !== letter.toLowerCase();
    // Figures are as high as they are: some stand like small letters.
    const height = /\d/.test(letter)
      ? box.bottom - box.top
      : setting.size * (isTall ? face.capital : face.small);
    const base = layer.y + glyph.y;
    const upright = (p: Point): Point => ({ x: p.x + face.slant * (p.y - base), y: base - p.y });
    const places = own.map((stroke) => placesOf(stroke).map(upright));
    const all = places.flat();
    const [left, right] = [Math.min(...all.map((p) => p.x)), Math.max(...all.map((p) => p.x))];
    const wide = Math.max(right - left, 0.3 * height);
    const middle = (left + right) / 2;
    const written = places.map((way) =>
      way.map((p) => ({ x: (p.x - middle) / wide + 0.5, y: p.y / height })),
    );
    if (keepsRule(letter, written) === false) otherwise.push(letter);
  });
  const bodies = strokes.filter(body);
  const lifts = bodies.filter((stroke, i) => {
    if (i === 0) return false;
    const before = bodies[i - 1]!;
    const [p, q] = [before.path.points.at(-1)!, stroke.path.points[0]!];
    return (
      before.path.closed || Math.hypot(p.x - q.x, p.y - q.y) > 0.6 * Math.max(before.width, stroke.width)
    );
  }).length;
  return { bare, otherwise, early, lifts, letters };
}
