import { reversePath } from '../geometry';
import { TRACE_OPTIONS } from '../trace';
import { makeCanvas, measuresOf } from './face-measures';
import { faceWords } from './face-words';
import { judgeWord } from './words-written';
import { traceLetters, type TracedStroke } from '../trace';

const word = faceWords('quicksand/400Regular/Quicksand_400Regular.ttf');
const measures = measuresOf(word);
const LETTERS = [...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ23456789'];

/** Letters of which what is done to their strokes breaks the rules. */
const broken = (change: (strokes: readonly TracedStroke[]) => TracedStroke[]): string[] =>
  LETTERS.filter((letter) => {
    const layer = word(letter);
    return (
      judgeWord(layer, change(traceLetters(layer, TRACE_OPTIONS, makeCanvas)!), measures).otherwise.length > 0
    );
  });
const turned = (stroke: TracedStroke): TracedStroke => ({ ...stroke, path: reversePath(stroke.path) });

test('the rules are kept by letters as they are traced, and broken by the same letters written backward', () => {
  expect(broken((strokes) => [...strokes])).toEqual([]);
  const backward = broken((all) => [...all].reverse().map(turned));
  const kept = LETTERS.filter((letter) => !backward.includes(letter));
  expect(kept).toEqual([]);
});

test('stems written after the bowls that hang on them break the rules', () => {
  const found = new Set(broken((strokes) => [...strokes].reverse()));
  for (const letter of 'bdghkpqBDKPR') expect([letter, found.has(letter)]).toEqual([letter, true]);
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
