import fc from 'fast-check';
import { dueFrame, playedRange } from './playback';

test('playing shows each frame of its range in turn, and goes on as it is asked to', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 30 }), (from, more) => {
      const range = { from, to: from + more };
      const frames = (mode: 'loop' | 'once' | 'there and back') =>
        Array.from({ length: 3 * (more + 1) }, (_, i) => dueFrame(range, from, i, mode));
      const once = Array.from({ length: more + 1 }, (_, i) => from + i);
      expect(frames('once')).toEqual([...once, ...Array<null>(2 * (more + 1)).fill(null)]);
      expect(frames('loop')).toEqual([...once, ...once, ...once]);
      const back = frames('there and back');
      expect(back.slice(0, more + 1)).toEqual(once);
      back.forEach((frame, i) => {
        // Turned round it stands still nowhere and skips nothing.
        if (i > 0 && more > 0) expect(Math.abs(frame! - back[i - 1]!)).toBe(1);
        expect(frame! >= range.from && frame! <= range.to).toBe(true);
      });
    }),
  );
  expect(dueFrame({ from: 10, to: 19 }, 17, 4, 'loop')).toBe(11);
  expect(dueFrame({ from: 10, to: 19 }, 17, 4, 'there and back')).toBe(17);
});

test('the work range is played where there is one, held to the piece', () => {
  expect(playedRange({ length: 50 })).toEqual({ from: 0, to: 49 });
  expect(playedRange({ length: 50, workRange: { from: 10, to: 20 } })).toEqual({ from: 10, to: 20 });
  expect(playedRange({ length: 15, workRange: { from: 10, to: 20 } })).toEqual({ from: 10, to: 14 });
  expect(playedRange({ length: 5, workRange: { from: 10, to: 20 } })).toEqual({ from: 4, to: 4 });
});
