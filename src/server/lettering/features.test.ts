import { readFileSync } from 'node:fs';
import { parse } from 'opentype.js';
import { settingSchema, type TextSetting } from '@/core/document';
import { axesOfSetting, featuresOfSetting, formsOfLetter, setLettering } from './faces';
import { readFontFile } from './font-file';
import { loadFace } from './harfbuzz';

const setting = (text: string, more: Partial<TextSetting> = {}): TextSetting => ({
  text,
  face: { id: 'eb-garamond', weight: 400 },
  ...{ size: 100, tracking: 0, leading: 1.2, align: 'left' },
  ...more,
});
const FILE = 'node_modules/@expo-google-fonts/eb-garamond/400Regular/EBGaramond_400Regular.ttf';
const on = (tag: string, text: string, more: Partial<TextSetting> = {}) =>
  setLettering(setting(text, { ...more, features: { [tag]: 1 } }));
const glyphs = async (of: Promise<{ glyphs: readonly { outline: string }[] }>) =>
  (await of).glyphs.map(({ outline }) => Number(outline));

/** Feature that puts one glyph in the place of another: what another reader of fonts finds in the tables. */
test.each([
  ['smcp', 'abegqr'],
  ['c2sc', 'ABEGQR'],
  ['onum', '0123456789'],
  ['lnum', '0123456789'],
  ['sups', '0123456789'],
])('%s sets each of “%s” as opentype.js reads it in the face', async (tag, text) => {
  const bytes = readFileSync(FILE);
  const font = parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
  const single = new Map<number, number>(
    (
      font as unknown as { substitution: { getSingle(tag: string): { sub: number; by: number }[] } }
    ).substitution
      .getSingle(tag)
      .map(({ sub, by }) => [sub, by]),
  );
  const expected = [...text].map((letter) => {
    const plain = font.charToGlyph(letter).index;
    return single.get(plain) ?? plain;
  });
  expect(await glyphs(on(tag, text))).toEqual(expected);
  expect(expected.some((glyph, i) => glyph !== font.charToGlyph([...text][i]!).index)).toBe(tag !== 'lnum');
});

test('only what makes a difference to the text is offered, under its registered name', async () => {
  const names = async (text: string) =>
    Object.fromEntries((await featuresOfSetting(setting(text))).map(({ tag, name }) => [tag, name]));
  const words = await names('Tide 1908');
  expect(words).toMatchObject({ smcp: 'Small capitals', onum: 'Old-style figures' });
  expect(await names('Tide')).not.toHaveProperty('onum');
  expect(await featuresOfSetting(setting('fi'))).toContainEqual({
    tag: 'liga',
    name: 'Standard ligatures',
    on: true,
  });
  // What shaping does by itself is nobody's choice.
  for (const tag of ['mark', 'mkmk', 'ccmp', 'locl', 'rlig']) expect(words).not.toHaveProperty(tag);
});

test('another form is that letter’s alone, whichever of those that are offered', async () => {
  const text = 'Quiet Queen';
  const plain = await setLettering(setting(text));
  const forms = await formsOfLetter(setting(text), 6);
  // What a capital has, by the registered names of its features; what only spaces letters is no form.
  expect(forms.map(({ name }) => name)).toEqual(
    expect.arrayContaining(['Small capitals from capitals', 'Superscript', 'Stylistic set 6']),
  );
  expect(forms.map(({ tag }) => tag)).not.toContain('kern');
  for (const { tag, value } of forms) {
    const set = await setLettering(setting(text, { letters: [{ at: 6, features: { [tag]: value } }] }));
    const changed = set.glyphs.flatMap(({ outline, cluster }) =>
      plain.glyphs.find((glyph) => glyph.cluster === cluster)!.outline === outline ? [] : [cluster],
    );
    expect([tag, value, changed]).toEqual([tag, value, [6]]);
  }
  // A space has no form of its own.
  expect(await formsOfLetter(setting(text), 5)).toEqual([]);
});

test('the axes of a variable face are those another reader finds in it, and change how it is set', async () => {
  const FACE = { id: 'instrument-sans', weight: 400 };
  const file =
    'node_modules/@fontsource-variable/instrument-sans/files/instrument-sans-latin-standard-normal.woff2';
  const bytes = await readFontFile(readFileSync(file));
  const font = parse(
    bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer,
  );
  const { axes: found } = (
    font as unknown as {
      tables: { fvar: { axes: { tag: string; minValue: number; maxValue: number; defaultValue: number }[] } };
    }
  ).tables.fvar;
  const axes = await axesOfSetting(setting('Tide', { face: FACE }));
  expect(axes.map(({ tag, min, max, initial }) => [tag, min, max, initial])).toEqual(
    found
      .filter(({ tag }) => tag !== 'wght')
      .map(({ tag, minValue, maxValue, defaultValue }) => [tag, minValue, maxValue, defaultValue]),
  );
  const [{ tag, min, max }] = axes as [(typeof axes)[number]];
  expect(tag).toBe('wdth');
  const last = async (place: number) =>
    (await setLettering(setting('Tides', { face: { ...FACE, axes: { wdth: place } } }))).glyphs.at(-1)!.x;
  expect(await last(min)).toBeLessThan((await last(max)) * 0.9);
  // Beyond its ends an axis stays at them.
  expect(await last(max + 500)).toBe(await last(max));
});

test('tracking lets go of ligatures but for those that are asked for, as CSS Text 3 has it', async () => {
  const count = async (more: Partial<TextSetting>) => (await setLettering(setting('fi', more))).glyphs.length;
  expect(await count({})).toBe(1);
  expect(await count({ tracking: 50 })).toBe(2);
  expect(await count({ tracking: 50, features: { liga: 1 } })).toBe(1);
  expect(await count({ features: { liga: 0 } })).toBe(2);
});

test('a setting takes tags of four letters or digits alone', () => {
  const read = (features: Record<string, number>) =>
    settingSchema.safeParse(setting('a', { features })).success;
  expect([{ ss01: 1 }, { swsh: 3 }, {}].map(read)).toEqual([true, true, true]);
  expect([{ ss1: 1 }, { 'smcp ': 1 }, { 'sm=1': 1 }, { smcp: -1 }, { smcp: 0.5 }].map(read)).toEqual(
    Array(5).fill(false),
  );
});

test('every shipped face names its features once', async () => {
  const { features } = await loadFace(readFileSync(FILE));
  const tags = features.map(({ tag }) => tag);
  expect(new Set(tags).size).toBe(tags.length);
  expect(tags.length).toBeGreaterThan(20);
});
