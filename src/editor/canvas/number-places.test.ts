import { distance } from '@/core/geometry';
import fc from 'fast-check';
import { numberPlaces, withRoom, type Numbered, type Taken } from './number-places';

const number = (x: number, y: number, way = { x: 1, y: 0 }): Numbered => ({
  first: { x, y },
  way,
  radius: 10,
  away: 16,
});

const placesOf = (numbers: readonly Numbered[], around: readonly Taken[] = []) =>
  numberPlaces(numbers, around).map(({ at }) => at);

test('a number stands straight behind its first point where there is room', () => {
  const [a, b] = placesOf([number(100, 100), number(300, 100, { x: 0, y: 1 })]);
  expect(a).toEqual({ x: 84, y: 100 });
  expect(b!.x).toBeCloseTo(300);
  expect(b!.y).toBeCloseTo(84);
});

test('up to eight strokes that begin at one place, from any sides, cover none of their numbers', () => {
  for (const many of [2, 3, 5, 8]) {
    const places = placesOf(
      Array.from({ length: many }, (_, i) => number(0, 0, { x: Math.cos(i), y: Math.sin(i) })),
    );
    const least = Math.min(...places.flatMap((a, i) => places.slice(i + 1).map((b) => distance(a, b))));
    expect(least).toBeGreaterThanOrEqual(20 - 1e-9);
    // None is so far off that it belongs to another.
    expect(Math.max(...places.map((at) => distance(at, { x: 0, y: 0 })))).toBeLessThan(40);
  }
});

test('numbers that stand already keep their places, and others make way for them', () => {
  const [stood] = numberPlaces([number(100, 100)]);
  const [made] = placesOf([number(100, 100)], [stood!]);
  expect(distance(made!, stood!.at)).toBeGreaterThanOrEqual(20 - 1e-9);
});

test('where there is no room at all the place with the most is taken, and nothing is left out', () => {
  const places = placesOf(Array.from({ length: 60 }, () => number(0, 0)));
  expect(places).toHaveLength(60);
  expect(places.every(({ x, y }) => Number.isFinite(x + y))).toBe(true);
});

test('of many no number looks at more than those round it, and those with room stand free', () => {
  const { hypot } = Math;
  let looked = 0;
  Math.hypot = (...sides) => {
    looked++;
    return hypot(...sides);
  };
  const many = Array.from({ length: 2000 }, (_, i) => number((i % 50) * 45, Math.floor(i / 50) * 45));
  const places = placesOf([...many, ...Array.from({ length: 2000 }, () => number(1000, 1000))]);
  Math.hypot = hypot;
  expect(looked).toBeLessThan(4000 * 100);
  const free = places.slice(0, 2000);
  const touching = free.filter((a, i) =>
    free.some((b, k) => k < i && Math.abs(a.x - b.x) < 20 && distance(a, b) < 20 - 1e-9),
  );
  expect(touching).toEqual([]);
});

test('of boxes that lie over one another the first stays; one that goes lies over one that stays', () => {
  const box = fc
    .tuple(
      fc.integer({ min: 0, max: 300 }),
      fc.integer({ min: 0, max: 200 }),
      fc.integer({ min: 4, max: 24 }),
    )
    .map(([left, top, width]) => ({ left, top, right: left + width, bottom: top + 9 }));
  type Box = typeof box extends fc.Arbitrary<infer B> ? B : never;
  const meet = (a: Box, b: Box): boolean =>
    a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
  fc.assert(
    fc.property(fc.array(box, { maxLength: 120 }), (boxes) => {
      const kept = withRoom(boxes);
      const clash = kept.some((a, i) => kept.slice(i + 1).some((b) => meet(a, b)));
      const needless = boxes.filter((b) => !kept.includes(b)).some((b) => !kept.some((a) => meet(a, b)));
      return !clash && !needless && (boxes.length === 0 || kept[0] === boxes[0]);
    }),
  );
});
