import { commandsBounds } from '../geometry';
import { letterOutlines, type Lettering } from '../document';
import { positionIn, type Position } from '../ductus';
import type { TracedStroke } from '../trace';
import { liftsBetween, placesOf } from './strokes-judged';

/**
 * How a hand writes Arabic letters and Devanagari, as places that it comes to in order, told apart from the tables that tracing goes
 * by. Across from 0 at the left of what a letter's body covers to 100 at its right, up from 0 at its foot to 100 at its top; dots and
 * head-lines apart. Several ways are parted by `|`.
 *
 * From memory of school models: Naskh and simple connected writing; primers of Devanagari.
 */
const ARABIC: Record<string, Partial<Record<Position, string>>> = {
  ا: { isolated: '50,95 50,5', final: '85,5 20,95' },
  ب: {
    isolated: '95,80 50,10 5,70',
    initial: '80,90 10,5',
    medial: '95,15 60,80 5,10',
    final: '97,30 60,10 5,80',
  },
  ن: { isolated: '92,85 50,5 5,60', final: '95,60 50,5 5,60' },
  ح: {
    isolated: '8,92 80,90 12,40 75,10',
    initial: '10,92 85,60 10,10',
    medial: '95,10 10,90 5,15 | 10,92 85,65 5,10',
    final: '95,60 10,90 12,40 70,5',
  },
  د: { isolated: '50,95 95,40 5,8 | 15,97 95,50 5,5', final: '95,5 40,95 5,8 | 95,5 75,95 5,8' },
  ر: { isolated: '85,95 5,5', final: '92,55 75,95 5,5 | 90,90 5,5' },
  س: {
    isolated: '97,90 75,60 50,85 25,5 5,40',
    initial: '97,90 65,60 30,60 3,10',
    medial: '97,15 85,85 55,85 22,80 3,10',
    final: '97,60 85,95 50,85 25,5 5,40',
  },
  ص: {
    isolated: '50,60 90,85 70,55 25,5 5,40',
    initial: '28,30 75,92 75,20 3,10',
    medial: '97,10 28,20 75,90 3,12',
    final: '97,55 50,55 80,95 48,80 20,5 5,45',
  },
  ط: {
    isolated: '30,15 85,45 50,5 25,95 30,30',
    initial: '30,15 85,45 50,5 25,95 30,30',
    medial: '97,5 30,8 75,55 25,95 30,30',
    final: '97,5 30,8 75,55 25,95 30,30',
  },
  ع: {
    isolated: '60,95 20,85 70,80 10,40 85,10 | 60,95 20,75 80,42 10,20 70,5',
    initial: '78,95 18,60 95,35 5,10 | 78,95 18,60 95,5 5,5',
    medial: '97,5 15,85 85,85 5,8',
    final: '90,50 15,85 75,85 10,35 85,8',
  },
  ف: {
    isolated: '88,55 70,70 85,95 55,8 5,50 | 55,10 60,80 95,80 95,10 5,50',
    initial: '90,50 25,60 85,90 5,5 | 30,10 25,70 85,90 90,10 5,5',
    medial: '97,5 25,40 70,60 3,5',
    final: '97,12 70,50 92,70 50,8 4,50',
  },
  ق: { isolated: '90,55 48,70 80,90 50,5 5,45', final: '97,50 48,70 85,85 50,5 5,45' },
  ك: {
    isolated: '88,95 60,5 5,15',
    initial: '95,95 20,60 3,5 | 40,95 20,60 3,5 | 95,95 10,50 80,5',
    medial: '97,5 18,60 3,5 90,95 20,62 | 97,5 15,60 3,5 35,95 15,62',
    final: '97,8 85,95 50,5 5,20',
  },
  ل: {
    isolated: '90,95 50,5 5,35',
    initial: '80,95 5,5',
    medial: '97,5 50,95 3,5',
    final: '97,30 85,95 50,5 5,40',
  },
  م: {
    isolated: '20,60 60,97 85,65 10,5',
    initial: '30,30 65,95 90,30 3,8 | 60,55 95,90 95,45 3,5',
    medial: '97,8 30,30 58,95 3,8',
    final: '97,50 30,75 8,5',
  },
  ه: {
    isolated: '50,97 5,30 50,5 95,30 | 95,5 90,80 10,80 5,10 | 55,90 90,30 50,20 5,12',
    initial: '50,95 90,30 50,15 5,8 | 15,95 90,80 90,8 5,5',
    medial: '97,45 55,90 50,10 3,45',
    final: '97,5 60,95 8,35 60,25',
  },
  و: { isolated: '90,52 45,60 60,97 90,60 5,3', final: '97,52 45,60 60,97 5,3' },
  ي: { isolated: '85,95 50,70 90,50 50,5 5,50', final: '97,90 65,85 92,60 30,8 3,80' },
  ء: { isolated: '75,92 15,70 90,30 5,20 | 75,92 25,50 90,5 5,5' },
};

/** Letters whose body is another's, where they have it. */
const SAME: readonly (readonly [letters: string, as: string, only?: readonly Position[]])[] = [
  ['تثپ', 'ب'],
  ['نيئ', 'ب', ['initial', 'medial']],
  ['ىئ', 'ي', ['isolated', 'final']],
  ['جخچ', 'ح'],
  ['ذ', 'د'],
  ['زژ', 'ر'],
  ['ش', 'س'],
  ['ض', 'ص'],
  ['ظ', 'ط'],
  ['غ', 'ع'],
  ['ق', 'ف', ['initial', 'medial']],
  ['ة', 'ه'],
  ['ؤ', 'و'],
  ['أإآ', 'ا'],
];

