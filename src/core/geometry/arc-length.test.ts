import { svgPathProperties } from 'svg-path-properties';
import { Bezier } from 'bezier-js';
import { cubicFamilies, seeded } from '../testing/families';
import { measureCubic, parameterAtLength } from './arc-length';
import { cubicDerivative, cubicPoint, type Cubic } from './cubic';
import { measurePath } from './measured-path';
import type { PathPoint } from './path';

/** Five-point Gauss–Legendre nodes and weights (Abramowitz & Stegun, table 25.4). */
const GL5: [number, number][] = [
  [0, 0.5688888888888889],
  [0.5384693101056831, 0.47862867049936647],
  [-0.5384693101056831, 0.47862867049936647],
  [0.906179845938664, 0.23692688505618908],
  [-0.906179845938664, 0.23692688505618908],
];

/** Length by brute force: a high-order rule on panels so narrow that even a cusp costs less than the bounds below. */
function bruteLength(c: Cubic, to = 1, panels = 6_000): number {
  const h = to / panels;
  let sum = 0;
  for (let i = 0; i < panels; i++) {
    for (const [x, w] of GL5) {
      const d = cubicDerivative(c, (i + 0.5 + x / 2) * h);
      sum += w * Math.hypot(d.x, d.y);
    }
  }
  return (sum * h) / 2;
}

const families = cubicFamilies(seeded(7), 6);

test('lengths agree with high-order quadrature within 1e-7 over every family of curves', () => {
  let worst = 0;
  for (const [family, c] of families) {
    const expected = bruteLength(c);
    const error = Math.abs(measureCubic(c).length - expected) / (expected || 1);
    worst = Math.max(worst, error);
    if (error > 1e-7) throw new Error(`${family} ${JSON.stringify(c)}: ${error}`);
  }
  expect(worst).toBeLessThan(1e-7);
});

test('the parabola y = x² from 0 to 1 has the length of calculus: √5/2 + asinh(2)/4', () => {
  // The parabola's control polygon, raised from degree two to three.
  const parabola: Cubic = [0, 0, 1 / 3, 0, 2 / 3, 1 / 3, 1, 1];
  expect(measureCubic(parabola).length).toBeCloseTo(1.4789428575445975, 12);
});

test('the 2:1 ellipse has the circumference 8·E(0.75) of Abramowitz & Stegun, ch. 17', () => {
  // Hermite pieces of the ellipse; with 600 of them their own error lies below 1e-11.
  const n = 600;
  const k = Math.tan(Math.PI / n / 2) * (4 / 3);
  const points = Array.from({ length: n }, (_, i): PathPoint => {
    const a = (2 * Math.PI * i) / n;
    const along = { x: -2 * Math.sin(a) * k, y: Math.cos(a) * k };
    return {
      x: 2 * Math.cos(a),
      y: Math.sin(a),
      out: along,
      in: { x: -along.x, y: -along.y },
      kind: 'smooth',
    };
  });
  expect(measurePath({ closed: true, points }).length).toBeCloseTo(9.688448220547676, 8);
});

test('the point at a length lies within 1e-4 px of where brute force finds it', () => {
  const random = seeded(11);
  for (const [family, c] of families) {
    const m = measureCubic(c);
    for (let i = 0; i < 3; i++) {
      const s = m.length * random();
      const t = parameterAtLength(m, s);
      // Along the curve the point is off by at most the difference of lengths.
      const off = Math.abs(bruteLength(c, t) - s);
      if (off > 1e-4) throw new Error(`${family} ${JSON.stringify(c)} at ${s}: ${off} px`);
    }
    expect(parameterAtLength(m, -1)).toBe(0);
    expect(parameterAtLength(m, m.length + 1)).toBe(m.length > 0 ? 1 : 0);
  }
});

test('two reference libraries agree on ordinary curves, as far as their rules of fixed order go', () => {
  for (const [, c] of families.filter(([family]) => family === 'any' || family === 'loop')) {
    const d = `M${c[0]} ${c[1]} C${c.slice(2).join(' ')}`;
    const m = measureCubic(c);
    expect(Math.abs(new svgPathProperties(d).getTotalLength() / m.length - 1)).toBeLessThan(1e-2);
    expect(Math.abs(new Bezier([...c]).length() / m.length - 1)).toBeLessThan(1e-2);
    const t = parameterAtLength(m, m.length / 3);
    const theirs = new svgPathProperties(d).getPointAtLength(m.length / 3);
    expect(Math.hypot(cubicPoint(c, t).x - theirs.x, cubicPoint(c, t).y - theirs.y)).toBeLessThan(
      m.length * 1e-2,
    );
  }
});
