import { COUNT_SIGN, type Lettering } from '../document';
import { rememberedOf } from '../keep';
import { valueAt } from '../timing';

/** A number as it is written, with so many digits after the point. */
export const numberWords = (value: number, places: number): string => {
  const text = Math.abs(value).toFixed(places);
  return value < 0 && Number(text) !== 0 ? `-${text}` : text;
};

/** The glyphs of digits get names of their own among those of a face, of which none has so many. */
const FIRST_DIGIT = 90_000_000;

/** Lettering with some number; as many are kept as are seen in a few seconds. */
const countedTo = rememberedOf(200, withNumber);

/** Lettering as it stands with its number at a frame; itself where it counts nothing. The same one for the same number. */
export function countedAt(lettering: Lettering, frame: number): Lettering {
  const { count, set } = lettering;
  if (!count || !set.digits) return lettering;
  return countedTo(lettering, numberWords(valueAt(count.value, frame), count.places));
}

function withNumber(lettering: Lettering, text: string): Lettering {
  const { set, setting } = lettering;
  const digits = set.digits!;
  const signs = [...text].map((sign) => ({ sign, advance: digits.advances[sign] ?? 0 }));
  const grown = signs.reduce((sum, { advance }) => sum + advance, 0) - digits.width;
  const shift = setting.align === 'left' ? 0 : setting.align === 'right' ? -grown : -grown / 2;
  const at = setting.text.indexOf(COUNT_SIGN);
  const others = set.glyphs
    .filter((glyph) => glyph.cluster !== at)
    .map((glyph) => {
      // Only its own line makes room for the number.
      if (glyph.y !== digits.y) return glyph;
      return { ...glyph, x: glyph.x + shift + (glyph.x > digits.x ? grown : 0) };
    });
  const outlines = { ...set.outlines };
  let pen = digits.x + shift;
  const number = signs.flatMap(({ sign, advance }) => {
    const outline = digits.outlines[sign];
    const x = pen;
    pen += advance;
    if (!outline) return [];
    const name = String(FIRST_DIGIT + sign.charCodeAt(0));
    outlines[name] = outline;
    return [{ outline: name, x, y: digits.y, cluster: at }];
  });
  return { ...lettering, set: { ...set, outlines, glyphs: [...others, ...number] } };
}
