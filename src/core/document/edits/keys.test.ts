import fc from 'fast-check';
import { corner } from '../../geometry';
import { keyedPartNames } from '../../properties';
import {
  ease,
  HOLD,
  keysOf,
  LINEAR,
  reversedEasing,
  valueAt,
  type Animated,
  type Easing,
} from '../../timing';
import { windowAt } from '../at/window-at';
import { KEYED_ROOTS, keyedParts, keyedSchema, partOf } from '../parts/keyed-parts';
import { updateStrokes } from '../parts/update';
import { newPiece, newStroke } from '../schema/new-piece';
import { groupSchema, strokeById, type Piece } from '../schema/piece';
import {
  changeValues,
  copyKeys,
  keysAt,
  mirrorKeys,
  pasteKeys,
  retimeKeys,
  reverseKeys,
  shiftStrokes,
  type KeyRef,
} from './keys';
import { addLayers } from './layers';
import { applyManner } from './manner';
import { lastKeyedFrame, moveMarker, putMarker, setWorkRange, withLength, withRate } from './piece-time';

const path = { closed: false, points: [corner(0, 0), corner(300, 0)] } as const;
const eased = (frame: number, value: number, easing: Easing = LINEAR) => ({ frame, value, easing });
const rich = (p: Piece) =>
  updateStrokes(p, ['a'], (stroke) => ({
    ...stroke,
    ink: {
      ...stroke.ink,
      width: { keys: [eased(4, 10), eased(30, 20)] },
      colour: { keys: [{ frame: 8, value: '#ff0000', easing: HOLD }] },
      gradient: {
        along: 'visible',
        from: { x: 0, y: 0 },
        to: { x: 1, y: 0 },
        stops: [
          { at: 0, colour: '#ffffff', opacity: 1 },
          { at: { keys: [eased(2, 0.2), eased(9, 0.8)] }, colour: '#000000', opacity: 1 },
        ],
      },
    },
  }));
const bare = addLayers(newPiece('Keys', undefined, undefined, 100), [
  newStroke('a', 'A', path),
  newStroke('b', 'B', path),
]);
const piece = rich(
  applyManner(bare, ['a', 'b'], { kind: 'both', onAt: 10, onFrames: 20, offAt: 70, offFrames: 10 }),
);
const a = (p: Piece) => strokeById(p, 'a')!;
const all = (part: string, id = 'a', p = piece): KeyRef[] =>
  keysAt(p, { stroke: id, part }).map((_, index) => ({ stroke: id, part, index }));

test('everything that is keyed is found, read and moved by its name', () => {
  const parts = keyedParts(a(piece));
  expect(parts).toEqual(['head', 'tail', 'ink.width', 'ink.colour', 'ink.gradient.stops.1.at']);
  const moved = shiftStrokes(piece, ['a'], 7);
  for (const part of parts) {
    const [was, now] = [piece, moved].map((p) => keysAt(p, { stroke: 'a', part }).map((key) => key.frame));
    expect(now).toEqual(was!.map((frame) => frame + 7));
  }
  expect(strokeById(moved, 'b')).toBe(strokeById(piece, 'b'));
  const retimed = retimeKeys(piece, all('ink.gradient.stops.1.at'), (frame) => frame * 2);
  expect(keysAt(retimed, { stroke: 'a', part: 'ink.gradient.stops.1.at' }).map((k) => k.frame)).toEqual([
    4, 18,
  ]);
  expect(partOf(a(piece), 'ink.glow.size')).toBeUndefined();
});

const EASINGS: Easing[] = [
  LINEAR,
  HOLD,
  { type: 'bezier', x1: 0.3, y1: -0.2, x2: 0.4, y2: 1.3 },
  { type: 'steps', count: 4, jump: 'start' },
  { type: 'steps', count: 3, jump: 'none' },
  {
    type: 'list',
    points: [
      { at: 0, value: 0 },
      { at: 0.3, value: 0.9 },
      { at: 1, value: 1 },
    ],
  },
  { type: 'shape', name: 'quartic', way: 'in' },
  { type: 'back', overshoot: 1.7, way: 'out' },
  { type: 'elastic', amplitude: 1, period: 0.3, way: 'both' },
  { type: 'bounce', way: 'out' },
  { type: 'spring', mass: 1, stiffness: 120, damping: 14 },
  { type: 'minimum jerk' },
];

test('keys turned round in time play backwards, whatever the curve between them', () => {
  for (const easing of EASINGS) {
    const keyed = updateStrokes(piece, ['a'], (stroke) => ({
      ...stroke,
      window: {
        ...stroke.window,
        head: { keys: [eased(10, 0, easing), eased(30, 0.7, easing), eased(50, 1)] },
      },
    }));
    const turned = reverseKeys(keyed, all('head', 'a', keyed));
    const [before, after] = [keyed, turned].map((p) => a(p).window.head) as [Animated, Animated];
    for (let f = 10; f <= 50; f += 0.31) {
      // A spring has no turned form: it is read at places close together.
      expect(valueAt(after, 60 - f)).toBeCloseTo(valueAt(before, f), easing.type === 'spring' ? 1.5 : 6);
    }
    for (let x = 0.013; x < 1; x += 0.05) {
      expect(ease(reversedEasing(reversedEasing(easing)), x)).toBeCloseTo(
        ease(easing, x),
        easing.type === 'spring' ? 1.5 : 9,
      );
    }
  }
});

