import type { TextSetting } from '../document';
import type { FeatureRange, Shaper, ShapedGlyph } from './layout';

/**
 * Features that people choose, by their registered tags and names (OpenType Layout tag registry, Microsoft typography
 * documentation). What shaping needs by itself (joins, marks, localised forms) is not among them.
 */
const NAMES: Readonly<Record<string, string>> = {
  liga: 'Standard ligatures',
  dlig: 'Discretionary ligatures',
  hlig: 'Historical ligatures',
  calt: 'Contextual alternates',
  swsh: 'Swashes',
  cswh: 'Contextual swashes',
  salt: 'Stylistic alternates',
  titl: 'Titling',
  hist: 'Historical forms',
  smcp: 'Small capitals',
  c2sc: 'Small capitals from capitals',
  pcap: 'Petite capitals',
  unic: 'Unicase',
  lnum: 'Lining figures',
  onum: 'Old-style figures',
  pnum: 'Proportional figures',
  tnum: 'Tabular figures',
  frac: 'Fractions',
  ordn: 'Ordinals',
  sups: 'Superscript',
  subs: 'Subscript',
  zero: 'Slashed zero',
  case: 'Case-sensitive forms',
  cpsp: 'Capital spacing',
  kern: 'Kerning',
};

/** Features that are on where nothing is said (OpenType Layout tag registry, “UI suggestion”). */
const ON_BY_ITSELF: readonly string[] = ['liga', 'calt', 'kern'];

/** What a feature is called: by its own name in the face, its registered one, or null for one that is not for people. */
function nameOf(tag: string, own: string | undefined): string | null {
  const set = /^ss(\d\d)$/.exec(tag);
  if (set) return own ?? `Stylistic set ${Number(set[1])}`;
  const variant = /^cv(\d\d)$/.exec(tag);
  if (variant) return own ?? `Character variant ${Number(variant[1])}`;
  return NAMES[tag] ?? null;
}

/** A feature of a face that changes a text. */
export interface TextFeature {
  readonly tag: string;
  readonly name: string;
  /** Whether it is on as the text is set. */
  readonly on: boolean;
}

/** The most alternates of one letter that are looked for in a feature. */
const MOST_ALTERNATES = 8;

/** Another form of a letter: the feature that gives it, and which of its alternates. */
export interface LetterForm {
  readonly tag: string;
  readonly value: number;
  readonly name: string;
}

/** The forms of its own that the face has for the letter at a place of a text, as the text is set. */
export function formsFor(
  setting: TextSetting,
  at: number,
  shaper: Shaper & { readonly features: readonly { readonly tag: string; readonly name?: string }[] },
): LetterForm[] {
  const start = setting.text.lastIndexOf('\n', at - 1) + 1;
  const line = setting.text.slice(start).split('\n')[0]!;
  const from = at - start;
  const letter = line.codePointAt(from);
  if (letter === undefined) return [];
  const end = from + String.fromCodePoint(letter).length;
  const shaped = (ranges: readonly FeatureRange[]): string =>
    signature(
      shaper.shape(line, {
        ligatures: setting.tracking === 0,
        ...(setting.features && { features: setting.features }),
        ranges,
      }),
    );
  const seen = new Set([shaped([])]);
  return shaper.features.flatMap(({ tag, name: own }): LetterForm[] => {
    const name = nameOf(tag, own);
    if (name === null || NOT_FORMS.includes(tag)) return [];
    const found: LetterForm[] = [];
    // An alternate that there is none of is the letter as it was.
    for (let value = isFeatureOn(setting, tag) ? 0 : 1; value <= MOST_ALTERNATES; value++) {
      const now = shaped([{ tag, value, start: from, end }]);
      if (seen.has(now)) break;
      seen.add(now);
      found.push({ tag, value, name: value === 0 ? `without ${name.toLowerCase()}` : name });
    }
    return found.length > 1 ? found.map((form, i) => ({ ...form, name: `${form.name} ${i + 1}` })) : found;
  });
}

/** Features that space letters and give none another form. */
const NOT_FORMS: readonly string[] = ['kern', 'cpsp'];

const signature = (shaped: readonly ShapedGlyph[]): string =>
  shaped.map((g) => `${g.glyph} ${g.dx} ${g.dy} ${g.advance}`).join();

/** Whether a feature is on in a setting. */
const isFeatureOn = ({ features, tracking }: TextSetting, tag: string): boolean =>
  features?.[tag] !== undefined
    ? features[tag] > 0
    : ON_BY_ITSELF.includes(tag) && !(tag === 'liga' && tracking !== 0);

/** The features of the face that make a difference to a text as it is set, by their registered order of names. */
export function featuresFor(
  setting: TextSetting,
  shaper: Shaper & { readonly features: readonly { readonly tag: string; readonly name?: string }[] },
): TextFeature[] {
  const lines = setting.text.split('\n').slice(0, 20);
  const shaped = (features: TextSetting['features']): string =>
    lines
      .map((line) =>
        signature(shaper.shape(line, { ligatures: setting.tracking === 0, ...(features && { features }) })),
      )
      .join('|');
  const now = shaped(setting.features);
  const order = [...Object.keys(NAMES)];
  return shaper.features
    .flatMap(({ tag, name: own }): TextFeature[] => {
      const name = nameOf(tag, own);
      if (name === null) return [];
      const on = isFeatureOn(setting, tag);
      const other = shaped({ ...setting.features, [tag]: on ? 0 : 1 });
      return other === now ? [] : [{ tag, name, on }];
    })
    .sort((a, b) => {
      const place = (tag: string): number => (order.includes(tag) ? order.indexOf(tag) : order.length);
      return place(a.tag) - place(b.tag) || a.tag.localeCompare(b.tag);
    });
}
