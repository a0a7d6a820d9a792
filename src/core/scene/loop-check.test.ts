import {
  addEffect,
  addLayers,
  addNested,
  applyManner,
  groupLayers,
  newMask,
  newPiece,
  newStroke,
  placementAbout,
  setMasks,
  setNested,
  strokesOf,
  updateParts,
  updateStrokes,
  type Piece,
  type Placement,
} from '../document';
import { corner, ellipseShape, measurePath } from '../geometry';
import { LINEAR, type Animated } from '../timing';
import { EFFECT_KINDS, newEffect } from '../effects';
import { inkedLength, inkOverTime } from './ink-on-screen';
import { loopGaps } from './loop-check';

const path = { closed: false, points: [corner(0, 0), corner(200, 0)] } as const;
const ring = ellipseShape({ x: 0, y: 0 }, { x: 100, y: 100 });
const piece = addLayers(newPiece('Loop', undefined, undefined, 50), [
  newStroke('a', 'A', path),
  newStroke('r', 'R', ring),
]);
const gaps = (p: Piece) =>
  loopGaps(p).map(({ part, differs, pixels }) => [part.id, differs, Math.round(pixels)]);
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

test('a loop closes only where placements, fades, masks, texts and nested pieces are the same again', () => {
  const to = (from: number, end: number) => ({
    keys: [
      { frame: 0, value: from, easing: LINEAR },
      { frame: 50, value: end, easing: LINEAR },
    ],
  });
  const placed = (part: Partial<Placement>, id = 'a') =>
    updateParts(groupLayers(piece, ['a', 'r'], { id: 'g', name: 'G' }), [id], (one) => ({
      ...one,
      place: { ...placementAbout({ x: 50, y: 0 }), ...part },
    }));
  expect(gaps(placed({ x: to(0, 30) }))).toEqual([['a', 'place', 0]]);
  expect(gaps(placed({ x: to(0, 30) }, 'g'))).toEqual([
    ['a', 'place', 0],
    ['r', 'place', 0],
  ]);
  // A whole turn is where it was.
  expect(gaps(placed({ rotation: to(0, 2 * Math.PI) }))).toEqual([]);
  expect(gaps(placed({ opacity: to(0.2, 1) }))).toEqual([['a', 'strength', 0]]);
  // What is seen at neither end does not matter.
  expect(gaps(placed({ opacity: 0, x: to(0, 30) }))).toEqual([]);
  const wipe = { kind: 'linear wipe', from: { x: 0, y: 0 }, to: { x: 200, y: 0 } } as const;
  const wiped = (share: Animated) => setMasks(piece, 'a', [newMask('M', { ...wipe, share })]);
  expect(gaps(wiped(to(0, 1)))).toEqual([['a', 'masks', 0]]);
  expect(gaps(wiped(to(0.5, 0.5)))).toEqual([]);
  const inner = applyManner(piece, ['a'], { kind: 'on', onAt: 5, onFrames: 10 });
  const origin = { piece: '00000000-0000-4000-8000-000000000001', revision: 1 };
  const around = (start: number, after: 'again' | 'nothing') =>
    setNested(addNested(piece, 'n', inner, origin, start), 'n', { after });
  expect(gaps(around(0, 'again'))).toEqual([]);
  expect(gaps(around(-10, 'nothing'))).toEqual([['n', 'piece', 0]]);
  expect(gaps(around(20, 'nothing'))).toEqual([['n', 'piece', 0]]);
});

test('the chart of ink on screen is what is on screen', () => {
  const p = applyManner(piece, ['a', 'r'], { kind: 'both', onAt: 5, onFrames: 12, offAt: 30, offFrames: 10 });
  const chart = inkOverTime(p, 50);
  const inkAt = (frame: number): number =>
    strokesOf(p).reduce((sum, stroke) => sum + inkedLength(stroke, frame), 0);
  chart.forEach((ink, frame) => expect(ink).toBeCloseTo(inkAt(frame), 9));
  // A stroke that changed is reckoned again, those that did not are as they were.
  const [first, ...rest] = p.layers;
  const hidden = inkOverTime({ ...p, layers: [{ ...first!, hidden: true }, ...rest] }, 50);
  expect(hidden).not.toEqual(chart);
  expect(inkOverTime(p, 50)).toEqual(chart);
  expect(Math.max(...chart)).toBeCloseTo(200 + measurePath(ring).length, 6);
});

test('effects are part of the loop: drawings that go on never close, those that repeat do; a wake closes where its stroke rests', () => {
  const made = (name: string, values: object, of = piece, id = 'a') => {
    const { is } = newEffect(
      EFFECT_KINDS.find((kind) => kind.name === name)!,
      1,
    );
    return addEffect(of, [id], { on: true, is: { ...is, ...values } });
  };
  expect(gaps(made('Wobble', { held: 2, loop: 0 }))).toEqual([['a', 'finish', 0]]);
  expect(gaps(made('Wobble', { held: 2, loop: 10 }))).toEqual([]);
  expect(gaps(made('Glow', {}))).toEqual([]);
  const both = applyManner(piece, ['a'], { kind: 'both', onAt: 4, onFrames: 10, offAt: 30, offFrames: 10 });
  expect(gaps(made('Wake', {}, both))).toEqual([]);
  const late = applyManner(piece, ['a'], { kind: 'both', onAt: 4, onFrames: 10, offAt: 38, offFrames: 11 });
  expect(gaps(made('Wake', {}, late))).toEqual([['a', 'finish', 0]]);
  const group = groupLayers(piece, ['a', 'r'], { id: 'g', name: 'G' });
  expect(gaps(made('Rough edge', { held: 3 }, group, 'g'))).toEqual([['g', 'finish', 0]]);
});
