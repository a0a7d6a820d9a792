import { addLayers, newPiece } from '@/core/document';
import { unsetText } from '@/core/testing/unset-text';
import { letLettersGo, lettersInHand, takeLetters, useLettersInHand } from './letters-in-hand';

const glyph = (cluster: number) => ({ outline: 'g', cluster, x: cluster * 10, y: 0 });
const text = unsetText('t', 'Reed');
const piece = addLayers(newPiece('P'), [{ ...text, set: { ...text.set, glyphs: [0, 1, 2, 3].map(glyph) } }]);
const chosen = (...layers: string[]) => lettersInHand({ piece, selection: { layers } as never });

beforeEach(letLettersGo);

test('letters are taken in place of others or with them, in their order, and let go of one by one', () => {
  takeLetters('t', 2, false);
  takeLetters('t', 0, true);
  expect(chosen('t')).toMatchObject({ places: [0, 2] });
  takeLetters('t', 2, true);
  expect(chosen('t')).toMatchObject({ places: [0] });
  takeLetters('t', 3, false);
  expect(chosen('t')).toMatchObject({ places: [3] });
  // Those of another text are not added to.
  takeLetters('other', 1, true);
  expect(useLettersInHand.getState()).toEqual({ of: 'other', places: [1] });
});

test('they are in hand while their text is selected alone and has them', () => {
  takeLetters('t', 1, false);
  expect(chosen('t')?.lettering.id).toBe('t');
  expect([chosen(), chosen('t', 'u'), chosen('u')]).toEqual([null, null, null]);
  takeLetters('t', 9, true);
  expect(chosen('t')).toMatchObject({ places: [1] });
  takeLetters('t', 9, false);
  expect(chosen('t')).toBeNull();
});
