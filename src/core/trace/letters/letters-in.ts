import type { Lettering } from '../../document';
import { positionIn, type Position } from '../../ductus';
import { directionOf } from '../order';

/**
 * What a glyph shows of a letter: all of it, or where a face sets it by several glyphs its body, its dots and signs, or some letter of
 * the syllable that it is.
 */
type LetterPart = 'all' | 'body' | 'marks' | 'some';

/** A letter of a text: its sign or signs, and the glyph that shows it. */
export interface Letter {
  readonly text: string;
  readonly glyph: number;
  /** What of it this glyph shows. */
  readonly part: LetterPart;
  /** Where it stands in a run of joined letters. */
  readonly position: Position;
  /** Which word of the text it is in. */
  readonly word: number;
}

/** What joins or parts letters and is not seen itself: zero-width joiner and non-joiner. */
const UNSEEN = /[\u200c\u200d]/g;

/** Scripts whose syllables are set as one, with signs before their letter too. */
const SYLLABLES = /\p{Script=Devanagari}/u;

/** The letters of a text in the order in which they are read. */
export function lettersIn({ setting: { text }, set }: Lettering): Letter[] {
  const clusters = [...new Set(set.glyphs.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  const next = new Map(clusters.map((cluster, i) => [cluster, clusters[i + 1] ?? text.length]));
  const letters = set.glyphs
    .map(({ cluster }, glyph) => {
      const end = next.get(cluster)!;
      return {
        text: text.slice(cluster, end).replace(UNSEEN, '').trim(),
        glyph,
        position: positionIn(text, cluster, end),
        word: text.slice(0, cluster).split(/\s+/).length,
        cluster,
      };
    })
    .sort((a, b) => {
      // Glyphs stand from the left; those of one letter follow one another as it is written, its body first.
      const sign = directionOf(a.text) === 'right to left' ? -1 : 1;
      return a.cluster - b.cluster || sign * (a.glyph - b.glyph);
    });
  return letters.map(({ cluster, ...letter }, i) => {
    const isOneOf = (other: (typeof letters)[number] | undefined): boolean => other?.cluster === cluster;
    const isFirst = !isOneOf(letters[i - 1]);
    const part = isFirst && !isOneOf(letters[i + 1]) ? 'all' : isFirst ? 'body' : 'marks';
    return { ...letter, part: part !== 'all' && SYLLABLES.test(letter.text) ? 'some' : part };
  });
}
