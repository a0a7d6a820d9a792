import fc from 'fast-check';
import { letterOutlines } from '../../document';
import { corner, measurePath, nearestPlace, pointAtLength, transformPath, type Path } from '../../geometry';
import { widthShareAt } from '../../ink';
import { someOf, times } from '../../testing/cases';
import { measuresOf } from '../../testing/face-measures';
import { faceWords } from '../../testing/face-words';
import { inkOf } from '../../testing/judge-ink';
import { judgeWord } from '../../testing/words-written';
import { TRACE_OPTIONS, traceInk } from '../ink/trace-ink';
import type { TracedStroke } from '../lines/centre-lines';
import { writingOrder } from '../order/order';
import { handWays } from './hand-ways';

const WIDTH = 8;
const stroke = (path: Path, widths: TracedStroke['widths'] = null): TracedStroke => ({
  path,
  width: WIDTH,
  widths,
  cap: 'round',
  endCap: 'round',
  kind: path.closed ? 'ring' : 'line',
  piece: 1,
  freeStart: true,
  freeEnd: true,
});
type Places = readonly (readonly [number, number])[];
const line = (places: Places, closed = false): Path => ({
  closed,
  points: places.map(([x, y]) => corner(x, y)),
});
const told = ({ points }: Path): string =>
  points.map(({ x, y }) => `${Math.round(x)},${Math.round(y)}`).join(' ');

/** Lines as they might be found, begun at either end, with the movements of a hand: print letters in straight pieces. */
const LETTERS: Record<string, { found: Places; written: readonly string[] }> = {
  V: {
    found: [
      [0, 0],
      [30, 100],
      [60, 0],
    ],
    written: ['0,0 30,100 60,0'],
  },
  L: {
    found: [
      [0, 0],
      [0, 100],
      [50, 100],
    ],
    written: ['0,0 0,100 50,100'],
  },
  Z: {
    found: [
      [0, 0],
      [60, 0],
      [0, 100],
      [60, 100],
    ],
    written: ['0,0 60,0 0,100 60,100'],
  },
  W: {
    found: [
      [0, 0],
      [25, 100],
      [50, 0],
      [75, 100],
      [100, 0],
    ],
    written: ['0,0 25,100 50,0 75,100 100,0'],
  },
  N: {
    found: [
      [0, 100],
      [0, 0],
      [60, 100],
      [60, 0],
    ],
    written: ['0,0 0,100', '0,0 60,100', '60,0 60,100'],
  },
  E: {
    found: [
      [60, 0],
      [0, 0],
      [0, 100],
      [60, 100],
    ],
    written: ['0,0 0,100 60,100', '0,0 60,0'],
  },
  A: {
    found: [
      [0, 100],
      [30, 0],
      [60, 100],
    ],
    written: ['30,0 0,100', '30,0 60,100'],
  },
  'P, whose line leads up the stem into the bowl': {
    found: [
      [0, 100],
      [0, 0],
      [50, 0],
      [50, 50],
      [0, 50],
    ],
    written: ['0,0 0,100', '0,0 50,0 50,50 0,50'],
  },
  '7': {
    found: [
      [0, 0],
      [60, 0],
      [20, 100],
    ],
    written: ['0,0 60,0 20,100'],
  },
};

test.each(Object.entries(LETTERS))(
  'a hand lifts the pen where pushing it up or back would cost more: %s',
  (_, { found, written }) => {
    for (const places of [found, [...found].reverse()]) {
      const made = handWays(stroke(line(places)), 'left to right');
      const order = writingOrder(made, { direction: 'left to right', marks: 'at once' });
      expect(order.map((i) => told(made[i]!.path))).toEqual(written);
    }
  },
);

