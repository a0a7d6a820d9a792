import fc from 'fast-check';
import { settingOf } from '../../testing/unset-text';
import { settingSchema } from '../schema/lettering';
import { changeSetting, lettersIn, setLetters } from './letters';

const words = fc.string({ unit: fc.constantFrom('a', 'b', 'c', ' ', 'é', 'م'), minLength: 1, maxLength: 14 });
/** A text of which some letters are moved and coloured, each otherwise. */
const apart = words.chain((text) =>
  fc
    .uniqueArray(fc.nat({ max: text.length - 1 }), { maxLength: 6 })
    .map((places) =>
      places.reduce(
        (setting, at) => setLetters(setting, [at], () => ({ x: at + 1, y: -at, kern: 10 + at })),
        settingOf(text),
      ),
    ),
);

test('letters that are set by themselves stand in the order of the text, each once; made plain again they are not named', () => {
  fc.assert(
    fc.property(apart, (setting) => {
      expect(settingSchema.safeParse(setting).success).toBe(true);
      const places = (setting.letters ?? []).map(({ at }) => at);
      expect(places).toEqual([...new Set(places)].sort((a, b) => a - b));
      const reset = setLetters(setting, places, () => ({ x: undefined, y: undefined, kern: undefined }));
      expect(reset).toEqual(settingOf(setting.text));
    }),
  );
});

test('when part of a text is typed anew, every letter that is kept is the same character as before', () => {
  fc.assert(
    fc.property(apart, fc.nat(), fc.nat(), words, (setting, from, length, typed) => {
      const start = from % (setting.text.length + 1);
      const end = Math.min(setting.text.length, start + (length % 6));
      const text = setting.text.slice(0, start) + typed + setting.text.slice(end);
      const next = changeSetting(setting, { text });
      expect(settingSchema.safeParse(next).success).toBe(true);
      // Each was marked by where it began: it says itself which one it was.
      for (const { at, kern } of next.letters ?? []) expect(text[at]).toBe(setting.text[kern! - 10]);
      // All that begin before the change, and all that end with the text as it did, are kept, or as many where texts alone don't tell.
      const before = (setting.letters ?? []).filter(({ at }) => at < start || at >= end);
      expect(next.letters?.length ?? 0).toBeGreaterThanOrEqual(before.length);
    }),
  );
});

test('where a text ends as it begins, letters that are set by themselves are kept by either end', () => {
  const setting = setLetters(settingOf('ababa'), [3], () => ({ x: 4 }));
  expect(changeSetting(setting, { text: 'aba' }).letters).toEqual([{ at: 1, x: 4 }]);
  const first = setLetters(settingOf('ababa'), [1], () => ({ x: 4 }));
  expect(changeSetting(first, { text: 'aba' }).letters).toEqual([{ at: 1, x: 4 }]);
});

test('letters that were moved go along with the size, and stay with another face; how they are written does not', () => {
  const setting = {
    ...setLetters(settingOf('Ebb'), [1], () => ({ x: 10, y: -4, rotation: 0.2 })),
    ductus: { b: 'x' },
  };
  const larger = changeSetting(setting, { size: 250 });
  expect(larger.letters).toEqual([{ at: 1, x: 25, y: -10, rotation: 0.2 }]);
  expect(larger).toHaveProperty('ductus');
  const other = changeSetting(setting, { face: { id: 'allura', weight: 400 } });
  expect(other.letters).toEqual(setting.letters);
  expect(other).not.toHaveProperty('ductus');
});

test('the letters of a text are what the face made of it: several characters that are one glyph are one letter', () => {
  const glyph = (cluster: number) => ({ outline: '1', x: 0, y: 0, cluster });
  const set = { outlines: {}, scale: 1, missing: [], glyphs: [0, 2, 2, 5, 4].map(glyph) };
  expect(lettersIn({ setting: settingOf('fiebu '), set })).toEqual([
    { at: 0, letter: 'fi' },
    { at: 2, letter: 'eb' },
    { at: 4, letter: 'u' },
    { at: 5, letter: '' },
  ]);
});
