import fc from 'fast-check';
import {
  addLayers,
  applyManner,
  newPiece,
  newStroke,
  spanOfStrokes,
  strokesOf,
  withSpan,
  type Piece,
} from '..';
import { corner } from '../../geometry';
import { times } from '../../testing/cases';
import { keysOf } from '../../timing';

const IDS = ['a', 'b', 'c'];
const made = (starts: readonly number[], lengths: readonly number[]): Piece =>
  IDS.reduce(
    (piece, id, i) =>
      applyManner(piece, [id], { kind: 'on', from: 'start', onAt: starts[i]!, onFrames: lengths[i]! }),
    addLayers(
      newPiece('Speed', { width: 100, height: 100 }, { numerator: 25, denominator: 1 }, 4000),
      IDS.map((id) => newStroke(id, id, { closed: false, points: [corner(0, 0), corner(9, 0)] })),
    ),
  );
const frames = (piece: Piece) =>
  strokesOf(piece).map((stroke) => keysOf(stroke.window.head).map((key) => key.frame));

test('strokes together take as long as is asked, in the proportions they had, from where they begin', () => {
  const three = (min: number, max: number) => fc.tuple(...[0, 1, 2].map(() => fc.integer({ min, max })));
  fc.assert(
    fc.property(three(0, 500), three(20, 400), fc.integer({ min: 200, max: 2500 }), (starts, lengths, to) => {
      const piece = made(starts, lengths);
      const before = spanOfStrokes(strokesOf(piece))!;
      const after = withSpan(piece, IDS, to);
      const now = spanOfStrokes(strokesOf(after))!;
      expect([now.first, Math.abs(now.last - now.first - to) <= 1]).toEqual([before.first, true]);
      const factor = to / (before.last - before.first);
      frames(after).forEach((keys, i) =>
        keys.forEach((frame, k) => {
          const wanted = before.first + (frames(piece)[i]![k]! - before.first) * factor;
          // Keys stand on frames, and never two of a part on one.
          expect(Math.abs(frame - wanted)).toBeLessThanOrEqual(1);
        }),
      );
    }),
    { numRuns: times(40, 1000) },
  );
});

test('what is not among them, or holds no keys, is left alone', () => {
  const piece = made([0, 20, 40], [30, 30, 30]);
  expect(frames(withSpan(piece, ['a'], 60))).toEqual([
    [0, 60],
    [20, 50],
    [40, 70],
  ]);
  const bare = addLayers(piece, [
    newStroke('d', 'd', { closed: false, points: [corner(0, 0), corner(9, 0)] }),
  ]);
  expect(withSpan(bare, ['d'], 60)).toBe(bare);
});
