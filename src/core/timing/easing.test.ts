import * as d3 from 'd3-ease';
import { seeded } from '../testing/families';
import { cssOf, readCss } from './css-easing';
import {
  drawnEasing,
  ease,
  easeSpeed,
  easingSchema,
  overshootOf,
  reversedEasing,
  type Easing,
} from './easing';
import { SHAPE_NAMES, springCurve, type Way } from './shapes';

const WAYS: Way[] = ['in', 'out', 'both'];
const suffix = { in: 'In', out: 'Out', both: 'InOut' } as const;
const library = d3 as unknown as Record<string, (x: number) => number>;

test('the trade’s curves are those of d3-ease', () => {
  const names: Record<string, string> = {
    sine: 'Sin',
    quadratic: 'Quad',
    cubic: 'Cubic',
    exponential: 'Exp',
    circular: 'Circle',
  };
  const powers = { in: d3.easePolyIn, out: d3.easePolyOut, both: d3.easePolyInOut };
  const backs = { in: d3.easeBackIn, out: d3.easeBackOut, both: d3.easeBackInOut };
  const elastics = { in: d3.easeElasticIn, out: d3.easeElasticOut, both: d3.easeElasticInOut };
  const cases = WAYS.flatMap((way): [Easing, (x: number) => number][] => [
    ...SHAPE_NAMES.filter((name) => name in names).map((name): [Easing, (x: number) => number] => [
      { type: 'shape', name, way },
      library[`ease${names[name]}${suffix[way]}`]!,
    ]),
    [{ type: 'shape', name: 'quartic', way }, powers[way].exponent(4)],
    [{ type: 'shape', name: 'quintic', way }, powers[way].exponent(5)],
    [{ type: 'back', overshoot: 2.5, way }, backs[way].overshoot(2.5)],
    [{ type: 'elastic', amplitude: 1.6, period: 0.4, way }, elastics[way].amplitude(1.6).period(0.4)],
    [{ type: 'bounce', way }, library[`easeBounce${suffix[way]}`]!],
  ]);
  for (const [easing, theirs] of cases) {
    for (let i = 0; i <= 100; i++) {
      const off = Math.abs(ease(easing, i / 100) - theirs(i / 100));
      expect([easing, i, off < 1e-3 ? 'same' : off]).toEqual([easing, i, 'same']);
    }
  }
});

test('every easing begins at 0 and ends at 1, and is accepted by its own schema', () => {
  const random = seeded(6);
  const all: Easing[] = [
    ...WAYS.flatMap((way): Easing[] => [
      ...SHAPE_NAMES.map((name): Easing => ({ type: 'shape', name, way })),
      { type: 'back', overshoot: random() * 5, way },
      { type: 'elastic', amplitude: 1 + random(), period: 0.2 + random(), way },
      { type: 'bounce', way },
    ]),
    ...Array.from({ length: 40 }, (): Easing => ({
      type: 'spring',
      mass: 0.2 + random() * 4,
      stiffness: 5 + random() * 600,
      damping: 0.5 + random() * 60,
    })),
    { type: 'minimum jerk' },
    { type: 'linear' },
    { type: 'steps', count: 4, jump: 'end' },
  ];
  for (const easing of all) {
    expect(easingSchema.safeParse(easing).success).toBe(true);
    expect(ease(easing, 0)).toBeCloseTo(0, 6);
    expect(ease(easing, 1)).toBeCloseTo(1, 6);
  }
});

test('a spring is a damped mass: its motion satisfies m·x″ + c·x′ + k·(x − 1) = 0 and has settled at the end', () => {
  const random = seeded(19);
  for (let n = 0; n < 60; n++) {
    const [m, k, c] = [0.2 + random() * 4, 5 + random() * 600, 0.5 + random() * 90];
    const x = springCurve(m, k, c);
    // Time runs in shares of an unknown span T: from one place find T², from the others that it is the same.
    const d = 1e-4;
    const parts = [0.03, 0.06, 0.11].map((t) => {
      const [before, here, after] = [x(t - d), x(t), x(t + d)];
      return {
        a: (m * (before - 2 * here + after)) / (d * d),
        v: (c * (after - before)) / (2 * d),
        p: k * (here - 1),
      };
    });
    const residue = (span: number) => parts.map(({ a, v, p }) => a / span ** 2 + v / span + p);
    const { a, v, p } = parts[0]!;
    // a/T² + v/T + p = 0 for one positive 1/T that suits all.
    const roots = [1, -1]
      .map((sign) => (-v + sign * Math.sqrt(Math.max(0, v * v - 4 * a * p))) / (2 * a))
      .filter((u) => u > 0);
    const best = Math.min(...roots.map((u) => Math.max(...residue(1 / u).map(Math.abs))));
    expect(best / k).toBeLessThan(0.02);
    for (let i = 0; i <= 20; i++) expect(Math.abs(x(0.97 + i * 0.0015) - 1)).toBeLessThan(0.01);
  }
});

