import { seeded } from '../testing/families';
import {
  arcShape,
  borderPath,
  distance,
  distanceToStretch,
  ellipseShape,
  fitPath,
  loopsShape,
  measurePath,
  nearestPlace,
  pathBounds,
  pointAtLength,
  polygonShape,
  rectangleShape,
  simplifiedPoints,
  spiralShape,
  starShape,
  tangentAtLength,
  type Point,
} from '.';

const at = (x: number, y: number): Point => ({ x, y });

test('shapes have the lengths that geometry gives them', () => {
  // Abramowitz & Stegun, ch. 17: the ellipse with half axes 2 and 1 is 9.688448220547676 round.
  expect(measurePath(ellipseShape(at(-200, -100), at(200, 100))).length / 100).toBeCloseTo(9.688448, 2);
  expect(measurePath(rectangleShape(at(0, 0), at(100, 60), 20)).length).toBeCloseTo(
    2 * (60 + 20) + 40 * Math.PI,
    1,
  );
  expect(measurePath(polygonShape(at(0, 0), 50, 6)).length).toBeCloseTo(300, 6);
  // A half circle over its chord rises by half of it.
  expect(measurePath(arcShape(at(0, 0), at(100, 0), 0.5)).length).toBeCloseTo(50 * Math.PI, 1);
  expect(pathBounds(arcShape(at(0, 0), at(100, 0), 0.5))!.bottom).toBeLessThan(1);
  // The spiral of Archimedes r = aθ: a/2·(θ√(1+θ²) + asinh θ), calculus.
  const theta = 6 * Math.PI;
  const a = 120 / theta;
  const exact = (a / 2) * (theta * Math.sqrt(1 + theta * theta) + Math.asinh(theta));
  expect(Math.abs(measurePath(spiralShape(at(0, 0), 120, 3)).length / exact - 1)).toBeLessThan(1e-3);
  expect(starShape(at(0, 0), 50, 5, 0.4).points).toHaveLength(10);
});

test('an ellipse begins where it is told and is written the way it is told', () => {
  const right = ellipseShape(at(0, 0), at(100, 60), 0, false);
  expect(right.points[0]).toMatchObject({ x: 100, y: 30 });
  expect(tangentAtLength(measurePath(right), 0).y).toBeLessThan(0);
});

test('a loop-the-loop line ends where it was drawn to and crosses itself once a loop', () => {
  const path = loopsShape(at(10, 20), at(610, 20), 3, 0.5);
  expect(path.points.at(-1)).toMatchObject({ x: 610, y: 20 });
  const m = measurePath(path);
  let backward = 0;
  for (let s = 0; s < m.length; s += 2) {
    if (tangentAtLength(m, s).x < 0 && tangentAtLength(m, s + 2).x >= 0) backward++;
  }
  expect(backward).toBe(3);
});

test.each(['square', 'rounded', 'cut', 'scooped', 'stepped', 'curled'] as const)(
  'a border with %s corners is one closed stroke, alike at all corners, on its rectangle',
  (style) => {
    const box = { left: 100, top: 50, right: 1100, bottom: 650 };
    const path = borderPath(box, style, 80);
    expect(path.closed).toBe(true);
    expect(path.points[0]).toMatchObject({ x: 600, y: 50 });
    const m = measurePath(path);
    // Turned half round about its middle it is the same line, written on from its bottom.
    for (let i = 0; i < 40; i++) {
      const p = pointAtLength(m, (m.length * i) / 80);
      const q = pointAtLength(m, m.length * (i / 80 + 0.5));
      expect(Math.hypot(1200 - p.x - q.x, 700 - p.y - q.y)).toBeLessThan(0.5);
    }
    for (const [x, y] of [
      [600, 50],
      [1100, 350],
      [600, 650],
      [100, 350],
    ] as const)
      expect(nearestPlace(path, at(x, y))!.distance).toBeLessThan(1e-6);
  },
);

test('fitting stays within its tolerance over random curves, with few points, and keeps corners', () => {
  const random = seeded(77);
  for (let i = 0; i < 30; i++) {
    const waves = Array.from({ length: 3 }, () => [random() * 60, 0.5 + random() * 2, random() * 6] as const);
    const points = Array.from({ length: 160 }, (_, k) =>
      at(
        k * 4,
        waves.reduce((sum, [size, speed, phase]) => sum + size * Math.sin((k / 40) * speed * 2 + phase), 200),
      ),
    );
    for (const tolerance of [0.3, 2, 8]) {
      const path = fitPath(points, tolerance);
      const off = Math.max(...points.map((p) => nearestPlace(path, p)!.distance));
      expect(off).toBeLessThanOrEqual(tolerance * 1.001);
      expect(path.points.length).toBeLessThan(tolerance > 1 ? 16 : 40);
    }
  }
  const zigzag = [0, 1, 2, 3].flatMap((i) =>
    Array.from({ length: 20 }, (_, k) => at(i * 100 + k * 5, i % 2 ? 100 - k * 5 : k * 5)),
  );
  const cornered = fitPath(zigzag, 0.5, [20, 40, 60]);
  expect(cornered.points.map((p) => p.kind)).toEqual(['corner', 'corner', 'corner', 'corner', 'corner']);
  const ring = Array.from({ length: 90 }, (_, k) => at(100 * Math.cos(k / 14.32), 100 * Math.sin(k / 14.32)));
  const circle = fitPath(ring, 0.5, [], true);
  expect(circle).toMatchObject({ closed: true });
  expect(Math.max(...ring.map((p) => nearestPlace(circle, p)!.distance))).toBeLessThan(0.51);
});

test('Douglas and Peucker: no point that was dropped lies further off than the tolerance', () => {
  const random = seeded(8);
  const points = Array.from({ length: 300 }, (_, i) => at(i * 3, 60 * Math.sin(i / 20) + random() * 6));
  for (const tolerance of [1, 4, 20]) {
    const kept = simplifiedPoints(points, tolerance);
    let k = 0;
    for (const p of points) {
      while (k < kept.length - 2 && p.x > kept[k + 1]!.x) k++;
      expect(distanceToStretch(p, kept[k]!, kept[k + 1]!)).toBeLessThanOrEqual(tolerance + 1e-9);
    }
    expect(kept.length).toBeLessThan(points.length);
    expect(distance(kept[0]!, points[0]!)).toBe(0);
  }
});
