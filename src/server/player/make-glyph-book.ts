import type { TextSetting } from '@/core/document';
import type { Shaper } from '@/core/lettering';
import type { GlyphBook } from '@/player/glyph-book';

/** Characters of a range, both ends included. */
const range = (from: number, to: number): string[] =>
  Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i));

/** What names and titles of most of Europe are written in: Basic Latin, Latin-1, Latin Extended-A, and usual punctuation. */
const REPERTOIRE = [...range(0x20, 0x7e), ...range(0xa0, 0x17f), ...'ȘșȚț‘’“”‚„–—…•‹›€™'] as const;
/** Characters of which pairs are tried for kerning and ligatures. */
const PAIRED = [...range(0x21, 0x7e), ...range(0xc0, 0xff), ...'‘’“”–—'] as const;
/** Ligatures of three characters that faces have (common practice). */
const TRIPLES = ['ffi', 'ffl', 'fff', 'fft', 'ffb', 'ffh', 'ffj', 'ffk'] as const;

/**
 * Shapes the letters of a face beforehand. What depends on more than the letter before (alternates by context, marks that are
 * placed) is as it is alone.
 */
export function makeGlyphBook(face: Shaper, features: TextSetting['features'] = {}): GlyphBook {
  const letters: Record<string, readonly [number, number]> = {};
  const ligatures: Record<string, readonly [number, number]> = {};
  const kerning: Record<string, number> = {};
  const outlines: Record<string, string> = {};
  const shape = (text: string) => face.shape(text, { ligatures: true, features });
  for (const letter of REPERTOIRE) {
    const [glyph, ...more] = shape(letter);
    if (!glyph || glyph.glyph === 0 || more.length > 0) continue;
    letters[letter] = [glyph.glyph, glyph.advance];
    outlines[glyph.glyph] ??= face.outline(glyph.glyph);
  }
  const ligature = (text: string): boolean => {
    const [glyph, ...more] = shape(text);
    if (!glyph || glyph.glyph === 0 || more.length > 0) return false;
    ligatures[text] = [glyph.glyph, glyph.advance];
    outlines[glyph.glyph] ??= face.outline(glyph.glyph);
    return true;
  };
  const paired = PAIRED.filter((letter) => letters[letter]);
  // A space keeps letters apart in most faces, and draws them together in some.
  const neighbours = [...paired, ' '];
  const pair = (a: string, b: string): void => {
    const [first, second, ...more] = shape(a + b);
    if (!second) ligature(a + b);
    else if (more.length === 0 && first!.glyph !== 0) {
      const kern = first!.advance - (ligatures[a] ?? letters[a]!)[1];
      if (kern !== 0) kerning[a + b] = kern;
    }
  };
  for (const a of neighbours) for (const b of neighbours) pair(a, b);
  for (const text of TRIPLES) ligature(text);
  for (const joined of Object.keys(ligatures))
    for (const other of neighbours) {
      pair(other, joined);
      pair(joined, other);
    }
  return { unitsPerEm: face.unitsPerEm, letters, ligatures, kerning, outlines };
}
