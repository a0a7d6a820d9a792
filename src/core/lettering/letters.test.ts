import {
  changeSetting,
  colourOfGlyph,
  glyphMatrices,
  letterOutlines,
  newLettering,
  readPiece,
  newPiece,
  addLayers,
  scaledLayer,
  setLetters,
  type Lettering,
  type TextSetting,
} from '../document';
import { applyMatrix, commandsBounds } from '../geometry';
import { artItems } from '../scene';
import { setText, type Shaper } from '.';

/** A face of bars, each letter as wide as its place in the alphabet says; `salt` gives capitals a taller bar. */
const SHAPER: Shaper = {
  unitsPerEm: 1000,
  shape: (line, { ranges = [] }) =>
    [...line].map((letter, cluster) => {
      const tall = ranges.some(
        (r) => r.tag === 'salt' && r.value > 0 && cluster >= r.start && cluster < r.end,
      );
      return {
        glyph: letter === ' ' ? 1 : letter.charCodeAt(0) + (tall ? 1000 : 0),
        ...{ cluster, dx: 0, dy: 0, advance: 400 + letter.charCodeAt(0) },
      };
    }),
  outline: (glyph) => (glyph === 1 ? '' : `M0 0L300 0L300 ${glyph > 1000 ? -900 : -500}L0 -500Z`),
};
const SETTING: TextSetting = {
  ...{ text: 'reed cutter', face: { id: 'none', weight: 400 }, size: 100 },
  ...{ tracking: 0, leading: 1.2, align: 'left' },
};
const lettering = (setting: TextSetting): Lettering =>
  newLettering('t', 'Text', setting, setText(setting, SHAPER), { x: 50, y: 300 });
const boxes = (text: Lettering) => letterOutlines(text).map((outline) => commandsBounds(outline)!);
const middle = ({ left, right, top, bottom }: ReturnType<typeof boxes>[number]) => [
  (left + right) / 2,
  (top + bottom) / 2,
];

test('kerning adds between a letter and the next, moves all that stand after it, and nothing after the last', () => {
  const plain = lettering(SETTING);
  for (const at of [0, 3, 5, 10]) {
    const kerned = lettering(setLetters(SETTING, [at], () => ({ kern: 120 })));
    const by = boxes(kerned).map(({ left }, i) => left - boxes(plain)[i]!.left);
    const glyphs = plain.set.glyphs;
    expect(by.map(Math.round)).toEqual(glyphs.map(({ cluster }) => (cluster > at ? 12 : 0)));
  }
  // Aligned to the right the line keeps its right end.
  const right = { ...SETTING, align: 'right' as const };
  const kerned = lettering(setLetters(right, [0], () => ({ kern: 300 })));
  expect(boxes(kerned).at(-1)!.right).toBeCloseTo(boxes(lettering(right)).at(-1)!.right, 6);
});

test('a letter is moved, turned and scaled about the middle of its ink; the others stay as they are', () => {
  const plain = boxes(lettering(SETTING));
  const setting = setLetters(SETTING, [2], () => ({ x: 7, y: -9, rotation: Math.PI / 2, scale: 2 }));
  const moved = boxes(lettering(setting));
  const [x, y] = middle(plain[2]!);
  expect(middle(moved[2]!).map((v) => Math.round(v * 1e6) / 1e6)).toEqual([x! + 7, y! - 9]);
  expect(moved[2]!.right - moved[2]!.left).toBeCloseTo(2 * (plain[2]!.bottom - plain[2]!.top), 6);
  expect(moved.filter((_, i) => i !== 2)).toEqual(plain.filter((_, i) => i !== 2));
  // Its matrix leads from the units of the outline to where it is seen.
  const text = lettering(setting);
  const corner = applyMatrix(glyphMatrices(text)[2]!, { x: 0, y: 0 });
  expect(corner.x).toBeCloseTo(moved[2]!.left, 6);
  // Scaled as a whole, every letter is scaled with it.
  const k = 1.5;
  const grown = boxes(scaledLayer<Lettering>(text, k, { x: 0, y: 0 }));
  grown.forEach((box, i) =>
    expect(middle(box).map((v) => v / k)).toEqual(middle(moved[i]!).map((v) => expect.closeTo(v, 6))),
  );
});

