import { reversePath } from '../geometry';
import { TRACE_OPTIONS } from '../trace';
import { makeCanvas, measuresOf } from './face-measures';
import { faceWords } from './face-words';
import { judgeWord } from './words-written';
import { traceLetters, type TracedStroke } from '../trace';
import { someOf } from './cases';

const FACES = {
  quicksand: 'quicksand/400Regular/Quicksand_400Regular.ttf',
  sacramento: 'sacramento/400Regular/Sacramento_400Regular.ttf',
  allura: 'allura/400Regular/Allura_400Regular.ttf',
};
const word = faceWords(FACES.quicksand);
const measures = measuresOf(word);
const LETTERS = [...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ23456789'];
const SOME = someOf(LETTERS, 12);

/** Letters of which what is done to their strokes breaks the rules. */
const broken = (
  change: (strokes: readonly TracedStroke[]) => TracedStroke[],
  set = word,
  face = measures,
  letters = SOME,
): string[] =>
  letters.filter((letter) => {
    const layer = set(letter);
    return (
      judgeWord(layer, change(traceLetters(layer, TRACE_OPTIONS, makeCanvas)!), face).otherwise.length > 0
    );
  });
const turned = (stroke: TracedStroke): TracedStroke => ({ ...stroke, path: reversePath(stroke.path) });

test('the rules are kept by letters as they are traced, and broken by the same letters written backward', () => {
  expect(broken((strokes) => [...strokes])).toEqual([]);
  const backward = broken((all) => [...all].reverse().map(turned));
  const kept = SOME.filter((letter) => !backward.includes(letter));
  expect(kept).toEqual([]);
});

test.each(['sacramento', 'allura'] as const)(
  'letters of flourished hands written backward break the rules too: %s',
  (face) => {
    const set = faceWords(FACES[face]);
    const letters = someOf(LETTERS.slice(0, 52), 13);
    const backward = broken((all) => [...all].reverse().map(turned), set, measuresOf(set), letters);
    // A few of one looped line (l, f, J) come to the same places either way.
    expect((letters.length - backward.length) / letters.length).toBeLessThan(7 / 52);
  },
);

test('stems written after the bowls that hang on them break the rules', () => {
  const hung = someOf([...'bdghkpqBDKPR'], 4);
  const found = new Set(broken((strokes) => [...strokes].reverse(), word, measures, hung));
  for (const letter of hung) expect([letter, found.has(letter)]).toEqual([letter, true]);
});

test('a bit of a letter that waits until later letters is told, unless it is a dot or bar of a letter that has one', () => {
  const layer = word('ad');
  const strokes = traceLetters(layer, TRACE_OPTIONS, makeCanvas)!;
  const [first, ...rest] = strokes;
  expect(judgeWord(layer, [...rest, first!], measures).early.length).toBeGreaterThan(0);
  // Calling it a mark does not help.
  const mark = { ...first!, written: { ...first!.written!, isMark: true } };
  expect(judgeWord(layer, [...rest, mark], measures).early.length).toBeGreaterThan(0);
  const tide = word('it');
  expect(judgeWord(tide, traceLetters(tide, TRACE_OPTIONS, makeCanvas)!, measures).early).toEqual([]);
});
