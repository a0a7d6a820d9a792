import type { ShapedGlyph, Shaper } from '@/core/lettering';

/** Glyphs of a face for the letters of a page's texts, shaped beforehand: what sets type where no font can be opened. */
export interface GlyphBook {
  readonly unitsPerEm: number;
  /** Of each character: its glyph and the room that takes, in units of the face. */
  readonly letters: Readonly<Record<string, readonly [glyph: number, advance: number]>>;
  /** Several characters that are one glyph: ligatures. */
  readonly ligatures: Readonly<Record<string, readonly [glyph: number, advance: number]>>;
  /** How much farther than usual the second of two characters or ligatures stands from the first, by both together. */
  readonly kerning: Readonly<Record<string, number>>;
  /** Path data of glyphs by their numbers, y downward. */
  readonly outlines: Readonly<Record<string, string>>;
}

/** Longest ligature of a book, characters. */
const LONGEST = 3;

/** Sets letters by a book: from left to right, with its ligatures and kerning. What it has no glyph for has glyph 0. */
export const shaperOf = ({ unitsPerEm, letters, ligatures, kerning, outlines }: GlyphBook): Shaper => ({
  unitsPerEm,
  outline: (glyph) => outlines[glyph] ?? '',
  shape(line, { ligatures: joined }) {
    const shaped: (ShapedGlyph & { readonly text: string })[] = [];
    for (let at = 0; at < line.length;) {
      let text = String.fromCodePoint(line.codePointAt(at)!);
      let entry = letters[text];
      for (let length = LONGEST; joined && length > 1; length--) {
        const found = ligatures[line.slice(at, at + length)];
        if (!found) continue;
        [text, entry] = [line.slice(at, at + length), found];
        break;
      }
      const [glyph, advance] = entry ?? [0, 0];
      const before = shaped.at(-1);
      const kern = before && kerning[before.text + text];
      if (kern) shaped[shaped.length - 1] = { ...before, advance: before.advance + kern };
      shaped.push({ glyph, cluster: at, dx: 0, dy: 0, advance, text });
      at += text.length;
    }
    return shaped;
  },
});
