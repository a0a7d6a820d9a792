import { directionIn, orderedByHand, type OrderOptions } from '..';
import { addLayers, newPiece, newStroke, strokesOf, type Piece } from '../../document';
import { lineShape } from '../../geometry';
import { unsetText } from '../../testing/unset-text';

const stroke = (id: string, x0: number, y0: number, x1: number, y1: number) =>
  newStroke(id, id, lineShape({ x: x0, y: y0 }, { x: x1, y: y1 }));
/** Three stems of one word found from right to left, the middle one upward, and a bar across the first. */
const found = addLayers(newPiece('Order'), [
  stroke('third', 100, 10, 100, 140),
  stroke('second', 70, 140, 70, 10),
  stroke('bar', 54, 50, 26, 50),
  stroke('first', 40, 10, 40, 140),
]);
const LTR: OrderOptions = { direction: 'left to right', marks: 'after the word' };
const order = (piece: Piece) => strokesOf(piece).map(({ id }) => id);
const ALL = order(found);

test('strokes come into the order of a hand; only where it is asked for are they reversed', () => {
  const ordered = orderedByHand(found, ALL, LTR, false);
  expect(order(ordered)).toEqual(['first', 'second', 'third', 'bar']);
  expect(order(orderedByHand(found, ALL, { ...LTR, direction: 'right to left' }, false))).toEqual([
    'third',
    'second',
    'first',
    'bar',
  ]);
  const paths = (piece: Piece) =>
    Object.fromEntries(strokesOf(piece).map(({ id, path }) => [id, path.points[0]]));
  expect(paths(ordered)).toEqual(paths(found));
  const turned = paths(orderedByHand(found, ALL, LTR, true));
  expect(turned).toMatchObject({ first: { y: 10 }, second: { y: 10 }, third: { y: 10 }, bar: { x: 26 } });
});

test('strokes that are not asked about keep their places', () => {
  const ordered = orderedByHand(found, ['third', 'first'], LTR, false);
  expect(order(ordered).filter((id) => id === 'second' || id === 'bar')).toEqual(['second', 'bar']);
  expect(order(ordered).indexOf('first')).toBeLessThan(order(ordered).indexOf('third'));
});

test('the direction is that of the first text that has one', () => {
  expect(directionIn(found)).toBe('left to right');
  expect(
    directionIn(addLayers(found, [unsetText('n', '1904'), unsetText('a', 'مد'), unsetText('e', 'Ebb')])),
  ).toBe('right to left');
});
