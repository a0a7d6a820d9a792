import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { RawFrame } from './raw-frame';
import { times } from '@/core/testing/cases';

const [W, H] = [90, 60];
const patch = fc.record({
  x: fc.nat(W - 1),
  y: fc.nat(H - 1),
  w: fc.integer({ min: 1, max: 40 }),
  h: fc.integer({ min: 1, max: 30 }),
  colour: fc.constantFrom('#ff6b3d', '#43b3a080', '#ede6d801', '#000000ff'),
  erases: fc.boolean(),
});

test.each([false, true])(
  'a raw frame kept up to date is one read anew, and tells where it is another; colour spread: %s',
  (spread) => {
    fc.assert(
      fc.property(
        fc.array(patch, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 9 }),
        (all, more) => {
          const canvas = createCanvas(W, H);
          const context = canvas.getContext('2d');
          const kept = new RawFrame(W, H, spread);
          for (const [frame, { x, y, w, h, colour, erases }] of all.entries()) {
            context.fillStyle = colour;
            if (erases) context.clearRect(x, y, w, h);
            else context.fillRect(x, y, w, h);
            // What was painted anew is more than what came of it.
            const changed = {
              left: Math.max(0, x - more),
              top: Math.max(0, y - more),
              right: Math.min(W, x + w + more),
              bottom: Math.min(H, y + h + more),
            };
            const before = new Int32Array(kept.pixels.slice().buffer);
            const places = kept.take({ frame, canvas, changed: [changed] });
            const now = new Int32Array(kept.pixels.slice().buffer);
            const anew = new RawFrame(W, H, spread);
            anew.take({ frame, canvas, changed: [{ left: 0, top: 0, right: W, bottom: H }] });
            expect(Buffer.compare(kept.pixels, anew.pixels)).toBe(0);
            const isTold = (i: number): boolean =>
              places.some(({ left, top, right, bottom }) => {
                const [u, v] = [i % W, Math.floor(i / W)];
                return u >= left && u < right && v >= top && v < bottom;
              });
            expect(now.findIndex((word, i) => word !== before[i] && !isTold(i))).toBe(-1);
            // Painted again as it is, nothing of it is new.
            expect(kept.take({ frame, canvas, changed: [changed] })).toEqual([]);
          }
        },
      ),
      { numRuns: times(60, 1200) },
    );
  },
);
