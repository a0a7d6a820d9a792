import type { Shaper, ShapedGlyph } from '@/core/lettering';
import { pathData, readPathData, transformCommands } from '@/core/geometry';
import { runsOf } from './runs';

import type * as HarfBuzz from 'harfbuzzjs';

let loading: Promise<typeof HarfBuzz> | null = null;
/** HarfBuzz, loaded once; it is WebAssembly, so a hostile font stays within its own memory. */
const harfbuzz = (): Promise<typeof HarfBuzz> => (loading ??= import('harfbuzzjs'));

/** A face read from its bytes (TrueType or OpenType), ready to shape at one weight. */
export interface LoadedFace extends Shaper {
  /** Family and style as the face names itself, where it does. */
  readonly name: string;
  /** Least and greatest weight of its weight axis; null where it has none. */
  readonly weights: { min: number; max: number } | null;
  readonly glyphs: number;
  /** OpenType features it has, each once, with the names the face itself gives them. */
  readonly features: readonly { readonly tag: string; readonly name?: string }[];
}

/** The features of a face's tables of substitution and positioning. */
function featuresOf(face: HarfBuzz.Face): LoadedFace['features'] {
  const found = new Map<string, string | undefined>();
  for (const table of ['GSUB', 'GPOS'] as const)
    face.getTableFeatureTags(table).forEach((tag, index) => {
      const id = found.get(tag) ? undefined : face.getFeatureNameIds(table, index)?.uiLabelNameId;
      const name = id === undefined || id === null ? undefined : face.getName(id, 'en').trim();
      found.set(tag, found.get(tag) ?? (name || undefined));
    });
  return [...found].map(([tag, name]) => ({ tag, ...(name !== undefined && { name }) }));
}

/** Faces have at most this many units to the em (OpenType, head table: 16 to 16384). */
const UNITS = { least: 16, most: 16_384 } as const;

/**
 * Loads a face.
 * @param weight position on its weight axis, where it has one.
 * @throws Error in words when the bytes are no usable face.
 */
export async function loadFace(bytes: Uint8Array, weight = 400): Promise<LoadedFace> {
  const hb = await harfbuzz();
  const face = new hb.Face(new hb.Blob(bytes));
  const units = face.upem;
  const count = face.collectUnicodes().length;
  if (count === 0 || units < UNITS.least || units > UNITS.most) {
    throw new Error('This is not a font that can be read: it maps no characters.');
  }
  const font = new hb.Font(face);
  font.setScale(units, units);
  const axis = face.getAxisInfos()['wght'];
  if (axis) font.setVariations([new hb.Variation('wght', Math.min(axis.max, Math.max(axis.min, weight)))]);
  const shapeRun = (
    line: string,
    run: ReturnType<typeof runsOf>[number],
    ligatures: boolean,
    features: Readonly<Record<string, number>>,
  ): ShapedGlyph[] => {
    const buffer = new hb.Buffer();
    buffer.addText(line, run.start, run.length);
    buffer.setDirection(run.rightToLeft ? hb.Direction.RTL : hb.Direction.LTR);
    if (run.script) buffer.setScript(run.script);
    buffer.guessSegmentProperties();
    const off = ligatures ? [] : ['liga', 'clig', 'dlig'].map((tag) => new hb.Feature(tag, 0));
    // The later one has the last word: what was chosen stands whatever the tracking.
    const chosen = Object.entries(features).map(([tag, value]) => new hb.Feature(tag, value));
    hb.shape(font, buffer, [...off, ...chosen]);
    return buffer.getGlyphInfosAndPositions().map((g) => ({
      glyph: g.codepoint,
      cluster: g.cluster,
      dx: g.xOffset ?? 0,
      dy: g.yOffset ?? 0,
      advance: g.xAdvance ?? 0,
    }));
  };
  return {
    name: [face.getName(1, 'en'), face.getName(2, 'en')]
      .filter((part) => part && part !== 'Regular')
      .join(' ')
      .trim(),
    unitsPerEm: units,
    weights: axis ? { min: axis.min, max: axis.max } : null,
    glyphs: count,
    features: featuresOf(face),
    shape: (line, { ligatures, features = {} }) =>
      line === '' ? [] : runsOf(line).flatMap((run) => shapeRun(line, run, ligatures, features)),
    outline: (glyph) =>
      pathData(transformCommands(readPathData(font.glyphToPath(glyph)).commands, [1, 0, 0, -1, 0, 0])),
  };
}
