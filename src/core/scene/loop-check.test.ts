import { applyManner, newPiece, newStroke, addLayers, updateStrokes, type Piece } from '../document';
import { corner, ellipseShape, measurePath } from '../geometry';
import { LINEAR } from '../timing';
import { inkOnScreen, inkOverTime } from './ink-on-screen';
import { loopGaps } from './loop-check';

const path = { closed: false, points: [corner(0, 0), corner(200, 0)] } as const;
const ring = ellipseShape({ x: 0, y: 0 }, { x: 100, y: 100 });
const piece = addLayers(newPiece('Loop', undefined, undefined, 50), [
  newStroke('a', 'A', path),
  newStroke('r', 'R', ring),
]);
const gaps = (p: Piece) =>
  loopGaps(p).map(({ stroke, differs, pixels }) => [stroke.id, differs, Math.round(pixels)]);
const withWindow = (id: string, slide: number) =>
  updateStrokes(piece, [id], (s) => ({
    ...s,
    window: {
      head: 0.4,
      tail: 0,
      slide: {
        keys: [
          { frame: 0, value: 0, easing: LINEAR },
          { frame: 50, value: slide, easing: LINEAR },
        ],
      },
    },
  }));

test('a loop closes where the frame after the last is the first again', () => {
  expect(gaps(piece)).toEqual([]);
  expect(
    gaps(applyManner(piece, ['a'], { kind: 'both', onAt: 0, onFrames: 10, offAt: 30, offFrames: 10 })),
  ).toEqual([]);
  expect(gaps(applyManner(piece, ['a'], { kind: 'on', onAt: 0, onFrames: 10 }))).toEqual([['a', 'ink', 200]]);
  // Ink that runs round a ring once or twice a loop closes; one and a half times it does not.
  expect(gaps(withWindow('r', 1))).toEqual([]);
  expect(gaps(withWindow('r', -2))).toEqual([]);
  const length = measurePath(ring).length;
  expect(gaps(withWindow('r', 1.5))).toEqual([['r', 'ink', Math.round(0.8 * length)]]);
  const keyed = (to: number) =>
    updateStrokes(piece, ['a'], (s) => ({
      ...s,
      ink: {
        ...s.ink,
        width: {
          keys: [
            { frame: 0, value: 5, easing: LINEAR },
            { frame: 49, value: to, easing: LINEAR },
          ],
        },
      },
    }));
  expect(gaps(keyed(9))).toEqual([['a', 'look', 0]]);
  expect(gaps(keyed(5))).toEqual([]);
});

test('dashes that march close a loop where their speed is rounded to it, and else only by whole patterns', () => {
  for (const [value, seamless, closes] of [
    [0, false, true],
    [40, false, true],
    [-40, false, true],
    [43, false, false],
    [-77, false, false],
    [43, true, true],
    [-313, true, true],
  ] as const) {
    const p = updateStrokes(piece, ['a'], (s) => ({
      ...s,
      ink: {
        ...s.ink,
        dashes: {
          pattern: [12, 8],
          unit: 'px',
          phase: 0,
          flow: 'march',
          speed: { value, unit: 'px', seamless },
          fit: false,
          corners: false,
          grow: 0,
        },
      },
    }));
    // 40 px a second are four patterns of 20 px in the two seconds of the piece.
    expect(gaps(p)).toEqual(closes ? [] : [['a', 'look', 0]]);
  }
});

test('the chart of ink on screen is what is on screen', () => {
  const p = applyManner(piece, ['a', 'r'], { kind: 'both', onAt: 5, onFrames: 12, offAt: 30, offFrames: 10 });
  const chart = inkOverTime(p, 50);
  chart.forEach((ink, frame) => expect(ink).toBeCloseTo(inkOnScreen(p, frame), 9));
  expect(Math.max(...chart)).toBeCloseTo(200 + measurePath(ring).length, 6);
});
