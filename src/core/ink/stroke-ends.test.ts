import { createCanvas, Path2D } from '@napi-rs/canvas';
import { corner, measurePath, pathData } from '../geometry';
import { END_SHAPES, placeEnd } from './stroke-ends';

const context = createCanvas(1, 1).getContext('2d');
const WIDTH = 20;

test.each(END_SHAPES)(
  '%s: the stroke is cut off within it, over its whole width and at any size',
  (shape) => {
    const line = measurePath({ closed: false, points: [corner(0, 0), corner(900, 0)] });
    for (const size of [2, 3, 4.5, 8]) {
      for (const [at, inward] of [
        [900, -1],
        [0, 1],
      ] as const) {
        const { outline, stop } = placeEnd(line, { shape, size }, at, inward, 900, WIDTH)!;
        const filled = new Path2D(pathData(outline));
        const inside = [-0.49, -0.25, 0, 0.25, 0.49].map((share) =>
          context.isPointInPath(filled, at + inward * stop, share * WIDTH),
        );
        expect([size, at, inside]).toEqual([size, at, [true, true, true, true, true]]);
      }
    }
  },
);

test('an end grows with its stroke, and never takes more of it than there is', () => {
  const line = measurePath({ closed: false, points: [corner(0, 0), corner(900, 0)] });
  const stops = [0, 1, 10, 40, 100, 900].map(
    (visible) => placeEnd(line, { shape: 'solid arrow', size: 4 }, 900, -1, visible, WIDTH)?.stop ?? 0,
  );
  expect(stops).toEqual([...stops].sort((a, b) => a - b));
  // Grown, its cut lies 0.72 of its height behind the tip.
  expect(stops.at(-1)).toBeCloseTo(0.72 * 4 * WIDTH, 9);
  expect(stops[0]).toBe(0);
  [0, 1, 10, 40, 100, 900].forEach((visible, i) => expect(stops[i]).toBeLessThanOrEqual(visible));
});
