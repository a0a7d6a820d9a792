import fc from 'fast-check';
import type { Bounds } from '../geometry';
import { snapBox, type BoxTargets } from '.';

const size = { width: 1920, height: 1080 };
const box = (left: number, top: number, width: number, height: number): Bounds => ({
  left,
  top,
  right: left + width,
  bottom: top + height,
});
const none: BoxTargets = { boxes: [], lines: [] };

test.each<[string, Bounds, BoxTargets, { x: number; y: number } | null, RegExp | null]>([
  ['left sides', box(103, 300, 50, 50), { ...none, boxes: [box(100, 0, 400, 40)] }, { x: -3, y: 0 }, /left/],
  ['middles', box(278, 300, 50, 50), { ...none, boxes: [box(100, 0, 400, 40)] }, { x: -3, y: 0 }, /centre/],
  [
    'the middle of the picture, both ways',
    box(937, 517, 50, 50),
    {
      ...none,
      lines: [
        { axis: 'x', at: 960, says: 'middle' },
        { axis: 'y', at: 540, says: 'middle' },
      ],
    },
    { x: -2, y: -2 },
    /^middle$/,
  ],
  ['nothing in reach', box(700, 600, 50, 50), { ...none, boxes: [box(100, 0, 40, 40)] }, null, null],
  [
    'equal gaps between two',
    box(186, 10, 100, 40),
    { ...none, boxes: [box(0, 0, 100, 63), box(370, 0, 100, 63)] },
    { x: -1, y: 1.5 },
    /equal gaps/,
  ],
  [
    'the gap of two others, after them',
    box(332, 12, 90, 40),
    { ...none, boxes: [box(0, 0, 100, 68), box(160, 0, 110, 68)] },
    { x: -2, y: 2 },
    /equal gaps/,
  ],
])('a box is drawn to %s', (_, moving, targets, by, says) => {
  const found = snapBox(moving, targets, 6, size);
  expect(found?.by ?? null).toEqual(by);
  if (says) expect(found!.snap.says).toMatch(says);
});

test('it is never moved further than its reach, and what it then is in line with moves it no more', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const any = fc.record({ x: number(0, 900), y: number(0, 900), w: number(10, 300), h: number(10, 300) });
  fc.assert(
    fc.property(any, fc.array(any, { minLength: 1, maxLength: 6 }), number(1, 30), (one, others, reach) => {
      const targets = { ...none, boxes: others.map((o) => box(o.x, o.y, o.w, o.h)) };
      const moving = box(one.x, one.y, one.w, one.h);
      const found = snapBox(moving, targets, reach, size);
      if (!found) return true;
      const { x, y } = found.by;
      const again = snapBox(box(one.x + x, one.y + y, one.w, one.h), targets, 1e-9, size);
      const moved = Math.abs(again?.by.x ?? 0) < 1e-8 && Math.abs(again?.by.y ?? 0) < 1e-8;
      return Math.abs(x) <= reach && Math.abs(y) <= reach && again !== null && moved;
    }),
  );
});
