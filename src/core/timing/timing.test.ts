import bezierEasing from 'bezier-easing';
import { seeded } from '../testing/families';
import { cubicBezier } from './cubic-bezier';
import { CSS_EASE, ease, landingEasing, LINEAR } from './easing';
import { valueAt, withKey, withoutKeys, withShiftedKeys, type Animated } from './keyframes';
import { rateName, RATES } from './rate';
import { parseTime, timecode } from './timecode';

/** The definition itself (CSS Easing Functions Level 1, 2.3): find t with x(t) = x by bisection, answer y(t). */
function byDefinition(x1: number, y1: number, x2: number, y2: number, x: number): number {
  const at = (t: number, a: number, b: number) => 3 * (1 - t) ** 2 * t * a + 3 * (1 - t) * t * t * b + t ** 3;
  let [low, high] = [0, 1];
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (at(middle, x1, x2) < x) low = middle;
    else high = middle;
  }
  return at((low + high) / 2, y1, y2);
}

const curves: [number, number, number, number][] = [
  ...Object.values(CSS_EASE).map((e): [number, number, number, number] => [e.x1, e.y1, e.x2, e.y2]),
  [0.3, 0, 0.25, 1],
  [0.68, -0.6, 0.32, 1.6],
  ...Array.from({ length: 60 }, (_, i): [number, number, number, number] => {
    const random = seeded(i);
    return [random(), random() * 3 - 1, random(), random() * 3 - 1];
  }),
];

test('cubic-bezier follows the CSS definition within 1e-6 and agrees with bezier-easing', () => {
  for (const c of curves) {
    const ours = cubicBezier(...c);
    const theirs = bezierEasing(...c);
    for (let i = 0; i <= 50; i++) {
      const x = i / 50;
      const [definition, library] = [byDefinition(...c, x), theirs(x)];
      if (Math.abs(ours(x) - definition) > 1e-6 || Math.abs(ours(x) - library) > 2e-3) {
        throw new Error(`${c} at ${x}: ${ours(x)}, by definition ${definition}, bezier-easing ${library}`);
      }
    }
  }
});

test('beyond its ends a curve goes on along its tangents (CSS Easing 1, 2.3)', () => {
  const curve = cubicBezier(0.25, 0.5, 0.75, 0.5);
  expect(curve(-0.5)).toBeCloseTo(-1, 10);
  expect(curve(1.5)).toBeCloseTo(2, 10);
});

test('steep and flat extremes: (0,1,1,0) and (1,0,0,1) stay within the definition near their vertical middles', () => {
  for (const c of [
    [0, 1, 1, 0],
    [1, 0, 0, 1],
  ] as [number, number, number, number][]) {
    // Where dx/dt vanishes, rounding of x itself moves y by about 5e-6 in either way of computing it.
    for (const x of [0.001, 0.1, 0.499, 0.5, 0.501, 0.9, 0.999]) {
      expect(Math.abs(cubicBezier(...c)(x) - byDefinition(...c, x))).toBeLessThan(1e-5);
    }
  }
});

test('a landing arrives at rest; none is linear', () => {
  expect(landingEasing(0)).toBe(LINEAR);
  const soft = landingEasing(0.75);
  expect((ease(soft, 1) - ease(soft, 0.999)) / 0.001).toBeLessThan(0.01);
  expect(ease(soft, 0.5)).toBeGreaterThan(0.5);
});

test('keys hold outside, ease between, and are set, moved and removed in order', () => {
  let a: Animated = 0.25;
  expect(valueAt(a, 10)).toBe(0.25);
  a = withKey(withKey(a, 20, 1, LINEAR), 10, 0, LINEAR);
  expect([0, 10, 15, 20, 99].map((frame) => valueAt(a, frame))).toEqual([0, 0, 0.5, 1, 1]);
  a = withKey(a, 10, 0.5, { type: 'hold' });
  expect(valueAt(a, 19.999)).toBe(0.5);
  expect(valueAt(a, 20)).toBe(1);
  const moved = withShiftedKeys(a, (i) => (i === 0 ? 15 : 0));
  expect(moved).toMatchObject({ keys: [{ frame: 20 }, { frame: 25, value: 0.5 }] });
  expect(withShiftedKeys(a, (i) => (i === 0 ? 10 : 0))).toMatchObject({ keys: [{ frame: 20, value: 0.5 }] });
  expect(withoutKeys(a, [0, 1])).toBe(1);
});

test('drop-frame timecode counts as SMPTE ST 12-1 has it', () => {
  const drop = RATES.find((r) => rateName(r) === '29.97')!;
  expect(timecode(107_892, drop)).toBe('01:00:00;00');
  expect(timecode(1799, drop)).toBe('00:00:59;29');
  expect(timecode(1800, drop)).toBe('00:01:00;02');
  expect(timecode(17_982, drop)).toBe('00:10:00;00');
  expect(parseTime('00:01:00;00', drop)).toBeNull();
});

test('every frame has its own timecode and is found again by it, at all rates', () => {
  for (const rate of RATES) {
    const random = seeded(rate.numerator);
    let before = '';
    for (let i = 0; i < 2000; i++) {
      const code = timecode(17_000 + i, rate);
      const frame = Math.floor(random() * 200_000);
      const again = parseTime(timecode(frame, rate), rate);
      const negative = parseTime(timecode(-frame, rate), rate);
      if (code <= before || again !== frame || negative !== 0 - frame)
        throw new Error(`${rate.numerator}: ${code} after ${before}, ${frame} as ${again}`);
      before = code;
    }
  }
});

test('times are read as people type them', () => {
  const pal = { numerator: 25, denominator: 1 };
  expect(['86', '86 fr', '3.44 s', '3:11', '00:00:03:11', ' 2S '].map((t) => parseTime(t, pal))).toEqual([
    86, 86, 86, 86, 86, 50,
  ]);
  expect(['', 'x', '3:25', '1:2:3:4:5', '1:61:00', '-', '--3:11'].map((t) => parseTime(t, pal))).toEqual(
    Array(7).fill(null),
  );
  const drop = { numerator: 30_000, denominator: 1001 };
  expect(parseTime('1:00:00', drop)).toBe(107_892);
  expect(parseTime('1:00:00', pal)).toBe(90_000);
  // Where the clock's moment has no number of its own, the next that has one is meant.
  expect(timecode(parseTime('0:01:00', drop)!, drop)).toBe('00:01:00;02');
  expect(
    ['2:00 + 12', '3 s × 2 - 1', '-1s+30', '100/3', '+5', '3:11-3:11', '1 s / 2'].map((t) =>
      parseTime(t, pal),
    ),
  ).toEqual([62, 149, 5, 33, 5, 0, 13]);
  expect(['1/0', '3 +', '2 × 1s', '5 - - 3', '3:11 3'].map((t) => parseTime(t, pal))).toEqual(
    Array(5).fill(null),
  );
});