test('minimum jerk: peak speed 1.875 times the mean, in the middle (Flash & Hogan 1985)', () => {
  expect(easeSpeed({ type: 'minimum jerk' }, 0.5)).toBeCloseTo(1.875, 4);
  expect(easeSpeed({ type: 'minimum jerk' }, 0)).toBeCloseTo(0, 3);
});

test('CSS texts are read and written; what CSS does not allow is not taken', () => {
  for (const text of [
    'linear',
    'steps(4, jump-both)',
    'cubic-bezier(0.3, -0.2, 0.25, 1.4)',
    'linear(0 0%, 0.6 40%, 1 100%)',
  ]) {
    expect(cssOf(readCss(text)!)).toBe(text);
  }
  expect(readCss('0.3, 0, .25, 1')).toEqual({ type: 'bezier', x1: 0.3, y1: 0, x2: 0.25, y2: 1 });
  // Level 2: places not given lie evenly between; two places make a level stretch; places never go back.
  expect(readCss('linear(0, 0.5 20% 40%, 0.8, 1)')).toEqual({
    type: 'list',
    points: [
      { at: 0, value: 0 },
      { at: 0.2, value: 0.5 },
      { at: 0.4, value: 0.5 },
      { at: 0.7, value: 0.8 },
      { at: 1, value: 1 },
    ],
  });
  for (const bad of [
    '',
    'linear()',
    'linear(0)',
    'steps(0)',
    'steps(1, jump-none)',
    'cubic-bezier(2, 0, 0, 1)',
    'ease in',
    '1,2,3',
  ]) {
    expect([bad, readCss(bad)]).toEqual([bad, null]);
  }
});

test('a spring turned round is the same spring backwards, exactly, and turned again it is itself', () => {
  const spring: Easing = { type: 'spring', mass: 1, stiffness: 120, damping: 9 };
  const back = reversedEasing(spring);
  expect(easingSchema.parse(back)).toEqual(back);
  for (let i = 0; i <= 1000; i++) expect(ease(back, i / 1000)).toBe(1 - ease(spring, 1 - i / 1000));
  expect(reversedEasing(back)).toEqual(spring);
});

test('how far an overshoot goes beyond is its formula’s own greatest value; what stays between goes nowhere beyond', () => {
  // Slow end: f(x) = 1 + (s + 1)(x − 1)³ + s (x − 1)²; f′ = 0 at x − 1 = −2s / 3(s + 1), where f = 1 + 4s³ / 27(s + 1)².
  for (const overshoot of [0, 0.5, 1.70158, 5]) {
    const beyond = (4 * overshoot ** 3) / (27 * (overshoot + 1) ** 2);
    for (const way of WAYS.slice(0, 2))
      expect(overshootOf({ type: 'back', overshoot, way })).toBeCloseTo(beyond, 3);
  }
  const between: Easing[] = [
    { type: 'linear' },
    { type: 'hold' },
    { type: 'bounce', way: 'out' },
    { type: 'minimum jerk' },
  ];
  for (const easing of between) expect(overshootOf(easing)).toBeCloseTo(0, 12);
});

test('a drawn curve takes the value at its point that is nearest, and no other', () => {
  const drawn = {
    type: 'list' as const,
    points: [0, 0.25, 0.5, 0.75, 1].map((at) => ({ at, value: at })),
  };
  const next = drawnEasing(drawn, 0.6, 1.2);
  expect(next.points.map(({ value }) => value)).toEqual([0, 0.25, 1.2, 0.75, 1]);
  expect(easingSchema.parse(next)).toEqual(next);
  expect(ease(drawnEasing(drawn, 2, 0.9), 1)).toBe(0.9);
});
