import type { Lettering } from '../document';
import { commandsBounds, type PathCommand, type Point } from '../geometry';
import { letterOutlines } from '../document';
import type { TracedStroke } from '../trace';
import { keepsRule } from './hand-rules';
import { liftsBetween, placesOf } from './strokes-judged';

/** What is known of a face: heights of its small letters and capitals in ems, and its slant. */
export interface FaceMeasures {
  readonly small: number;
  readonly capital: number;
  /** How far it leans to the right for each unit up. */
  readonly slant: number;
  /** How wide a letter's ink is, in ems. */
  readonly wide: (letter: string) => number;
}

/** What a word's strokes break of the rules of a hand. */
interface WordJudged {
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

/** Small letters of which a bar or dot may wait until the word is written; accented letters may wait with their accents. */
const WITH_MARKS = 'ijtf';

/** Whether letters may bear a mark, told by the letter and not by what tracing took for one. */
const bearsMark = (letter: string): boolean =>
  WITH_MARKS.includes(letter) || letter.normalize('NFD').length > 1;

function sidesOf(ways: readonly (readonly Point[])[]): { left: number; right: number } {
  const all = ways.flat().map(({ x }) => x);
  return { left: Math.min(...all), right: Math.max(...all) };
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
  const clusters = [...new Set(set.glyphs.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  const signsOf = (g: number): string[] => {
    const from = set.glyphs[g]!.cluster;
    return [
      ...setting.text
        .slice(
          from,
          clusters.find((cluster) => cluster > from),
        )
        .normalize('NFC'),
    ];
  };
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
    // Figures are as high as they are: some stand like small letters.
    const heightOf = (one: string): number => {
      if (/\d/.test(one)) return box.bottom - box.top;
      return setting.size * (one === one.toLowerCase() ? face.small : face.capital);
    };
    const base = layer.y + glyph.y;
    const upright = (p: Point): Point => ({ x: p.x + face.slant * (p.y - base), y: base - p.y });
    const ways = own.map((stroke) => placesOf(stroke).map(upright));
    const joined = signsOf(g);
    const { left, right } = sidesOf(ways);
    const shares = joined.length > 1 ? joined.map((one) => face.wide(one)) : [1];
    const whole = shares.reduce((sum, one) => sum + one, 0);
    let gone = 0;
    // Letters that one glyph shows side by side are each held against their rule by what lies in their part of it.
    const keeps = joined.map((one, i) => {
      const from = left + ((right - left) * gone) / whole;
      gone += shares[i]!;
      const to = left + ((right - left) * gone) / whole;
      const within = ways.map((way) => way.filter(({ x }) => x >= from - 0.1 && x <= to + 0.1));
      const sides = sidesOf(within);
      const height = heightOf(one);
      const wide = Math.max(sides.right - sides.left, 0.3 * height);
      const middle = (sides.left + sides.right) / 2;
      return keepsRule(
        one,
        within.map((way) => way.map((p) => ({ x: (p.x - middle) / wide + 0.5, y: p.y / height }))),
      );
    });
    if (keeps.includes(false)) otherwise.push(letter);
  });
  const bodies = strokes.filter(body);
  const lifts = liftsBetween(bodies);
  return { bare, otherwise, early, lifts, letters };
}