test('mirrored keys write off what they wrote on; values are scaled by any rule, colours left alone', () => {
  const refs = all('head');
  const mirrored = mirrorKeys(piece, refs);
  expect(keysOf(a(mirrored).window.head).map((key) => key.value)).toEqual([1, 0]);
  expect(mirrorKeys(mirrored, refs)).toEqual(piece);
  const half = changeValues(piece, [...refs, ...all('ink.colour')], (v) => v / 2);
  expect(keysOf(a(half).window.head).map((key) => key.value)).toEqual([0, 0.5]);
  expect(a(half).ink.colour).toEqual(a(piece).ink.colour);
});

test('copied keys are put where the playhead is: on others, or back where they came from', () => {
  const one = copyKeys(piece, [...all('head'), ...all('tail')]);
  const onB = pasteKeys(piece, one, ['b'], 15);
  expect(keysAt(onB, { stroke: 'b', part: 'head' }).map((key) => key.frame)).toEqual([10, 15, 30, 35]);
  expect(keysAt(onB, { stroke: 'b', part: 'tail' }).map((key) => key.frame)).toEqual([70, 75, 80, 85]);
  const both = copyKeys(piece, [...all('head'), ...all('head', 'b')]);
  const back = pasteKeys(piece, both, ['b'], 40);
  expect(keysAt(back, { stroke: 'a', part: 'head' }).map((key) => key.frame)).toEqual([10, 30, 40, 60]);
  // A stroke without such a part is left alone.
  const gradient = copyKeys(piece, all('ink.gradient.stops.1.at'));
  expect(pasteKeys(piece, gradient, ['b'], 0).layers[1]).toBe(piece.layers[1]);
});

const RATES = [24, 25, 30, 50, 60].map((numerator) => ({ numerator, denominator: 1 }));

test('another rate keeps seconds to the nearest frame, or frames as they are', () => {
  const marked = setWorkRange(
    putMarker(putMarker(piece, { frame: 30, name: 'In' }), { frame: 80, name: 'Out' }),
    { from: 10, to: 80 },
  );
  fc.assert(
    fc.property(fc.constantFrom(...RATES), (rate) => {
      const kept = withRate(marked, rate, 'seconds');
      const k = rate.numerator / 25;
      expect(kept.length).toBe(Math.round(100 * k));
      for (const part of keyedParts(a(marked))) {
        const [was, now] = [marked, kept].map((p) =>
          keysAt(p, { stroke: 'a', part }).map((key) => key.frame),
        );
        expect(now).toEqual(was!.map((frame) => Math.round(frame * k)));
      }
      expect(kept.markers.map((m) => m.frame)).toEqual([Math.round(30 * k), Math.round(80 * k)]);
      expect(kept.workRange).toEqual({ from: Math.round(10 * k), to: Math.round(80 * k) });
      // Seen at the same second, the ink is the same to what half a frame makes.
      for (let s = 0; s < 4; s += 0.13) {
        const [was, now] = [windowAt(a(marked), s * 25), windowAt(a(kept), s * rate.numerator)];
        expect(Math.abs(now.head - was.head)).toBeLessThan(0.2);
      }
      expect(withRate(marked, rate, 'frames')).toEqual({ ...marked, rate });
    }),
  );
});

test('another length spreads everything or leaves it, and the last key is found', () => {
  expect(withLength(piece, 50, 'stays')).toEqual({ ...piece, length: 50 });
  const half = withLength(piece, 50, 'spread');
  expect(keysAt(half, { stroke: 'a', part: 'head' }).map((key) => key.frame)).toEqual([5, 15]);
  expect(lastKeyedFrame(piece)).toBe(80);
  expect(lastKeyedFrame(half)).toBe(40);
  const marked = putMarker(putMarker(piece, { frame: 5, name: 'A' }), { frame: 9, name: 'B' });
  expect(moveMarker(marked, 5, 9).markers).toEqual([{ frame: 9, name: 'A' }]);
  expect(moveMarker(marked, 5, 20).markers.map((m) => m.name)).toEqual(['B', 'A']);
  expect(moveMarker(marked, 9, 2).markers.map((m) => m.name)).toEqual(['B', 'A']);
});

test('parts that may be keyed are listed as the schemas have them: the player has the list and no schemas', () => {
  const all = keyedPartNames(keyedSchema).filter((name) => name !== 'window');
  const ofAny = keyedPartNames(groupSchema);
  // What layers are made of comes before what may be done to any of them.
  expect(KEYED_ROOTS).toEqual([
    ...all.filter((name) => !ofAny.includes(name)),
    ...all.filter((name) => ofAny.includes(name)),
  ]);
});
