import { formsOf, isJoinedScript, positionIn, type Position } from '.';

/**
 * The letters of Arabic with the shapes that they have by the Unicode Standard: its block Arabic Presentation Forms-B has a character
 * for each shape of each letter, in the order isolated, final, initial, medial, which the standard's normalisation leads back to it.
 */
const SHAPES = new Map<string, number>();
for (let code = 0xfe80; code <= 0xfef4; code++) {
  // Two shapes of alef maksura stand in another block.
  if (code === 0xfeef || code === 0xfef0) continue;
  const letter = String.fromCodePoint(code).normalize('NFKC');
  SHAPES.set(letter, (SHAPES.get(letter) ?? 0) + 1);
}
const LETTERS = [...SHAPES.keys()];
const at = (text: string, index: number): Position => positionIn(text, index, index + 1);

test('letters join as the Unicode Standard has shapes for', () => {
  expect(LETTERS.length).toBeGreaterThan(30);
  for (const [letter, shapes] of SHAPES) {
    // Between two letters that join on both sides: four shapes join to both, two to the one before, one to none.
    const position = { 4: 'medial', 2: 'final', 1: 'isolated' }[shapes];
    expect([letter, at(`ب${letter}ب`, 1)]).toEqual([letter, position]);
    expect([letter, at(`${letter}ب`, 0)]).toEqual([letter, shapes === 4 ? 'initial' : 'isolated']);
    expect([letter, at(letter, 0)]).toEqual([letter, 'isolated']);
  }
});

test('signs over letters are looked through, joiners join, spaces and other scripts part', () => {
  expect(positionIn('بَب', 0, 2)).toBe('initial');
  expect(positionIn('بَب', 2, 3)).toBe('final');
  expect(at('ب ب', 0)).toBe('isolated');
  expect(at('ب\u200c\u200cب', 0)).toBe('isolated');
  expect([at('\u200dب', 1), positionIn('\u200dب\u200d', 0, 3), at('ـب', 1)]).toEqual([
    'final',
    'medial',
    'final',
  ]);
  expect([at('ab', 0), at('नद', 0), positionIn('', 0, 0)]).toEqual(['isolated', 'isolated', 'isolated']);
  expect([isJoinedScript('tide مد'), isJoinedScript('tide ١٢'), isJoinedScript('नदी')]).toEqual([
    true,
    false,
    false,
  ]);
});

test('every letter has a form in every shape that the standard has of it, dots and all', () => {
  const positions: Position[] = ['isolated', 'final', 'initial', 'medial'];
  for (const [letter, shapes] of SHAPES)
    for (const position of positions.slice(0, shapes)) {
      const forms = formsOf(letter, position);
      expect([letter, position, forms.length > 0]).toEqual([letter, position, true]);
      // What is written after the word comes last in the letter.
      for (const { movements } of forms) {
        const marks = movements.map(({ isMark }) => isMark);
        expect([letter, marks]).toEqual([letter, [...marks].sort()]);
      }
    }
  const dots = (letter: string): number =>
    formsOf(letter, 'isolated')[0]!.movements.filter(({ isMark }) => isMark).length;
  expect([...'حجتشآؤ'].map(dots)).toEqual([0, 1, 2, 3, 1, 1]);
  // A vowel over a letter is one mark more.
  expect(dots('بَ')).toBe(2);
});