test('colours of letters: one fill for each, all of it as one where it is not opaque', () => {
  const setting = setLetters(SETTING, [0, 5], () => ({ colour: '#ff0000' }));
  const text = { ...lettering(setting), colour: '#112233', opacity: 0.5 };
  expect([0, 1, 4].map((i) => colourOfGlyph(text, i))).toEqual(['#ff0000', '#112233', '#ff0000']);
  const [only, ...more] = artItems(text);
  expect(more).toEqual([]);
  expect(only).toMatchObject({
    kind: 'group',
    opacity: 0.5,
    items: [
      { kind: 'fill', colour: '#ff0000', opacity: 1 },
      { kind: 'fill', colour: '#112233', opacity: 1 },
    ],
  });
  const plain = artItems({ ...lettering(SETTING), opacity: 0.5 });
  expect(plain).toMatchObject([{ kind: 'fill', opacity: 0.5 }]);
});

test('another form is that letter’s alone, also in a text that is broken into lines', () => {
  const tall = (text: Lettering) =>
    text.set.glyphs.flatMap(({ outline, cluster }) => (Number(outline) > 1000 ? [cluster] : []));
  const features = { salt: 1 };
  expect(tall(lettering(setLetters(SETTING, [3, 6], () => ({ features }))))).toEqual([3, 6]);
  const broken: TextSetting = { ...SETTING, fit: { width: 300, how: 'break' } };
  const set = lettering(setLetters(broken, [6], () => ({ features })));
  expect(set.set.fitted!.lines).toHaveLength(2);
  expect(tall(set)).toEqual([6]);
});

test('letters go with their text when it is changed, and move in proportion with its size', () => {
  const letters = [0, 2, 7].map((at) => ({ at, x: 10, kern: at }));
  const setting: TextSetting = { ...SETTING, letters };
  const after = (text: string) => changeSetting(setting, { text }).letters?.map(({ at, kern }) => [at, kern]);
  // Before, within and after what is typed; what is replaced is gone.
  expect(after('the reed cutter')).toEqual([
    [4, 0],
    [6, 2],
    [11, 7],
  ]);
  expect(after('reed and cutter')).toEqual([
    [0, 0],
    [2, 2],
    [11, 7],
  ]);
  expect(after('reed')).toEqual([
    [0, 0],
    [2, 2],
  ]);
  expect(after('xyz')).toBeUndefined();
  expect(after('reed cutters')).toEqual(letters.map(({ at }) => [at, at]));
  expect(changeSetting(setting, { size: 250 }).letters!.map(({ x }) => x)).toEqual([25, 25, 25]);
  // How letters are written stays with their face.
  const written = { ...setting, ductus: { a: 'round' } };
  expect(changeSetting(written, { size: 250 }).ductus).toEqual({ a: 'round' });
  expect(changeSetting(written, { face: { ...setting.face, weight: 700 } }).ductus).toEqual({ a: 'round' });
  expect(changeSetting(written, { face: { id: 'lora', weight: 400 } }).ductus).toBeUndefined();
  // A letter that is given back everything is one of the others.
  const back = setLetters(setting, [0, 2, 7], () => ({ x: undefined, kern: undefined }));
  expect(back).toEqual(SETTING);
  const piece = addLayers(newPiece('Letters'), [lettering(setting)]);
  expect(readPiece(JSON.parse(JSON.stringify(piece)) as unknown)).toEqual({ ok: true, piece });
  const twice = { ...setting, letters: [letters[1]!, letters[0]!] };
  expect(readPiece(addLayers(newPiece('No'), [lettering(twice)])).ok).toBe(false);
});
