import { commandsOf, pathData } from '../geometry';
import { newLettering, type Lettering } from '../document';
import { fontByOpentype } from './font-outlines';

/** Sets words in a font file as an independent reader of fonts draws it: a glyph a letter, without kerning. */
export function faceWords(file: string): (text: string, size?: number, tracking?: number) => Lettering {
  const font = fontByOpentype(file);
  return (text, size = 120, tracking = 0) => {
    const k = size / font.unitsPerEm;
    let x = 0;
    const outlines: Record<string, string> = {};
    const glyphs = [...text].map((letter, cluster) => {
      const glyph = font.charToGlyph(letter);
      const outline = String(glyph.index);
      outlines[outline] ??= pathData(commandsOf(glyph.getPath(0, 0, font.unitsPerEm).toPathData(2)));
      const at = { outline, x, y: 0, cluster };
      x += glyph.advanceWidth * k + (tracking * size) / 1000;
      return at;
    });
    const face = { id: 'face', weight: 400 };
    const setting = { text, face, size, tracking, leading: 1.2, align: 'left' } as const;
    return newLettering('text', text, setting, { outlines, glyphs, scale: k, missing: [] });
  };
}
