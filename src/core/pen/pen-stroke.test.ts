import { measurePath, nearestPlace, type Point } from '../geometry';
import { seeded } from '../testing/families';
import { penStroke, type PenSample } from '.';

const random = seeded(12);
const sample = (p: Point, time: number, pressure = 0.5): PenSample => ({
  x: p.x + (random() - 0.5) * 0.8,
  y: p.y + (random() - 0.5) * 0.8,
  pressure,
  time,
  tiltX: 0,
  tiltY: 0,
});
const wave = Array.from({ length: 240 }, (_, i) =>
  sample({ x: 100 + i * 3, y: 300 + 80 * Math.sin(i / 25) }, i * 8, 0.3 + 0.3 * Math.sin(i / 40) ** 2),
);
const off = (samples: readonly PenSample[], path: ReturnType<typeof penStroke>['path']) =>
  Math.max(...samples.map((s) => nearestPlace(path, s)!.distance));

test('as drawn stays within its 0.7 px, smoothed is smoother with fewer points, both near the hand', () => {
  const drawn = penStroke(wave, 'as drawn', 1);
  const smooth = penStroke(wave, 'smoothed', 1);
  expect(off(wave, drawn.path)).toBeLessThan(0.71);
  expect(off(wave, smooth.path)).toBeLessThan(5);
  expect(smooth.path.points.length).toBeLessThan(drawn.path.points.length);
});

test('pressure becomes width; without it there is none', () => {
  const { widths } = penStroke(wave, 'as drawn', 1);
  expect(Math.max(...widths!.map((w) => w.scale))).toBeCloseTo(1);
  expect(widths!.length).toBeLessThan(40);
  expect(
    penStroke(
      wave.map((s) => ({ ...s, pressure: 0.5 })),
      'as drawn',
      1,
    ).widths,
  ).toBeNull();
  const leaning = wave.map((s, i) => ({ ...s, pressure: 0.5, tiltX: i / 6 }));
  expect(penStroke(leaning, 'as drawn', 1).widths!.at(-1)!.scale).toBeCloseTo(1);
});

test('the hand’s timing is kept: a slow second half shows as one', () => {
  const slow = wave.map((s, i) => ({ ...s, time: i < 120 ? i * 4 : 480 + (i - 120) * 12 }));
  const { hand } = penStroke(slow, 'smoothed', 1);
  expect(hand.seconds).toBeCloseTo(1.908, 2);
  const middle = hand.pace.reduce((best, p) =>
    Math.abs(p.time - 0.25) < Math.abs(best.time - 0.25) ? p : best,
  );
  expect(middle.at).toBeGreaterThan(0.42);
  hand.pace.slice(1).forEach((p, i) => {
    expect(p.at).toBeGreaterThanOrEqual(hand.pace[i]!.at);
    expect(p.time).toBeGreaterThanOrEqual(hand.pace[i]!.time);
  });
});

test('straightened: a shaky line is one straight line, level where it nearly was; corners stay', () => {
  const shaky = Array.from({ length: 60 }, (_, i) => sample({ x: i * 6, y: 200 + i * 0.3 }, i * 8));
  const { path } = penStroke(shaky, 'straightened', 1);
  expect(path.points).toHaveLength(2);
  expect(path.points[1]!.y).toBeCloseTo(path.points[0]!.y, 6);
  const bent = [
    ...shaky,
    ...Array.from({ length: 50 }, (_, i) => sample({ x: 354, y: 218 + i * 6 }, 480 + i * 8)),
  ];
  expect(penStroke(bent, 'straightened', 1).path.points).toHaveLength(3);
});

test('a tap is a dot, and a line that comes back to its start closes', () => {
  expect(penStroke([wave[0]!, { ...wave[0]!, time: 90 }], 'smoothed', 1).path.points).toHaveLength(1);
  const round = Array.from({ length: 120 }, (_, i) =>
    sample(
      { x: 300 + 90 * Math.cos((i / 119) * 2 * Math.PI), y: 300 + 90 * Math.sin((i / 119) * 2 * Math.PI) },
      i * 8,
    ),
  );
  const { path } = penStroke(round, 'smoothed', 1);
  expect(path.closed).toBe(true);
  expect(Math.abs(measurePath(path).length / (2 * Math.PI * 90) - 1)).toBeLessThan(0.03);
});
