import { COUNT_SIGN, type SetText, type TextSetting } from '../document';
import { commandsBounds, commandsOf } from '../geometry';

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

/** An OpenType feature for some of a line: from a place in it up to another. */
export interface FeatureRange {
  readonly tag: string;
  readonly value: number;
  readonly start: number;
  readonly end: number;
}

export interface ShapeOptions {
  readonly ligatures: boolean;
  /** Features of the whole line. */
  readonly features?: TextSetting['features'];
  /** Those of single letters, which have the last word. */
  readonly ranges?: readonly FeatureRange[];
}

/** What sets letters: a face with its rules of kerning, ligatures, joins and direction. Heights count upward. */
export interface Shaper {
  /** Units to the em. */
  readonly unitsPerEm: number;
  /** Shapes one line, in visual order from left to right. */
  shape(line: string, options: ShapeOptions): ShapedGlyph[];
  /** Path data of a glyph's outline in units of the face, y downward. */
  outline(glyph: number): string;
}

/** Splits a text into its lines with the place of each in the text. */
function linesOf(text: string): Line[] {
  const out: Line[] = [];
  let start = 0;
  for (const line of text.split('\n')) {
    out.push({ text: line.replace(/\r$/, ''), start });
    start += line.length + 1;
  }
  return out;
}

interface Line {
  readonly text: string;
  readonly start: number;
}

interface Pen {
  readonly shaper: Shaper;
  /** Piece pixels to a unit of the face, and between letters. */
  readonly scale: number;
  readonly tracking: number;
  /** OpenType features that are switched on or off. */
  readonly features: TextSetting['features'];
  /** Letters that are set unlike the others. */
  readonly letters: NonNullable<TextSetting['letters']>;
}

const penOf = ({ features, letters = [], tracking }: TextSetting, shaper: Shaper, size: number): Pen => ({
  shaper,
  scale: size / shaper.unitsPerEm,
  tracking: (tracking / 1000) * size,
  features,
  letters,
});

/** The features of letters of their own in a line that begins at a place of the text. */
const rangesIn = ({ letters }: Pen, { text, start }: Line): FeatureRange[] =>
  letters.flatMap(({ at, features }) => {
    const from = at - start;
    if (!features || from < 0 || from >= text.length) return [];
    const end = from + String.fromCodePoint(text.codePointAt(from)!).length;
    return Object.entries(features).map(([tag, value]) => ({ tag, value, start: from, end }));
  });

/** Ligatures give way to tracking, as CSS Text 3, 8.2 has it. */
function shapeLine(pen: Pen, line: Line): ShapedGlyph[] {
  const { shaper, tracking, features } = pen;
  const ranges = rangesIn(pen, line);
  return shaper.shape(line.text, {
    ligatures: tracking === 0,
    ...(features && { features }),
    ...(ranges.length > 0 && { ranges }),
  });
}

/** Space stands between letters, not within one nor after the last. */
const hasSpace = (shaped: readonly ShapedGlyph[], i: number): boolean =>
  shaped[i + 1] !== undefined && shaped[i + 1]!.cluster !== shaped[i]!.cluster;

/** The space after a glyph of a line, px: that of all letters and its own kerning. */
function spaceAfter(
  { tracking, letters, scale, shaper }: Pen,
  shaped: readonly ShapedGlyph[],
  i: number,
  start: number,
): number {
  if (!hasSpace(shaped, i)) return 0;
  const kern = letters.find(({ at }) => at === start + shaped[i]!.cluster)?.kern ?? 0;
  return tracking + (kern / 1000) * scale * shaper.unitsPerEm;
}

/** How long a line is, px; letters that the face lacks take no room. */
function lineWidth(pen: Pen, line: Line): number {
  const shaped = shapeLine(pen, line);
  return shaped.reduce(
    (sum, g, i) =>
      g.glyph === 0 ? sum : sum + g.advance * pen.scale + spaceAfter(pen, shaped, i, line.start),
    0,
  );
}

/** Lines broken between words so that each is as full as it may be; a word that is too long stands alone. */
function brokenLines(pen: Pen, lines: readonly Line[], width: number): Line[] {
  return lines.flatMap(({ text, start }): Line[] => {
    const words = [...text.matchAll(/\S+/gu)].map((m) => ({ at: m.index, end: m.index + m[0].length }));
    if (words.length === 0) return [{ text, start }];
    const out: { from: number; to: number }[] = [];
    for (const { at, end } of words) {
      const last = out.at(-1);
      const tried = last && { text: text.slice(last.from, end), start: start + last.from };
      if (tried && lineWidth(pen, tried) <= width) last.to = end;
      else out.push({ from: at, to: end });
    }
    return out.map(({ from, to }) => ({ text: text.slice(from, to), start: start + from }));
  });
}

