import { seeded } from '../testing/families';
import { inBetween, matched } from './in-between';
import { measurePath, pointAtLength } from './measured-path';
import { corner, reversePath, smooth, withFirstPoint, type Path } from './path';
import { ellipseShape, rectangleShape } from './shapes';
import { transformPath } from './matrix';

const places = (path: Path, count = 200) => {
  const m = measurePath({ ...path, closed: true });
  return Array.from({ length: count }, (_, i) => pointAtLength(m, (m.length * i) / count));
};
/** Area inside by the shoelace formula over close places, positive where clockwise on the screen. */
const area = (path: Path): number => {
  const p = places(path);
  return p.reduce((sum, a, i) => {
    const b = p[(i + 1) % p.length]!;
    return sum + (a.x * b.y - b.x * a.y) / 2;
  }, 0);
};
/** Whether an outline crosses itself, by its chords. */
function crosses(path: Path): boolean {
  const p = places(path, 90);
  const side = (a: { x: number; y: number }, b: { x: number; y: number }, c: { x: number; y: number }) =>
    (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
  for (let i = 0; i < p.length; i++) {
    for (let k = i + 2; k < p.length; k++) {
      if (i === 0 && k === p.length - 1) continue;
      const [a, b, c, d] = [p[i]!, p[i + 1]!, p[k]!, p[(k + 1) % p.length]!];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true;
    }
  }
  return false;
}

/** A star-shaped polygon round a middle: as a hand might draw round someone. */
function blob(random: () => number, x: number, y: number, count: number): Path {
  const points = Array.from({ length: count }, (_, i) => {
    const angle = (i / count) * 2 * Math.PI + random() * 0.2;
    const r = 70 + random() * 40;
    return smooth(x + r * Math.cos(angle), y + r * Math.sin(angle), {
      x: -Math.sin(angle) * 20,
      y: Math.cos(angle) * 20,
    });
  });
  return { closed: true, points };
}

test('shapes of any points, first point and direction become one another without a twist', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const random = seeded(seed);
    const a = blob(random, 200, 200, 5 + Math.floor(random() * 9));
    let b = blob(random, 200 + random() * 300, 200 + random() * 200, 5 + Math.floor(random() * 9));
    b = withFirstPoint(b, Math.floor(random() * b.points.length));
    if (random() < 0.5) b = reversePath(b);
    if (a.points.length === b.points.length && Math.sign(area(a)) === Math.sign(area(b))) continue;
    const between = inBetween(a, b);
    expect(between(0)).toBe(a);
    expect(between(1)).toBe(b);
    const [least, most] = [
      Math.min(Math.abs(area(a)), Math.abs(area(b))),
      Math.max(Math.abs(area(a)), Math.abs(area(b))),
    ];
    for (const t of [0.2, 0.5, 0.8]) {
      const now = between(t);
      expect([seed, t, crosses(now)]).toEqual([seed, t, false]);
      expect([seed, t, Math.abs(area(now)) > least * 0.9]).toEqual([seed, t, true]);
      expect([seed, t, Math.abs(area(now)) < most * 1.1]).toEqual([seed, t, true]);
    }
  }
});

test('a shape that only turns, grows and moves does so: it is itself at every moment', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const random = seeded(seed + 100);
    const a = blob(random, 0, 0, 7);
    const angle = (random() - 0.5) * 5;
    const k = 0.5 + random();
    const m = [
      k * Math.cos(angle),
      k * Math.sin(angle),
      -k * Math.sin(angle),
      k * Math.cos(angle),
      random() * 400,
      90,
    ] as const;
    const b = transformPath(a, m);
    // Half way it is the shape turned by half the angle and grown by the root of the factor.
    const half = inBetween(a, b)(0.5);
    expect(Math.abs(area(half))).toBeCloseTo(Math.abs(area(a)) * k, 0);
    const [la, lh] = [measurePath(a).length, measurePath(half).length];
    expect(lh / la).toBeCloseTo(Math.sqrt(k), 3);
  }
});

test('matched shapes have as many points each and keep their outlines', () => {
  const square = rectangleShape({ x: 0, y: 0 }, { x: 200, y: 200 });
  const round = ellipseShape({ x: 300, y: 0 }, { x: 500, y: 160 }, 0.7, false);
  const many: Path = {
    closed: true,
    points: Array.from({ length: 11 }, (_, i) =>
      corner(100 * Math.cos(i * 0.571), 100 * Math.sin(i * 0.571)),
    ),
  };
  for (const [from, to] of [
    [square, round],
    [round, many],
    [many, square],
  ] as const) {
    const [a, b] = matched(from, to);
    expect(a.points.length).toBe(b.points.length);
    expect(Math.abs(area(a))).toBeCloseTo(Math.abs(area(from)), 0);
    expect(Math.abs(area(b))).toBeCloseTo(Math.abs(area(to)), 0);
    expect(Math.sign(area(a))).toBe(Math.sign(area(b)));
  }
});

test('a shape that was changed point by point keeps each point to its own', () => {
  const a = rectangleShape({ x: 0, y: 0 }, { x: 100, y: 100 });
  const b: Path = { ...a, points: a.points.map((p, i) => (i === 2 ? { ...p, x: 160, y: 140 } : p)) };
  const half = inBetween(a, b)(0.5);
  half.points.forEach((p, i) => {
    expect(
      Math.hypot(p.x - (a.points[i]!.x + b.points[i]!.x) / 2, p.y - (a.points[i]!.y + b.points[i]!.y) / 2),
    ).toBeLessThan(8);
  });
});
