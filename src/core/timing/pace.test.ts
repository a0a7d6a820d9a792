import { ellipseShape, measurePath, smooth, corner, type Path } from '../geometry';
import { pacedShare, paceTable, progressAt } from './pace';

/** Slope of a line through points, by least squares. */
function slopeOf(points: readonly [number, number][]): number {
  const n = points.length;
  const [mx, my] = [0, 1].map((k) => points.reduce((sum, p) => sum + p[k]!, 0) / n) as [number, number];
  const up = points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0);
  return up / points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
}

test('a hand on ellipses keeps the two-thirds power law: log speed on log curvature falls by 1/3', () => {
  for (const [a, b] of [
    [200, 100],
    [300, 90],
    [120, 80],
  ] as const) {
    const path = ellipseShape({ x: -a, y: -b }, { x: a, y: b });
    const m = measurePath(path);
    const table = paceTable(path, { kind: 'hand', strength: 1, soft: 0 })!;
    const points: [number, number][] = [];
    for (let i = 1; i < 400; i++) {
      const p = i / 400;
      const d = 2e-3;
      const speed = (pacedShare(table, p + d / 2) - pacedShare(table, p - d / 2)) / d;
      // Where on the ellipse that is, by its own parameter: walked along the true curve.
      const s = pacedShare(table, p) * m.length;
      let [u, gone] = [-Math.PI / 2, 0];
      const step = 1e-3;
      while (gone < s) {
        gone += Math.hypot(a * Math.sin(u), b * Math.cos(u)) * step;
        u += step;
      }
      const curvature = (a * b) / Math.hypot(a * Math.sin(u), b * Math.cos(u)) ** 3;
      points.push([Math.log(curvature), Math.log(speed)]);
    }
    expect(Math.abs(slopeOf(points) + 1 / 3)).toBeLessThan(0.01);
  }
});

test('every pace begins at 0, ends at 1, never turns back, and is undone by its inverse', () => {
  const path: Path = {
    closed: false,
    points: [corner(0, 0), smooth(200, 40, { x: 90, y: 60 }), corner(260, 300), corner(20, 310)],
  };
  const written = [
    { at: 0, time: 0 },
    { at: 0.2, time: 0.6 },
    { at: 1, time: 1 },
  ];
  for (const pace of [
    { kind: 'segments' },
    { kind: 'hand', strength: 1.3, soft: 0.8 },
    { kind: 'written' },
  ] as const) {
    const table = paceTable(path, pace, written)!;
    let before = 0;
    for (let i = 0; i <= 200; i++) {
      const share = pacedShare(table, i / 200);
      expect(share).toBeGreaterThanOrEqual(before);
      expect(progressAt(table, share)).toBeCloseTo(i / 200, 9);
      before = share;
    }
    expect([pacedShare(table, 0), pacedShare(table, 1)]).toEqual([0, 1]);
  }
  // Equal times for unequal curves: a third of the time for each of three.
  const { starts, length } = measurePath(path);
  const even = paceTable(path, { kind: 'segments' })!;
  expect(pacedShare(even, 1 / 3)).toBeCloseTo(starts[1]! / length, 9);
});

test('a hand slows at corners and where the pen is set down and lifted; strength 0 is an even speed', () => {
  const bend: Path = { closed: false, points: [corner(0, 0), corner(300, 0), corner(300, 300)] };
  const speed = (soft: number, strength: number, at: number) => {
    const table = paceTable(bend, { kind: 'hand', strength, soft })!;
    const d = 0.01;
    return d / (progressAt(table, at + d / 2) - progressAt(table, at - d / 2));
  };
  expect(speed(0, 1, 0.5)).toBeLessThan(speed(0, 1, 0.25) / 2);
  expect(speed(1, 0, 0.01)).toBeLessThan(speed(1, 0, 0.3) / 2);
  for (const at of [0.1, 0.5, 0.9]) expect(speed(0, 0, at)).toBeCloseTo(1, 6);
});
