import { commandsBounds, corner } from '@/core/geometry';
import {
  addLayers,
  letterOutlines,
  lettersOf,
  newLettering,
  newPiece,
  newStroke,
  settlePiece,
  strokesOf,
  type Piece,
  type TextSetting,
} from '@/core/document';
import { filledPiece } from './filled-piece';
import { setLettering } from './lettering';

/** A name in a face that has axes, and a field for its face. */
async function named(): Promise<Piece> {
  const setting: TextSetting = {
    text: 'Jorun Brackwater',
    face: { id: 'instrument-sans', weight: 600, axes: { wdth: 75 } },
    ...{ size: 80, tracking: 0, leading: 1.2, align: 'left', letters: [{ at: 6, kern: 200 }] },
  };
  const text = newLettering('n', 'Name', setting, await setLettering(setting), { x: 100, y: 500 });
  const fields = [{ name: 'Face', kind: 'face', of: ['n'] } as const];
  return { ...addLayers(newPiece('Strip'), [text]), fields };
}
const width = (piece: Piece): number => {
  const box = commandsBounds(letterOutlines(lettersOf(piece)[0]!).flat())!;
  return box.right - box.left;
};

test('a field of a face sets its texts in another: with their weight, without axes of the face before', async () => {
  const piece = await named();
  const [wide, narrow] = [
    await filledPiece(piece, { face: 'work-sans' }),
    await filledPiece(piece, { Face: 'barlow-condensed' }),
  ];
  expect(lettersOf(narrow)[0]!.setting).toEqual({
    ...lettersOf(piece)[0]!.setting,
    face: { id: 'barlow-condensed', weight: 600 },
  });
  expect(width(narrow)).toBeLessThan(0.8 * width(wide));
  for (const [value, words] of [
    ['Not a face!', /names no face for “Face”/],
    ['nobody-knows-it', /not here any more/],
  ] as const)
    await expect(filledPiece(piece, { Face: value })).rejects.toThrow(words);
});

test('fields of a colour and of a number are filled by their names, and what does not fit them is refused', async () => {
  const piece = await named();
  const line = { closed: false, points: [corner(0, 0), corner(100, 0)] };
  const rule = { ...newStroke('r', 'Rule', line), window: { head: 0.4, tail: 0, slide: 0 } };
  const fields = [
    { name: 'Ink', kind: 'colour', of: ['n', 'r'] },
    { name: 'Tide', kind: 'number', of: ['n'] },
  ] as const;
  const counted = { value: 40, places: 0, follows: { to: 'r', none: 0, all: 100 } };
  const layers = [...piece.layers.map((layer) => ({ ...layer, count: counted })), rule] as Piece['layers'];
  const strip = settlePiece(null, { ...piece, layers, fields: [...fields] });
  const filled = await filledPiece(strip, { ink: '#15604e', TIDE: '80' });
  const [text, stroke] = [lettersOf(filled)[0]!, strokesOf(filled)[0]!];
  expect([text.colour, stroke.ink.colour]).toEqual(['#15604e', '#15604e']);
  expect([text.count!.value, stroke.window.head]).toEqual([80, expect.closeTo(0.8)]);
  for (const [values, words] of [
    [{ Ink: 'red-ish' }, /no colour such as #ff6b3d for “Ink”/],
    [{ Tide: 'high' }, /“high” is not a number for “Tide”/],
    [{ Tide: ' ' }, /is not a number/],
    [{ Depth: '3' }, /no field “Depth”; it has “Ink”, “Tide”/],
  ] as const)
    await expect(filledPiece(strip, values as Record<string, string>)).rejects.toThrow(words);
});
