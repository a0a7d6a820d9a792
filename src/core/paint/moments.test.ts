import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { changedBounds, type DrawItem } from '../draw';
import {
  corner,
  measurePath,
  smooth,
  subPath,
  transformCommands,
  translation,
  wholePath,
  type Path,
  type PathCommand,
} from '../geometry';
import { paint, type MakeCanvas, type PaintContext } from '.';

const [W, H] = [220, 140];
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;
const curve: Path = {
  closed: false,
  points: [
    smooth(20, 30, { x: 40, y: 10 }),
    smooth(90, 100, { x: 30, y: -20 }),
    corner(150, 40),
    smooth(200, 110, { x: 5, y: 30 }),
  ],
};
const stroke = (path: readonly PathCommand[], part: object = {}): DrawItem => ({
  kind: 'stroke',
  path,
  colour: '#c08040',
  width: 9,
  cap: 'round',
  join: 'miter',
  opacity: 1,
  ...part,
});

function pixels(items: readonly DrawItem[]): Uint8ClampedArray {
  const canvas = createCanvas(W, H);
  const context = canvas.getContext('2d');
  paint({ width: W, height: H, items }, context as unknown as PaintContext, make);
  return context.getImageData(0, 0, W, H).data;
}

const share = fc.double({ min: 0, max: 1, noNaN: true });
const measured = measurePath(curve);
const written = (from: number, to: number): readonly PathCommand[] =>
  subPath(measured, Math.min(from, to) * measured.length, Math.max(from, to) * measured.length);

test('outside the box of what changed nothing is far from what it was: lines that come and go, move, are dashed, filled', () => {
  const item = fc.record({
    from: fc.constantFrom(0, 0, 0.3),
    to: share,
    by: fc.constantFrom(0, 0, 0, 3.5),
    kind: fc.constantFrom('plain', 'dashed', 'filled', 'grouped'),
  });
  fc.assert(
    fc.property(item, share, fc.constantFrom(0, 4), ({ from, to, by, kind }, until, moved) => {
      const one = (start: number, end: number, x: number): DrawItem => {
        const path = transformCommands(written(start, end), translation(x, 0));
        if (kind === 'filled') return { kind: 'fill', path, colour: '#c08040', opacity: 1 };
        const own = stroke(path, kind === 'dashed' ? { dashes: [7, 5] } : {});
        const dot = stroke(wholePath({ closed: true, points: [corner(5, 5), corner(15, 5), corner(9, 20)] }));
        return kind === 'grouped' ? { kind: 'group', items: [dot, own], opacity: 1 } : own;
      };
      const [a, b] = [one(from, to, by), one(from, until, by + moved)];
      const box = changedBounds(a, b);
      const [p, q] = [pixels([a]), pixels([b])];
      let worst = 0;
      for (let i = 3; i < p.length; i += 4) {
        const [x, y] = [((i - 3) / 4) % W, Math.floor((i - 3) / 4 / W)];
        if (box && x > box.left - 2 && x < box.right + 1 && y > box.top - 2 && y < box.bottom + 1) continue;
        worst = Math.max(worst, Math.abs(p[i]! - q[i]!));
      }
      // Curves that end elsewhere are cut into lines elsewhere: their edges are off by a part of a pixel's ink.
      expect(worst).toBeLessThan(90);
    }),
    { numRuns: 150 },
  );
});

test('light is summed as if each moment were painted by itself and all of them averaged', () => {
  fc.assert(
    fc.property(share, share, fc.integer({ min: 2, max: 9 }), (from, to, count) => {
      const moments = Array.from({ length: count }, (_, i): DrawItem => {
        const until = from + ((to - from) * i) / count;
        return { kind: 'group', items: [stroke(written(0, until))], opacity: 1 };
      });
      const sum = pixels([{ kind: 'group', items: moments, moments: true, opacity: 1 }]);
      const each = moments.map((moment) => pixels([moment]));
      let [off, ink] = [0, 0];
      for (let i = 3; i < sum.length; i += 4) {
        const mean = each.reduce((all, data) => all + data[i]!, 0) / count;
        off += Math.abs(sum[i]! - mean);
        ink += mean;
      }
      expect(off).toBeLessThanOrEqual(0.01 * ink + 255);
    }),
    { numRuns: 60 },
  );
});
