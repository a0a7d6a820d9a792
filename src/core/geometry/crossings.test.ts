import fc from 'fast-check';
import { Bezier } from 'bezier-js';
import {
  corner,
  crossings,
  ellipseShape,
  measurePath,
  nearestPlace,
  pointAtLength,
  type Path,
  type PathPoint,
  type Point,
} from '.';
import { times } from '../testing/cases';

const open = (...places: [number, number][]): Path => ({
  closed: false,
  points: places.map(([x, y]) => corner(x, y)),
});

test('a straight line is crossed where geometry says; ends that touch without crossing are told by where they lie', () => {
  const line = open([0, 0], [100, 0]);
  expect(crossings(line, open([30, -50], [30, 50]))).toEqual([expect.closeTo(30, 9)]);
  expect(crossings(line, open([0, 40], [100, 40]))).toEqual([]);
  // A circle of radius 30 about (50, 0).
  const circle = ellipseShape({ x: 20, y: -30 }, { x: 80, y: 30 });
  expect(crossings(line, circle)).toEqual([expect.closeTo(20, 2), expect.closeTo(80, 2)]);
  // A bow crosses itself once: at two lengths.
  const bow = open([0, 0], [100, 100], [100, 0], [0, 100]);
  const [a, b] = crossings(bow, bow);
  expect([a, b]).toEqual([
    expect.closeTo(Math.hypot(50, 50), 6),
    expect.closeTo(Math.hypot(100, 100) + 100 + Math.hypot(50, 50), 6),
  ]);
});

const place = fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 }));
const curve = fc.array(fc.tuple(place, place), { minLength: 2, maxLength: 4 }).map((all): Path => {
  const points = all.map(([[x, y], [u, v]]): PathPoint => {
    const out = { x: (u - 200) / 3, y: (v - 200) / 3 };
    return { x, y, in: { x: -out.x, y: -out.y }, out, kind: 'smooth' };
  });
  return { closed: false, points };
});

test('curves are crossed by straight lines where bezier-js says they are, whichever of the two is asked', () => {
  let found = 0;
  fc.assert(
    fc.property(curve, place, place, (path, p, q) => {
      fc.pre(Math.hypot(p[0] - q[0], p[1] - q[1]) > 20);
      const line = open([...p], [...q]);
      const m = measurePath(path);
      const ends = { p1: { x: p[0], y: p[1] }, p2: { x: q[0], y: q[1] } };
      const theirs = m.segments.flatMap(({ cubic }) => {
        const bezier = new Bezier([...cubic]);
        return (bezier.intersects(ends) as number[]).map((t) => bezier.get(t));
      });
      // Where they hardly cross, within a piece of a few px, or end, they are not told apart from touching.
      const tips = [...path.points, ...line.points];
      const far = (a: Point, b: Point): boolean => Math.hypot(a.x - b.x, a.y - b.y) > 8;
      const plain = theirs.filter(
        (a, i) => theirs.every((b, j) => i === j || far(a, b)) && tips.every((b) => far(a, b)),
      );
      const ours = crossings(path, line).map((s) => pointAtLength(m, s));
      const along = crossings(line, path).map((s) => pointAtLength(measurePath(line), s));
      found += plain.length;
      for (const points of [ours, along]) {
        const missed = plain.filter((a) => points.every((b) => Math.hypot(a.x - b.x, a.y - b.y) > 0.01));
        // What is said to be a crossing lies on both.
        const wrong = points.filter((a) => [line, path].some((one) => nearestPlace(one, a)!.distance > 0.06));
        expect([missed, wrong]).toEqual([[], []]);
      }
    }),
    { numRuns: times(400, 8000) },
  );
  expect(found).toBeGreaterThan(100);
});
