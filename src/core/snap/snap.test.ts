import { ellipseShape } from '../geometry';
import { snap, snapAngle, type SnapTargets } from '.';

const size = { width: 1920, height: 1080 };
const none: SnapTargets = { points: [], paths: [], lines: [], grid: null };

test('points come before paths, paths before lines; each axis of lines by itself, with a hairline', () => {
  const ring = ellipseShape({ x: 0, y: 0 }, { x: 200, y: 200 });
  const all: SnapTargets = {
    points: [{ x: 100, y: 0, says: 'point of Ring' }],
    paths: [ring],
    lines: [
      { axis: 'x', at: 500, says: 'guide' },
      { axis: 'y', at: 300, says: 'middle' },
    ],
    grid: null,
  };
  expect(snap({ x: 104, y: 3 }, all, 8, size)).toMatchObject({
    point: { x: 100, y: 0 },
    says: 'point of Ring',
  });
  const onPath = snap({ x: 171, y: 33 }, all, 8, size)!;
  expect(onPath.says).toBe('path');
  expect(Math.hypot(onPath.point.x - 100, onPath.point.y - 100)).toBeCloseTo(100, 1);
  const both = snap({ x: 503, y: 296 }, all, 8, size)!;
  expect(both).toMatchObject({ point: { x: 500, y: 300 }, says: 'guide, middle' });
  expect(both.hairlines).toHaveLength(2);
  expect(snap({ x: 503, y: 200 }, all, 8, size)).toMatchObject({ point: { x: 500, y: 200 } });
  expect(snap({ x: 700, y: 500 }, all, 8, size)).toBeNull();
  expect(snap({ x: 117, y: 64 }, { ...none, grid: 60 }, 8, size)).toMatchObject({
    point: { x: 120, y: 60 },
    says: 'grid',
  });
});

test('directions within two degrees of a multiple of 15° are held to it and keep their length', () => {
  const held = snapAngle({ x: 0, y: 0 }, { x: 100, y: -56 })!;
  expect(held.says).toBe('30°');
  expect(Math.hypot(held.point.x, held.point.y)).toBeCloseTo(Math.hypot(100, 56), 6);
  expect(snapAngle({ x: 0, y: 0 }, { x: 100, y: -35 })).toBeNull();
});
