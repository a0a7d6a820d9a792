import fc from 'fast-check';
import { corner, measurePath, type Path } from '../../geometry';
import { penWay } from './pen-way';

const line = (...places: [number, number][]): Path => ({
  closed: false,
  points: places.map(([x, y]) => corner(x, y)),
});
const place = fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 }));
const paths = fc.array(
  fc.array(place, { minLength: 2, maxLength: 5 }).map((places) => line(...places)),
  { minLength: 1, maxLength: 6 },
);

test('a pen goes through all strokes in their order without a jump, and is lifted only between them', () => {
  fc.assert(
    fc.property(paths, (strokes) => {
      const way = penWay(strokes);
      const inked = strokes.reduce((sum, path) => sum + measurePath(path).length, 0);
      const lifted = way.lifts.reduce(
        (sum, { from, to }) => sum + Math.hypot(to.x - from.x, to.y - from.y),
        0,
      );
      expect(way.length).toBeCloseTo(inked + lifted / 3, 4);
      const step = Math.max(0.5, way.length / 200);
      let before = way.at(0);
      for (let s = step; before && s <= way.length; s += step) {
        const now = way.at(s)!;
        expect(now.stroke).toBeGreaterThanOrEqual(before.stroke);
        // A lifted pen goes three times as far.
        const gone = Math.hypot(now.point.x - before.point.x, now.point.y - before.point.y);
        expect(gone).toBeLessThanOrEqual(3 * step + 1e-6);
        before = now;
      }
    }),
  );
});

test('strokes that meet are written without a lift; nothing has no way', () => {
  const way = penWay([line([0, 0], [100, 0]), line([100, 0], [100, 50]), line([0, 90], [50, 90])]);
  expect(way.lifts).toEqual([{ from: { x: 100, y: 50 }, to: { x: 0, y: 90 } }]);
  expect(way.at(120)).toMatchObject({ stroke: 1, point: { x: 100, y: 20 }, isLifted: false });
  expect(way.at(155)).toMatchObject({ stroke: 1, isLifted: true });
  expect(way.at(1e9)).toMatchObject({ stroke: 2, point: { x: 50, y: 90 } });
  expect(penWay([]).at(0)).toBeNull();
});
