import fc from 'fast-check';
import { corner, measurePath, pointAtLength, type Path } from '../../geometry';
import { widthShareAt } from '../../ink';
import { times } from '../../testing/cases';
import type { TracedStroke } from '../lines/centre-lines';
import { asOne, wayOn } from './run-on';

const stroke = (path: Path, width = 10, widths: TracedStroke['widths'] = null): TracedStroke => ({
  path,
  width,
  widths,
  cap: 'round',
  endCap: 'round',
  kind: 'line',
  piece: 1,
  freeStart: true,
  freeEnd: true,
});
const line = (...places: [number, number][]): Path => ({
  closed: false,
  points: places.map(([x, y]) => corner(x, y)),
});
const FAR = { back: 500, ahead: 500, both: false };
const length = (path: Path): number => measurePath(path).length;

test('strokes whose ends meet follow one another; those that are nowhere near do not', () => {
  const a = stroke(line([0, 0], [0, 100]));
  expect(wayOn(a, stroke(line([4, 102], [80, 102])), FAR)).toEqual([]);
  expect(wayOn(a, stroke(line([60, 40], [120, 40])), FAR)).toBeNull();
});

test('the way goes back over the first stroke, or ahead over the second, whichever is shorter, and no further than it may', () => {
  // An arch that leaves a stem at a third of its height: back up the stem.
  const stem = stroke(line([0, 0], [0, 90]));
  const [back] = wayOn(stem, stroke(line([2, 30], [60, 10])), FAR)!;
  expect(length(back!.path)).toBeCloseTo(60, 0);
  expect(back!.path.points[0]).toMatchObject({ x: 0, y: 90 });
  // A bowl that ends low on a stem which begins high: ahead, up the stem.
  const bowl = stroke(line([-80, 10], [-3, 70]));
  const [ahead] = wayOn(bowl, stem, FAR)!;
  expect(length(ahead!.path)).toBeCloseTo(70, 0);
  expect(ahead!.path.points.at(-1)).toMatchObject({ x: 0, y: 0 });
  expect(wayOn(bowl, stem, { back: 50, ahead: 50, both: false })).toBeNull();
});

test('a pen that crosses its own ink goes on along it from there, by the shorter way', () => {
  // Down, round a loop to the right, and back through the downstroke at a third of its height.
  const loop = stroke(line([0, 0], [0, 90], [60, 90], [60, 30], [0, 30]));
  const foot = stroke(line([0, 90], [-60, 120]));
  const [on] = wayOn(loop, foot, FAR)!;
  expect(on!.path.points[0]!.y).toBeCloseTo(30, 0);
  expect(on!.path.points.at(-1)!.y).toBeCloseTo(90, 0);
  expect(length(on!.path)).toBeCloseTo(60, 0);
  expect(wayOn(loop, foot, { back: 50, ahead: 500, both: false })).toBeNull();
});

test('where it may, the way leads over both: back to where the second leaves the first, then ahead to its beginning', () => {
  // Along the line past the foot of a tooth, whose tip the next begins at, and on.
  const base = stroke(line([0, 0], [100, 0]));
  const tooth = stroke(line([40, -60], [40, -4], [-50, -4]));
  expect(wayOn(base, tooth, FAR)).toBeNull();
  const [back, ahead, ...more] = wayOn(base, tooth, { ...FAR, both: true })!;
  expect(more).toEqual([]);
  expect(back!.path.points.map(({ x }) => x)).toEqual([100, expect.closeTo(40, -1)]);
  expect(ahead!.path.points.at(-1)).toMatchObject({ x: 40, y: -60 });
  expect(wayOn(base, tooth, { back: 30, ahead: 500, both: true })).toBeNull();
  expect(wayOn(base, tooth, { back: 500, ahead: 30, both: true })).toBeNull();
});

const place = fc.tuple(fc.integer({ min: -300, max: 300 }), fc.integer({ min: -300, max: 300 }));
const drawn = fc
  .tuple(
    fc.array(place, { minLength: 2, maxLength: 4 }),
    fc.double({ min: 4, max: 30, noNaN: true }),
    fc.option(
      fc.tuple(fc.double({ min: 0.3, max: 1, noNaN: true }), fc.double({ min: 0.3, max: 1, noNaN: true })),
    ),
  )
  .map(([places, width, ends]) =>
    stroke(
      line(...places),
      width,
      ends && [
        { at: 0, scale: ends[0] },
        { at: 1, scale: ends[1] },
      ],
    ),
  )
  .filter(({ path }) => length(path) > 20);

test('put together, strokes are as long as all of them with the gaps between, and as wide in each place as they were', () => {
  fc.assert(
    fc.property(fc.array(drawn, { minLength: 2, maxLength: 4 }), (parts) => {
      const made = asOne(parts, parts[0]!);
      const gaps = parts.slice(1).map(({ path }, i) => {
        const [p, q] = [parts[i]!.path.points.at(-1)!, path.points[0]!];
        return Math.hypot(p.x - q.x, p.y - q.y);
      });
      const whole = parts.reduce((sum, { path }) => sum + length(path), 0) + gaps.reduce((a, b) => a + b, 0);
      expect(length(made.path)).toBeCloseTo(whole, 4);
      const widthAt = ({ width, widths }: TracedStroke, share: number): number =>
        width * (widths ? widthShareAt(widths, share) : 1);
      let gone = 0;
      parts.forEach((part, i) => {
        const own = length(part.path);
        for (const share of [0.25, 0.5, 0.75]) {
          const at = (gone + own * share) / whole;
          expect(Math.abs(widthAt(made, at) - widthAt(part, share))).toBeLessThan(0.03 * made.width);
          const there = pointAtLength(measurePath(made.path), at * whole);
          const here = pointAtLength(measurePath(part.path), own * share);
          expect(Math.hypot(there.x - here.x, there.y - here.y)).toBeLessThan(1e-3);
        }
        gone += own + (gaps[i] ?? 0);
      });
    }),
    { numRuns: times(60, 1200) },
  );
});
