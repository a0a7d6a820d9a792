import { spawnSync } from 'node:child_process';
import fc from 'fast-check';
import { spreadColour } from './spread-colour';
import { toYuv420, yuv420Length } from './to-yuv420';

const SIZE = { width: 70, height: 51 };
const WHOLE = { left: 0, top: 0, right: SIZE.width, bottom: SIZE.height };

/** Pixels in flat patches, some of them see-through, as ink is. */
function patches(seed: number): Uint8Array {
  const pixels = new Uint8Array(SIZE.width * SIZE.height * 4);
  const words = new Uint32Array(pixels.buffer);
  let state = seed + 1;
  const next = (below: number): number => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
  for (let i = 0; i < 12; i++) {
    const [x, y] = [next(SIZE.width), next(SIZE.height)];
    const colour = (next(2 ** 24) | ((next(3) > 0 ? 255 : next(256)) << 24)) >>> 0;
    for (let row = y; row < Math.min(SIZE.height, y + 14); row++)
      words.fill(colour, row * SIZE.width + x, row * SIZE.width + Math.min(SIZE.width, x + 17));
  }
  return pixels;
}

const box = fc
  .record({
    left: fc.nat(60),
    top: fc.nat(44),
    width: fc.integer({ min: 1, max: 20 }),
    height: fc.integer({ min: 1, max: 20 }),
  })
  .map(({ left, top, width, height }) => ({
    left,
    top,
    right: Math.min(SIZE.width, left + width),
    bottom: Math.min(SIZE.height, top + height),
  }));

test('a frame that is kept up to date box by box is the one that is made anew, its spread colours and planes too', () => {
  fc.assert(
    fc.property(fc.nat(1000), fc.array(box, { minLength: 1, maxLength: 5 }), (seed, boxes) => {
      const [kept, next] = [patches(seed), patches(seed + 5000)];
      const planes = new Uint8Array(yuv420Length(SIZE, true));
      spreadColour(kept, SIZE, WHOLE);
      toYuv420(kept, SIZE, WHOLE, planes);
      const plain = patches(seed);
      for (const { left, top, right, bottom } of boxes)
        for (let y = top; y < bottom; y++)
          for (const pixels of [kept, plain]) {
            const [from, to] = [(y * SIZE.width + left) * 4, (y * SIZE.width + right) * 4];
            pixels.set(next.subarray(from, to), from);
          }
      for (const place of boxes.map((one) => spreadColour(kept, SIZE, one)))
        toYuv420(kept, SIZE, place, planes);

      spreadColour(plain, SIZE, WHOLE);
      const anew = new Uint8Array(planes.length);
      toYuv420(plain, SIZE, WHOLE, anew);
      expect(Buffer.compare(kept, plain)).toBe(0);
      expect(Buffer.compare(planes, anew)).toBe(0);
    }),
  );
});

test.each([
  // Reckoned by hand from the equations of ITU-R BT.709: luma, the differences to it, and their 8-bit levels.
  ['black', [0, 0, 0], [16, 128, 128]],
  ['white', [255, 255, 255], [235, 128, 128]],
  ['red', [255, 0, 0], [63, 102, 240]],
  ['green', [0, 255, 0], [173, 42, 26]],
  ['blue', [0, 0, 255], [32, 240, 118]],
  ['yellow', [255, 255, 0], [219, 16, 138]],
])('%s has the levels of ITU-R BT.709', (_, rgb, levels) => {
  const rgba = new Uint8Array(4 * 4 * 4);
  for (let i = 0; i < 16; i++) rgba.set([...rgb, 200], i * 4);
  const size = { width: 4, height: 4 };
  const planes = new Uint8Array(yuv420Length(size, true));
  toYuv420(rgba, size, { left: 0, top: 0, right: 4, bottom: 4 }, planes);
  expect([planes[0], planes[16], planes[20], planes[24]]).toEqual([...levels, 200]);
});

test('planes are those that ffmpeg makes: brightness everywhere, colour where it is even', () => {
  const rgba = patches(7);
  const size = `${SIZE.width}x${SIZE.height}`;
  const made = spawnSync(
    'ffmpeg',
    [
      ...['-loglevel', 'error', '-f', 'rawvideo', '-pix_fmt', 'rgba', '-s', size, '-i', 'pipe:0', '-vf'],
      'scale=out_color_matrix=bt709:out_range=tv:flags=accurate_rnd+full_chroma_int,format=yuva420p',
      ...['-f', 'rawvideo', 'pipe:1'],
    ],
    { input: rgba, maxBuffer: 1 << 24 },
  ).stdout;
  const planes = new Uint8Array(yuv420Length(SIZE, true));
  toYuv420(rgba, SIZE, WHOLE, planes);
  expect(made.length).toBe(planes.length);
  const pixels = SIZE.width * SIZE.height;
  const off = (from: number, to: number): number[] =>
    Array.from(planes.subarray(from, to), (value, i) => Math.abs(value - made[from + i]!));
  expect(Math.max(...off(0, pixels))).toBeLessThanOrEqual(1);
  // Between colours ffmpeg's filter is wider than ours.
  const words = new Uint32Array(rgba.buffer);
  const [w, h] = [Math.ceil(SIZE.width / 2), Math.ceil(SIZE.height / 2)];
  let even = 0;
  for (let row = 2; row < h - 3; row++)
    for (let column = 2; column < w - 3; column++) {
      const around = Array.from({ length: 64 }, (_, i) => {
        const [x, y] = [2 * column - 3 + (i % 8), 2 * row - 3 + (i >> 3)];
        return words[y * SIZE.width + x]!;
      });
      if (around.some((word) => word !== around[0])) continue;
      even++;
      for (const plane of [0, 1]) {
        const at = pixels + plane * w * h + row * w + column;
        if (Math.abs(planes[at]! - made[at]!) > 1)
          throw new Error(`${column}, ${row}: ${planes[at]} for ${made[at]}`);
      }
    }
  expect(even).toBeGreaterThan(50);
  // Its alpha is off by one here and there; ours is the alpha that was painted.
  expect(Math.max(...off(planes.length - pixels, planes.length))).toBeLessThanOrEqual(1);
  expect(
    Buffer.compare(
      planes.subarray(planes.length - pixels),
      rgba.filter((_, i) => i % 4 === 3),
    ),
  ).toBe(0);
});
