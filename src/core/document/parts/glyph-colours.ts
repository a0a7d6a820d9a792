import type { Lettering } from '../schema';
import { letterOf } from './letter-outlines';

/** The colour of a glyph: its letter's own, else that of its text. */
export const colourOfGlyph = (lettering: Lettering, glyph: number): string =>
  letterOf(lettering, lettering.set.glyphs[glyph]!.cluster)?.colour ?? lettering.colour;

/** Some glyphs of a text by their colour, in the order in which colours first appear. */
export function glyphsByColour(
  lettering: Lettering,
  glyphs: Iterable<number>,
): { readonly colour: string; readonly glyphs: readonly number[] }[] {
  const found = new Map<string, number[]>();
  for (const glyph of glyphs) {
    const colour = colourOfGlyph(lettering, glyph);
    const same = found.get(colour);
    if (same) same.push(glyph);
    else found.set(colour, [glyph]);
  }
  return [...found].map(([colour, of]) => ({ colour, glyphs: of }));
}