/** The lines of a text by its rule of fit, and the size in which they are set. */
function fitted(setting: TextSetting, shaper: Shaper): { lines: Line[]; size: number; over: boolean } {
  const lines = linesOf(setting.text);
  const { size, fit } = setting;
  if (!fit) return { lines, size, over: false };
  const pen = penOf(setting, shaper, size);
  const widest = (of: readonly Line[]): number => Math.max(0, ...of.map((line) => lineWidth(pen, line)));
  if (fit.how === 'break') {
    const broken = brokenLines(pen, lines, fit.width);
    return { lines: broken, size, over: widest(broken) > fit.width + 0.5 };
  }
  // Everything in a line grows with the size, so one division is exact.
  const width = widest(lines);
  return { lines, size: width > fit.width ? (size * fit.width) / width : size, over: false };
}

/** Signs that numbers are written in. */
const SIGNS = [...'0123456789.-'];

/** Outlines of the signs of numbers; digits all take the room of the widest, so that a number that counts stands still. */
function signsOf({ shaper, scale, tracking, features }: Pen) {
  const outlines: Record<string, string> = {};
  const own: Record<string, number> = {};
  for (const sign of SIGNS) {
    const [g] = shaper.shape(sign, { ligatures: false, ...(features && { features }) });
    if (!g || g.glyph === 0) continue;
    outlines[sign] = shaper.outline(g.glyph);
    own[sign] = g.advance * scale + tracking;
  }
  const widest = Math.max(0, ...SIGNS.slice(0, 10).map((sign) => own[sign] ?? 0));
  const advances = Object.fromEntries(
    Object.entries(own).map(([sign, advance]) => [sign, rounded(/\d/.test(sign) ? widest : advance)]),
  );
  return { outlines, advances };
}

/** How high the face's capitals are, px; undefined where it has none. */
function capitalsOf({ shaper, scale }: Pen): number | undefined {
  const [h] = shaper.shape('H', { ligatures: false });
  const box = h && h.glyph !== 0 ? commandsBounds(commandsOf(shaper.outline(h.glyph))) : null;
  return box ? rounded((box.bottom - box.top) * scale) : undefined;
}

/**
 * Sets a text: every line shaped, spaced and aligned about the anchor at x = 0, the first baseline at y = 0; lines wider
 * than they may be are broken, or all of it is set smaller. Letters that the face lacks are left out and named.
 */
export function setText(setting: TextSetting, shaper: Shaper): SetText {
  const { lines, size, over } = fitted(setting, shaper);
  const pen = penOf(setting, shaper, size);
  const { scale } = pen;
  const outlines: Record<string, string> = {};
  const glyphs: { outline: string; x: number; y: number; cluster: number }[] = [];
  const missing = new Set<string>();
  const sign = setting.text.indexOf(COUNT_SIGN);
  const number: { x: number; y: number; width: number }[] = [];
  lines.forEach((line, row) => {
    const { text, start } = line;
    const shaped = shapeLine(pen, line);
    const y = row * setting.leading * size;
    const placed: { glyph: number; x: number; y: number; cluster: number; width: number }[] = [];
    let at = 0;
    shaped.forEach((g, i) => {
      if (g.glyph === 0) {
        const next = nextCluster(shaped, g.cluster, text.length);
        for (const letter of text.slice(g.cluster, next)) if (letter.trim() !== '') missing.add(letter);
        return;
      }
      const x = at + g.dx * scale;
      at += g.advance * scale + spaceAfter(pen, shaped, i, start);
      placed.push({ glyph: g.glyph, x, y: y - g.dy * scale, cluster: start + g.cluster, width: at - x });
    });
    const shift = setting.align === 'left' ? 0 : setting.align === 'right' ? -at : -at / 2;
    for (const g of placed) {
      const key = String(g.glyph);
      outlines[key] ??= shaper.outline(g.glyph);
      if (g.cluster === sign)
        number.push({ x: rounded(g.x + shift), y: rounded(g.y), width: rounded(g.width) });
      // Space has no outline.
      if (outlines[key] === '') continue;
      glyphs.push({ outline: key, x: rounded(g.x + shift), y: rounded(g.y), cluster: g.cluster });
    }
  });
  for (const key of Object.keys(outlines)) if (outlines[key] === '') delete outlines[key];
  const capitals = capitalsOf(pen);
  return {
    outlines,
    glyphs,
    scale,
    missing: [...missing],
    ...(capitals !== undefined && { capitals }),
    ...(setting.fit && { fitted: { size, lines: lines.map(({ start }) => start), over } }),
    ...(number[0] && { digits: { ...signsOf(pen), ...number[0] } }),
  };
}

const rounded = (n: number): number => Math.round(n * 1000) / 1000;

/** The least cluster above one, or the end of the line: clusters run backward where the writing does. */
function nextCluster(shaped: readonly ShapedGlyph[], cluster: number, end: number): number {
  return shaped.reduce((least, g) => (g.cluster > cluster && g.cluster < least ? g.cluster : least), end);
}