const DEVANAGARI: Record<string, string> = {
  क: '40,80 10,50 50,95 50,5 90,60',
  ट: '70,95 25,50 85,15',
  ठ: '50,95 50,75 10,40 50,5 90,40',
  ड: '60,95 30,65 70,35 20,12',
  ढ: '60,95 15,40 85,20 55,45',
  र: '55,95 20,58 70,5',
  द: '75,95 15,50 75,45 75,5',
  ग: '35,95 12,45 75,95 75,5',
  प: '15,95 30,45 90,95 90,5',
  म: '25,95 15,35 90,60 90,5',
  न: '15,45 85,60 90,95 90,5',
  त: '85,65 15,35 50,5 90,95 90,5',
  व: '55,75 10,55 85,50 90,95 90,5',
  स: '40,95 15,60 50,15 85,60 90,95 90,5',
  य: '30,95 15,65 85,55 90,95 90,5',
  '\u093e': '50,95 50,5',
};

function ruleOf(letter: string, position: Position): string | undefined {
  const same = SAME.find(
    ([letters, , only]) => letters.includes(letter) && (!only || only.includes(position)),
  );
  return DEVANAGARI[letter] ?? ARABIC[same?.[1] ?? letter]?.[position];
}

const NEAR = 0.3;

/** Whether the strokes of a letter come to the places of its rule; null where there is none. */
function keepsRule(rule: string | undefined, strokes: readonly TracedStroke[]): boolean | null {
  if (rule === undefined) return null;
  const way = strokes.flatMap(placesOf);
  const [xs, ys] = [way.map(({ x }) => x), way.map(({ y }) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const wide = Math.max(right - left, 0.3 * (bottom - top));
  const high = Math.max(bottom - top, 0.3 * (right - left));
  return rule.split('|').some((one) => {
    let at = -1;
    return one
      .trim()
      .split(/\s+/)
      .every((place) => {
        const [x, y] = place.split(',').map((n) => Number(n) / 100) as [number, number];
        at = way.findIndex(
          (p, i) =>
            i > at &&
            Math.hypot(
              (p.x - (left + right) / 2) / wide + 0.5 - x,
              0.5 - (p.y - (top + bottom) / 2) / high - y,
            ) < NEAR,
        );
        return at >= 0;
      });
  });
}

/** What the strokes of a text break of the rules of its script. */
interface JoinedJudged {
  /** Letters with ink and no stroke. */
  readonly bare: readonly string[];
  /** Letters whose body is written otherwise than a hand does. */
  readonly otherwise: readonly string[];
  /** Letters whose body is begun before the one before it is done, or whose dots come before the bodies of their word. */
  readonly early: readonly string[];
  /** Head-lines that are written before all else of their word. */
  readonly headLines: readonly string[];
  readonly lifts: number;
  readonly letters: number;
  readonly ruled: number;
}

/** Judges the strokes of a text in Arabic or Devanagari by the rules of its hand. */
export function judgeJoined(layer: Lettering, strokes: readonly TracedStroke[]): JoinedJudged {
  const { setting, set } = layer;
  const outlines = letterOutlines(layer);
  const clusters = [...new Set(set.glyphs.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  const isBody = ({ written }: TracedStroke): boolean => !written?.isMark && !written?.isHeadLine;
  const judged = {
    bare: [] as string[],
    otherwise: [] as string[],
    early: [] as string[],
    headLines: [] as string[],
  };
  let [done, letters, ruled] = [-1, 0, 0];
  const clusterOf = (stroke: TracedStroke): number => set.glyphs[stroke.glyph!]!.cluster;
  clusters.forEach((cluster, i) => {
    const end = clusters[i + 1] ?? setting.text.length;
    const letter = setting.text.slice(cluster, end).trim();
    const glyphs = set.glyphs.flatMap((glyph, g) => (glyph.cluster === cluster ? [g] : []));
    const inked = glyphs.filter((g) => commandsBounds(outlines[g]!));
    if (letter === '' || inked.length === 0) return;
    letters++;
    if (inked.some((g) => strokes.every((stroke) => stroke.glyph !== g))) judged.bare.push(letter);
    const at = strokes.flatMap((stroke, k) => (clusterOf(stroke) === cluster && isBody(stroke) ? [k] : []));
    if (at.length === 0) return;
    if (at[0]! < done) judged.early.push(letter);
    done = at.at(-1)!;
    const rule = ruleOf(letter, positionIn(setting.text, cluster, end));
    const keeps = keepsRule(
      rule,
      at.map((k) => strokes[k]!),
    );
    if (keeps !== null) ruled++;
    if (keeps === false) judged.otherwise.push(`${letter} ${positionIn(setting.text, cluster, end)}`);
  });
  const wordOf = (stroke: TracedStroke): number =>
    setting.text.slice(0, clusterOf(stroke)).split(/\s+/).length;
  strokes.forEach((stroke, k) => {
    const later = strokes.slice(k + 1).filter((other) => wordOf(other) === wordOf(stroke));
    const letter = setting.text.slice(clusterOf(stroke), clusterOf(stroke) + 1);
    if (stroke.written?.isMark && later.some(isBody)) judged.early.push(letter);
    if (stroke.written?.isHeadLine && later.some((other) => !other.written?.isHeadLine))
      judged.headLines.push(letter);
  });
  const bodies = strokes.filter(isBody);
  const lifts = liftsBetween(bodies);
  return { ...judged, lifts, letters, ruled };
}
