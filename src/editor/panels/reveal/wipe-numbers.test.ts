import fc from 'fast-check';
import { lieOf, lyingAt } from './wipe-numbers';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const place = fc.record({ x: number(-2000, 2000), y: number(-2000, 2000) });

test('a wipe that is laid at an angle and a width has them, about the middle it had', () => {
  fc.assert(
    fc.property(place, place, number(-179, 179), number(1, 3000), (from, to, angle, width) => {
      const shape = { kind: 'linear wipe' as const, from, to, share: 0.5 };
      const laid = lyingAt(shape, angle, width);
      const now = lieOf(laid);
      const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;
      return (
        near(now.angle, angle) &&
        near(now.width, width) &&
        near(laid.from.x + laid.to.x, from.x + to.x) &&
        near(laid.from.y + laid.to.y, from.y + to.y)
      );
    }),
  );
});
