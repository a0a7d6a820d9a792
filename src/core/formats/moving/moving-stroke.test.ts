import { DEFAULT_INK } from '../../document';
import { corner } from '../../geometry';
import { LINEAR } from '../../timing';
import { strokeOfMoving, windowAtRate } from './moving-stroke';

const keys = <V>(...pairs: [number, V][]) => ({
  keys: pairs.map(([frame, value]) => ({ frame, value, easing: LINEAR })),
});
const stroke = {
  name: 'Reed',
  path: { closed: false, points: [corner(0, 0), corner(10, 0)] },
  ink: { ...DEFAULT_INK, width: keys([0, 4], [30, 8]), colour: keys([0, '#000000'], [15, '#ffffff']) },
  window: { head: keys([0, 0], [30, 1]), tail: 0, slide: keys([7, 0.5]) },
} as const;
const framesOf = (animated: unknown) =>
  (animated as { keys: { frame: number }[] }).keys.map(({ frame }) => frame);
const valuesOf = (animated: unknown) =>
  (animated as { keys: { value: unknown }[] }).keys.map(({ value }) => value);

test('a stroke of a file at 30 a second in a piece at 25: every key at its moment, sizes as it is placed', () => {
  const made = strokeOfMoving('s', stroke, [2, 0, 0, 2, 5, 7], 25 / 30);
  expect(made).toMatchObject({ id: 's', name: 'Reed', type: 'stroke' });
  expect(made.path.points.map(({ x, y }) => [x, y])).toEqual([
    [5, 7],
    [25, 7],
  ]);
  expect([framesOf(made.ink.width), valuesOf(made.ink.width)]).toEqual([
    [0, 25],
    [8, 16],
  ]);
  expect([framesOf(made.ink.colour), valuesOf(made.ink.colour)]).toEqual([
    [0, 12.5],
    ['#000000', '#ffffff'],
  ]);
  expect([framesOf(made.window.head), made.window.tail, framesOf(made.window.slide)]).toEqual([
    [0, 25],
    0,
    [5.833],
  ]);
});

test('no pen becomes finer than half a pixel, and what has no keys stays as it is', () => {
  expect(valuesOf(strokeOfMoving('s', stroke, [0.01, 0, 0, 0.01, 0, 0], 1).ink.width)).toEqual([0.5, 0.5]);
  expect(windowAtRate({ head: 1, tail: 0.2, slide: 0 }, 3)).toEqual({ head: 1, tail: 0.2, slide: 0 });
});
