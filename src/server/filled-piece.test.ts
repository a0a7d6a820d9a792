import { commandsBounds } from '@/core/geometry';
import {
  addLayers,
  letterOutlines,
  lettersOf,
  newLettering,
  newPiece,
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
