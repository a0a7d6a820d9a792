import type { SetText, TextSetting } from '../document';

/** A glyph as a shaper places it, in units of the face. */
export interface ShapedGlyph {
  /** Number of the glyph in its face. */
  readonly glyph: number;
  /** Where its letter begins in the text that was given. */
  readonly cluster: number;
  readonly dx: number;
  readonly dy: number;
  readonly advance: number;
}

/** What sets letters: a face with its rules of kerning, ligatures, joins and direction. Heights count upward. */
export interface Shaper {
  /** Units to the em. */
  readonly unitsPerEm: number;
  /** Shapes one line, in visual order from left to right. */
  shape(line: string, options: { ligatures: boolean }): ShapedGlyph[];
  /** Path data of a glyph's outline in units of the face, y downward. */
  outline(glyph: number): string;
}

/** Splits a text into its lines with the place of each in the text. */
function linesOf(text: string): { text: string; start: number }[] {
  const out: { text: string; start: number }[] = [];
  let start = 0;
  for (const line of text.split('\n')) {
    out.push({ text: line.replace(/\r$/, ''), start });
    start += line.length + 1;
  }
  return out;
}

/**
 * Sets a text: every line shaped, spaced and aligned about the anchor at x = 0, the first baseline at y = 0.
 * Letters that the face lacks are left out and named. Ligatures give way to tracking, as CSS Text 3, 8.2 has it.
 */
export function setText(setting: TextSetting, shaper: Shaper): SetText {
  const scale = setting.size / shaper.unitsPerEm;
  const tracking = (setting.tracking / 1000) * setting.size;
  const outlines: Record<string, string> = {};
  const glyphs: { outline: string; x: number; y: number; cluster: number }[] = [];
  const missing = new Set<string>();
  linesOf(setting.text).forEach(({ text, start }, row) => {
    const shaped = shaper.shape(text, { ligatures: tracking === 0 });
    const y = row * setting.leading * setting.size;
    const placed: { glyph: number; x: number; y: number; cluster: number }[] = [];
    let pen = 0;
    shaped.forEach((g, i) => {
      if (g.glyph === 0) {
        const next = nextCluster(shaped, g.cluster, text.length);
        for (const letter of text.slice(g.cluster, next)) if (letter.trim() !== '') missing.add(letter);
        return;
      }
      placed.push({ glyph: g.glyph, x: pen + g.dx * scale, y: y - g.dy * scale, cluster: start + g.cluster });
      pen += g.advance * scale;
      // Space stands between letters, not within one nor after the last.
      if (shaped[i + 1] && shaped[i + 1]!.cluster !== g.cluster) pen += tracking;
    });
    const shift = setting.align === 'left' ? 0 : setting.align === 'right' ? -pen : -pen / 2;
    for (const g of placed) {
      const key = String(g.glyph);
      outlines[key] ??= shaper.outline(g.glyph);
      // Space has no outline.
      if (outlines[key] === '') continue;
      glyphs.push({ outline: key, x: rounded(g.x + shift), y: rounded(g.y), cluster: g.cluster });
    }
  });
  for (const key of Object.keys(outlines)) if (outlines[key] === '') delete outlines[key];
  return { outlines, glyphs, scale, missing: [...missing] };
}

const rounded = (n: number): number => Math.round(n * 1000) / 1000;

/** The least cluster above one, or the end of the line: clusters run backward where the writing does. */
function nextCluster(shaped: readonly ShapedGlyph[], cluster: number, end: number): number {
  return shaped.reduce((least, g) => (g.cluster > cluster && g.cluster < least ? g.cluster : least), end);
}
