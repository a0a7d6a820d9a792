import type { FeatureRange, Shaper, ShapedGlyph } from '@/core/lettering';
import { AXIS_NAMES } from '@/core/document';
import { pathData, readPathData, transformCommands } from '@/core/geometry';
import { clamp } from '@/core/numbers';
import { runsOf } from './runs';

import type * as HarfBuzz from 'harfbuzzjs';

let loading: Promise<typeof HarfBuzz> | null = null;
/** HarfBuzz, loaded once; it is WebAssembly, so a hostile font stays within its own memory. */
const harfbuzz = (): Promise<typeof HarfBuzz> => (loading ??= import('harfbuzzjs'));

/** An axis along which a variable face changes. */
export interface FaceAxis {
  readonly tag: string;
  readonly name: string;
  readonly min: number;
  readonly max: number;
  /** Where the face stands by itself. */
  readonly initial: number;
}

/** Of an axis that is not for people (OpenType, fvar table: HIDDEN_AXIS). */
const HIDDEN = 1;

function axesOf(face: HarfBuzz.Face): FaceAxis[] {
  return Object.values(face.getAxisInfos()).flatMap(({ tag, nameId, min, max, default: initial, flags }) => {
    if (tag === 'wght' || (flags & HIDDEN) !== 0 || !(max > min)) return [];
    const name = face.getName(nameId, 'en').trim() || (AXIS_NAMES[tag] ?? tag);
    return [{ tag, name, min, max, initial }];
  });
}

/** A face read from its bytes (TrueType or OpenType), ready to shape at one weight. */
export interface LoadedFace extends Shaper {
  /** Family and style as the face names itself, where it does. */
  readonly name: string;
  /** Least and greatest weight of its weight axis; null where it has none. */
  readonly weights: { min: number; max: number } | null;
  /** Its other axes of variation that are meant for people. */
  readonly axes: readonly FaceAxis[];
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

/** Faces by the bytes they were read from: one is shaped with at many places of its axes, and HarfBuzz keeps a copy of each. */
const opened = new WeakMap<Uint8Array, HarfBuzz.Face>();

/** HarfBuzz counts in whole numbers: it is asked in fractions of a unit, as a face between its masters stands between units. */
const FINE = 64;

/**
 * Loads a face.
 * @param weight position on its weight axis, where it has one.
 * @param places positions on its other axes, by their tags.
 * @throws Error in words when the bytes are no usable face.
 */
export async function loadFace(
  bytes: Uint8Array,
  weight = 400,
  places: Readonly<Record<string, number>> = {},
): Promise<LoadedFace> {
  const hb = await harfbuzz();
  const face = opened.get(bytes) ?? new hb.Face(new hb.Blob(bytes));
  opened.set(bytes, face);
  const units = face.upem;
  const count = face.collectUnicodes().length;
  if (count === 0 || units < UNITS.least || units > UNITS.most) {
    throw new Error('This is not a font that can be read: it maps no characters.');
  }
  const font = new hb.Font(face);
  font.setScale(units * FINE, units * FINE);
  const axis = face.getAxisInfos()['wght'];
  const axes = axesOf(face);
  const variation = (tag: string, to: { min: number; max: number }, place: number) =>
    new hb.Variation(tag, clamp(place, to.min, to.max));
  const variations = [
    ...(axis ? [variation('wght', axis, weight)] : []),
    ...axes.flatMap((one) =>
      places[one.tag] === undefined ? [] : [variation(one.tag, one, places[one.tag]!)],
    ),
  ];
  if (variations.length > 0) font.setVariations(variations);
  const shapeRun = (
    line: string,
    run: ReturnType<typeof runsOf>[number],
    ligatures: boolean,
    features: Readonly<Record<string, number>>,
    ranges: readonly FeatureRange[],
  ): ShapedGlyph[] => {
    const buffer = new hb.Buffer();
    buffer.addText(line, run.start, run.length);
    buffer.setDirection(run.rightToLeft ? hb.Direction.RTL : hb.Direction.LTR);
    if (run.script) buffer.setScript(run.script);
    buffer.guessSegmentProperties();
    const off = ligatures ? [] : ['liga', 'clig', 'dlig'].map((tag) => new hb.Feature(tag, 0));
    // The later one has the last word: what was chosen stands whatever the tracking.
    const chosen = Object.entries(features).map(([tag, value]) => new hb.Feature(tag, value));
    const own = ranges.map(({ tag, value, start, end }) => new hb.Feature(tag, value, start, end));
    hb.shape(font, buffer, [...off, ...chosen, ...own]);
    return buffer.getGlyphInfosAndPositions().map((g) => ({
      glyph: g.codepoint,
      cluster: g.cluster,
      dx: (g.xOffset ?? 0) / FINE,
      dy: (g.yOffset ?? 0) / FINE,
      advance: (g.xAdvance ?? 0) / FINE,
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
    axes,
    features: featuresOf(face),
    shape: (line, { ligatures, features = {}, ranges = [] }) =>
      line === '' ? [] : runsOf(line).flatMap((run) => shapeRun(line, run, ligatures, features, ranges)),
    outline: (glyph) =>
      pathData(
        transformCommands(readPathData(font.glyphToPath(glyph)).commands, [1 / FINE, 0, 0, -1 / FINE, 0, 0]),
      ),
  };
}
