import { createCanvas } from '@napi-rs/canvas';
import {
  centreLines,
  despeckled,
  inkOfPicture,
  otsu,
  outlineStrokes,
  THRESHOLD_OPTIONS,
  type Pixels,
} from '..';
import { pathBounds } from '../../geometry';
import { inkArea } from '../../mask';
import { pointsAlong } from '../../testing/drawn-letters';
import { seeded } from '../../testing/families';

/** A curve of ink on paper whose light falls off to one side, with grain and dirt. */
function photographed(uneven: number): Pixels {
  const [width, height] = [500, 300];
  const canvas = createCanvas(width, height);
  const c = canvas.getContext('2d');
  const light = c.createLinearGradient(0, 0, width, 0);
  light.addColorStop(0, '#f2eee4');
  light.addColorStop(1, `rgb(${[242, 238, 228].map((v) => Math.round(v * (1 - uneven))).join()})`);
  c.fillStyle = light;
  c.fillRect(0, 0, width, height);
  c.lineWidth = 14;
  c.lineCap = 'round';
  c.strokeStyle = 'rgba(20, 26, 60, 0.82)';
  c.beginPath();
  c.moveTo(60, 200);
  c.bezierCurveTo(160, 20, 300, 290, 440, 110);
  c.stroke();
  const random = seeded(2);
  const image = c.getImageData(0, 0, width, height);
  for (let i = 0; i < image.data.length; i++) if (i % 4 < 3) image.data[i]! += (random() - 0.5) * 12;
  for (let k = 0; k < 40; k++) {
    const at = 4 * (Math.floor(random() * height) * width + Math.floor(random() * width));
    image.data.fill(30, at, at + 3);
  }
  return { width, height, data: image.data };
}

test.each([
  ['even light', 0.1],
  ['uneven light', 0.1],
  ['uneven light', 0.75],
] as const)('ink is told from paper in %s, falling off by %s', (method, uneven) => {
  const picture = photographed(uneven);
  const mask = inkOfPicture(picture, { ...THRESHOLD_OPTIONS, method });
  const strokes = centreLines(mask)!;
  expect(strokes).toHaveLength(1);
  expect(Math.abs(strokes[0]!.width - 14)).toBeLessThan(1.5);
  const bounds = pathBounds(strokes[0]!.path)!;
  expect([bounds.left, bounds.right].every((v, i) => Math.abs(v - [60, 440][i]!) < 5)).toBe(true);
  // On the curve that was drawn, to a pixel.
  const along = Array.from({ length: 400 }, (_, i) => {
    const [t, u] = [i / 399, 1 - i / 399];
    const at = (a: number, b: number, c: number, d: number) =>
      u * u * u * a + 3 * u * u * t * b + 3 * u * t * t * c + t * t * t * d;
    return [at(60, 160, 300, 440), at(200, 20, 290, 110)] as const;
  });
  const off = pointsAlong(strokes[0]!).map((p) =>
    Math.min(...along.map(([x, y]) => Math.hypot(p.x - x, p.y - y))),
  );
  expect(off.reduce((a, b) => a + b) / off.length).toBeLessThan(1);
});

test('Otsu parts two groups between their means; dirt and pinholes below a size go; light ink is ink when told', () => {
  const values = Float32Array.from({ length: 1000 }, (_, i) => (i % 5 === 0 ? 40 + (i % 7) : 200 + (i % 11)));
  expect(otsu(values)).toBeGreaterThan(100);
  expect(otsu(values)).toBeLessThan(150);
  const data = new Uint8Array(60 * 60);
  for (let y = 10; y < 40; y++) for (let x = 10; x < 40; x++) data[y * 60 + x] = 255;
  data[25 * 60 + 25] = 0;
  data[50 * 60 + 50] = 255;
  expect(inkArea(despeckled({ width: 60, height: 60, data }, 9))).toBe(900);
  const picture = photographed(0);
  const inverted = { ...picture, data: picture.data.map((v, i) => (i % 4 === 3 ? v : 255 - v)) };
  expect(centreLines(inkOfPicture(inverted, { ...THRESHOLD_OPTIONS, invert: true }))).toHaveLength(1);
});

test('outlines lie on the edge, and as far out or in as asked', () => {
  const source = {
    bounds: { left: 100, top: 50, right: 300, bottom: 250 },
    finest: Infinity,
    mask: (scale: number) => {
      const size = Math.ceil(200 * scale);
      const canvas = createCanvas(size, size);
      const c = canvas.getContext('2d');
      c.scale(scale, scale);
      c.beginPath();
      c.arc(100, 100, 60, 0, 7);
      c.fill();
      const { data } = c.getImageData(0, 0, size, size);
      return {
        width: size,
        height: size,
        data: Uint8Array.from({ length: size * size }, (_, i) => data[4 * i + 3]!),
      };
    },
  };
  for (const offset of [0, 12, -15]) {
    const [path, ...more] = outlineStrokes(source, offset, 0.25);
    expect(more).toEqual([]);
    for (const p of path!.points)
      expect(Math.abs(Math.hypot(p.x - 200, p.y - 150) - 60 - offset)).toBeLessThan(0.6);
  }
});
