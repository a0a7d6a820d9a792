import { goesBackward, ringStart, writingOrder, type OrderOptions } from '..';
import { ellipseShape, lineShape, type Path } from '../../geometry';

const LTR: OrderOptions = { direction: 'left to right', marks: 'after the word' };
const line = (x0: number, y0: number, x1: number, y1: number): Path =>
  lineShape({ x: x0, y: y0 }, { x: x1, y: y1 });
const dot = (x: number, y: number): Path => ({
  ...line(x, y, x, y),
  points: line(x, y, x, y).points.slice(0, 1),
});
const named: Record<string, Path> = {
  'i stem': line(20, 60, 20, 140),
  'i dot': dot(20, 30),
  't stem': line(70, 10, 70, 140),
  't bar': line(50, 50, 92, 50),
  'l stem': line(120, 10, 120, 140),
  'second word': line(320, 10, 320, 140),
  'next row': line(10, 300, 10, 420),
};
const order = (names: readonly string[], options: OrderOptions): string[] =>
  writingOrder(
    names.map((name) => ({ path: named[name]!, width: 10 })),
    options,
  ).map((i) => names[i]!);

/** All orders in which the strokes might have been found give one order of writing. */
test('words are written along the line, dots and bars after their word or at once, rows from the top', () => {
  const names = Object.keys(named);
  const shuffles = [names, [...names].reverse(), [...names.slice(3), ...names.slice(0, 3)]];
  for (const shuffled of shuffles) {
    expect(order(shuffled, LTR)).toEqual([
      'i stem',
      't stem',
      'l stem',
      'i dot',
      't bar',
      'second word',
      'next row',
    ]);
    expect(order(shuffled, { ...LTR, marks: 'at once' })).toEqual([
      'i stem',
      'i dot',
      't stem',
      't bar',
      'l stem',
      'second word',
      'next row',
    ]);
    expect(order(shuffled, { direction: 'right to left', marks: 'after the word' })).toEqual([
      'second word',
      'l stem',
      't stem',
      'i stem',
      't bar',
      'i dot',
      'next row',
    ]);
  }
});

test('strokes go down and with the writing; rings begin at the top, against the clock', () => {
  expect(goesBackward(line(0, 100, 0, 0), 'left to right')).toBe(true);
  expect(goesBackward(line(0, 0, 100, 20), 'left to right')).toBe(false);
  expect(goesBackward(line(0, 0, 100, 20), 'right to left')).toBe(true);
  const clockwise = ellipseShape({ x: 0, y: 0 }, { x: 100, y: 100 });
  expect(goesBackward(clockwise, 'left to right')).toBe(true);
  expect(goesBackward(clockwise, 'right to left')).toBe(false);
  expect(clockwise.points[ringStart(clockwise, 'left to right')]!.y).toBeCloseTo(0);
});
