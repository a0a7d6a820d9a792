import { borderPath, type CornerStyle } from './borders';
import { measurePath, pathBounds } from '.';

const BOX = { left: 100, top: 50, right: 700, bottom: 250 };
const STYLES: CornerStyle[] = ['square', 'rounded', 'cut', 'scooped', 'stepped', 'curled'];

test.each(STYLES)(
  'a border with %s corners keeps to its box, from the middle of its top edge clockwise',
  (style) => {
    for (const size of [0, 20, 60, 1000]) {
      const path = borderPath(BOX, style, size);
      expect(path.closed).toBe(true);
      expect(path.points[0]).toMatchObject({ x: 400, y: 50 });
      expect(path.points[1]!.x).toBeGreaterThanOrEqual(400);
      // The curls alone run a little past it.
      const beyond = style === 'curled' ? 0.6 * Math.min(size, 100) : 1e-6;
      const box = pathBounds(path)!;
      for (const side of ['left', 'top'] as const) expect(BOX[side] - box[side]).toBeLessThanOrEqual(beyond);
      for (const side of ['right', 'bottom'] as const)
        expect(box[side] - BOX[side]).toBeLessThanOrEqual(beyond);
      expect(box.bottom - box.top).toBeGreaterThanOrEqual(200 - 1e-6);
      expect(box.right - box.left).toBeGreaterThanOrEqual(600 - 1e-6);
    }
  },
);

test('what its corners take of the way round is what they are', () => {
  const length = (style: CornerStyle, size: number) => measurePath(borderPath(BOX, style, size)).length;
  const round = 2 * (600 + 200);
  expect(length('square', 40)).toBeCloseTo(round);
  expect(length('rounded', 40)).toBeCloseTo(round - 8 * 40 + 2 * Math.PI * 40, 0);
  expect(length('scooped', 40)).toBeCloseTo(round - 8 * 40 + 2 * Math.PI * 40, 0);
  expect(length('cut', 40)).toBeCloseTo(round - 8 * 40 + 4 * 40 * Math.SQRT2);
  expect(length('stepped', 40)).toBeCloseTo(round);
  // Corners are no larger than half the shorter side.
  expect(length('cut', 1000)).toBeCloseTo(length('cut', 100));
});
