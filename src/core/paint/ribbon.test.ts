import { createCanvas } from '@napi-rs/canvas';
import { rampAt, type Stop } from '../colour';
import { measurePath, pointAtLength, smooth, tangentAtLength, type Path } from '../geometry';
import { colourRibbon } from '../ink';
import { seeded } from '../testing/families';
import { fieldOf } from './fields';
import { paintRibbon } from './ribbon';

const SIZE = 400;
const BOX = { left: 0, top: 0, right: SIZE, bottom: SIZE };
const STOPS: readonly Stop[] = [
  { at: 0, colour: '#204060', opacity: 1 },
  { at: 0.4, colour: '#ff8040', opacity: 1 },
  { at: 1, colour: '#f0f0d0', opacity: 1 },
];

/** A path that never comes near itself: a wave that climbs. */
function wave(random: () => number): Path {
  const points = Array.from({ length: 4 }, (_, i) =>
    smooth(40 + i * 100, 200 + (random() - 0.5) * 160, { x: 45, y: (random() - 0.5) * 40 }),
  );
  return { closed: false, points };
}

function painted(
  path: Path,
  half: number,
  inked: { from: number; to: number },
  at = { scale: 1, x: 0, y: 0 },
) {
  const ribbon = colourRibbon(path, null, half, half, STOPS, inked, inked);
  const pixels = new Uint8ClampedArray(4 * SIZE * SIZE);
  const field = fieldOf(ribbon, at, { width: SIZE, height: SIZE }, createCanvas);
  paintRibbon(ribbon, field!, at, { pixels, stride: SIZE, box: BOX });
  return (x: number, y: number) => [...pixels.subarray(4 * (y * SIZE + x), 4 * (y * SIZE + x) + 4)];
}

const channels = (hex: string): number[] => [1, 3, 5].map((k) => Number.parseInt(hex.slice(k, k + 2), 16));

test('pixels about a path have the colour of where they lie along it, over every stretch of it and however it is placed', () => {
  const random = seeded(3);
  for (let round = 0; round < 12; round++) {
    const path = wave(random);
    const m = measurePath(path);
    const half = 4 + random() * 8;
    const inked = { from: m.length * 0.3 * random(), to: m.length * (0.6 + 0.4 * random()) };
    const at = { scale: round % 3 === 0 ? 0.6 : 1, x: round % 2 ? 7.3 : 0, y: round % 2 ? -11.8 : 0 };
    const colourAt = painted(path, half, inked, at);
    for (let k = 0; k < 60; k++) {
      const s = inked.from + (inked.to - inked.from) * random();
      const [p, t] = [pointAtLength(m, s), tangentAtLength(m, s)];
      const aside = (random() - 0.5) * 2 * half * 0.9;
      const [x, y] = [p.x - t.y * aside, p.y + t.x * aside].map((v, i) =>
        Math.floor(v * at.scale + (i === 0 ? at.x : at.y)),
      ) as [number, number];
      // A pixel is up to a pixel away from the place that fell into it, and further along a bend's inside.
      const reach = (3 / at.scale / (inked.to - inked.from)) * 1.5;
      const on = (s - inked.from) / (inked.to - inked.from);
      const near = [on - reach, on, on + reach].map((v) =>
        channels(rampAt(STOPS, Math.min(1, Math.max(0, v))).colour),
      );
      const is = colourAt(x, y);
      expect(is[3]).toBe(255);
      for (let c = 0; c < 3; c++) {
        const all = near.map((colour) => colour[c]!);
        expect(is[c]).toBeGreaterThanOrEqual(Math.min(...all) - 3);
        expect(is[c]).toBeLessThanOrEqual(Math.max(...all) + 3);
      }
    }
  }
});

test('nothing is coloured further from what is inked than caps reach', () => {
  const random = seeded(9);
  for (let round = 0; round < 8; round++) {
    const path = wave(random);
    const m = measurePath(path);
    const half = 4 + random() * 6;
    const inked = { from: m.length * 0.3, to: m.length * (0.4 + 0.3 * random()) };
    const colourAt = painted(path, half, inked);
    for (const s of [0.02, 0.1, 0.85, 0.98].map((share) => share * m.length)) {
      const p = pointAtLength(m, s);
      expect(colourAt(Math.floor(p.x), Math.floor(p.y))).toEqual([0, 0, 0, 0]);
    }
  }
});