test('a bowl that hangs on its own stem goes against the clock, and the stem on from where it closes', () => {
  const round = Array.from({ length: 33 }, (_, i): readonly [number, number] => {
    const a = (i / 32) * 2 * Math.PI;
    return [40 * Math.cos(a), 40 * Math.sin(a)];
  });
  for (const places of [round, [...round].reverse()]) {
    const nine: Places = [...places, [40, 60], [30, 120]];
    for (const found of [nine, [...nine].reverse()]) {
      const [made, ...others] = handWays(stroke(line(found)), 'left to right');
      expect(others).toEqual([]);
      const m = measurePath(made!.path);
      const quarter = pointAtLength(m, 60);
      // From the right over the top, which is up the page.
      expect([quarter.y < -20, told(made!.path).endsWith('40,60 30,120')]).toEqual([true, true]);
    }
  }
});

const place = fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 300 }));
const zigzag = fc
  .record({
    places: fc.array(place, { minLength: 2, maxLength: 7 }),
    closed: fc.boolean(),
    thin: fc.double({ min: 0.2, max: 1, noNaN: true }),
  })
  .filter(({ places }) =>
    places.every((p, i) => i === 0 || Math.hypot(p[0] - places[i - 1]![0], p[1] - places[i - 1]![1]) > 20),
  )
  .map(({ places, closed, thin }) =>
    stroke(line(places, closed && places.length > 2), [
      { at: 0, scale: 1 },
      { at: 0.5, scale: thin },
      { at: 1, scale: 1 },
    ]),
  );

test('whatever the ways, they are the line itself: as long, nowhere else, as wide in each place', () => {
  fc.assert(
    fc.property(zigzag, (one) => {
      const made = handWays(one, 'left to right');
      const whole = measurePath(one.path).length;
      const long = made.reduce((sum, { path }) => sum + measurePath(path).length, 0);
      let off = Math.abs(long - whole);
      for (const { path, widths } of made) {
        const m = measurePath(path);
        for (const share of [0.1, 0.5, 0.9]) {
          const p = pointAtLength(m, share * m.length);
          off = Math.max(off, nearestPlace(one.path, p)!.distance);
          // Where lines cross two places are equally near, so widths are held against bounds only.
          const wide = widths ? widthShareAt(widths, share) : 1;
          off = Math.max(off, Math.min(...one.widths!.map(({ scale }) => scale)) - wide, wide - 1);
        }
      }
      expect(off).toBeLessThan(1e-3);
    }),
    { numRuns: times(120, 2400) },
  );
});

test('from right to left a hand does the same, seen in a mirror', () => {
  fc.assert(
    fc.property(zigzag, (one) => {
      const mirror = (path: Path): Path => transformPath(path, [-1, 0, 0, 1, 300, 0]);
      const here = handWays({ ...one, widths: null }, 'left to right').map(({ path }) => told(path));
      const there = handWays({ ...one, path: mirror(one.path), widths: null }, 'right to left').map(
        ({ path }) => told(mirror(path)),
      );
      // A ring may be opened at another of its corners where both cost the same.
      expect(there.length).toBe(here.length);
      if (!one.path.closed) expect(there).toEqual(here);
    }),
    { numRuns: times(120, 2400) },
  );
});

test.each([
  ['quicksand/400Regular/Quicksand_400Regular.ttf', 55 / 60],
  ['work-sans/400Regular/WorkSans_400Regular.ttf', 54 / 60],
])('letters of which nothing is known are mostly written as a hand writes them: %s', (file, least) => {
  const word = faceWords(file);
  const measures = measuresOf(word);
  const all = [...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ23456789'];
  const letters = someOf(all, 12);
  const kept = letters.filter((letter) => {
    const layer = word(letter);
    const strokes = traceInk(inkOf(letterOutlines(layer).flat()), TRACE_OPTIONS)!;
    return (
      judgeWord(
        layer,
        strokes.map((one) => ({ ...one, glyph: 0 })),
        measures,
      ).otherwise.length === 0
    );
  });
  // One letter more may be wrong where few are tried.
  expect(kept.length).toBeGreaterThanOrEqual(Math.floor(least * letters.length));
});
