import { expect, test } from '@playwright/test';
import { createCanvas } from '@napi-rs/canvas';
import { buildSync } from 'esbuild';
import { createHash } from 'node:crypto';
import { resolve } from 'node:path';
import { SAMPLE_PROJECT } from '../demo';
import { addStrokes, newPiece, newStroke, type Piece } from '../src/core/document';
import { corner, smooth, type PathPoint } from '../src/core/geometry';
import { paint } from '../src/core/paint';
import { evaluate, type DrawList } from '../src/core/scene';
import { cubicBezier, CSS_EASE } from '../src/core/timing';
import { seeded } from '../src/core/testing/families';

/** The core's own painting code, made into one script for a bare page. */
const script = buildSync({
  stdin: {
    contents: "import { paint } from './src/core/paint'; globalThis.paintList = paint;",
    resolveDir: resolve(import.meta.dirname, '..'),
  },
  bundle: true,
  write: false,
  format: 'iife',
}).outputFiles[0]!.text;

const hash = (pixels: Uint8ClampedArray | Buffer): string =>
  createHash('sha256').update(pixels).digest('hex');

function onServer(list: DrawList, scale: number): Buffer {
  const canvas = createCanvas(Math.round(list.width * scale), Math.round(list.height * scale));
  paint(list, canvas.getContext('2d'), scale);
  return Buffer.from(canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data.buffer);
}

/** Random strokes with every cap, join, opacity, window and kind of point. */
function randomPiece(seed: number): Piece {
  const random = seeded(seed);
  const strokes = Array.from({ length: 12 }, (_, i) => {
    const points = Array.from({ length: 1 + Math.floor(random() * 5) }, (): PathPoint => {
      const [x, y] = [random() * 640, random() * 360];
      return random() < 0.4
        ? corner(x, y)
        : smooth(x, y, { x: random() * 200 - 100, y: random() * 200 - 100 }, random() * 90);
    });
    const made = newStroke(
      `s${i}`,
      `S ${i}`,
      { closed: random() < 0.3 && points.length > 1, points },
      {
        width: 0.5 + random() * 40,
        colour: `#${Math.floor(random() * 0xffffff)
          .toString(16)
          .padStart(6, '0')}`,
        opacity: random() < 0.5 ? 1 : random(),
        cap: (['flat', 'round', 'square'] as const)[i % 3]!,
        join: (['miter', 'round', 'bevel'] as const)[(i + seed) % 3]!,
      },
    );
    return { ...made, window: { head: 0.3 + random() * 0.7, tail: random() * 0.3, slide: random() } };
  });
  return addStrokes(newPiece(`Random ${seed}`, { width: 640, height: 360 }), strokes);
}

test('browser and server paint the same draw list to the last bit, at every export size', async ({
  page,
}) => {
  await page.goto('about:blank');
  await page.addScriptTag({ content: script });
  const cases: [name: string, list: DrawList, scale: number][] = [
    ...SAMPLE_PROJECT.pieces.flatMap((piece) =>
      [0.1, 0.35, 0.6, 0.9].map((part, i): [string, DrawList, number] => {
        const frame = Math.floor(piece.length * part);
        return [`${piece.name} ${frame}`, evaluate(piece, frame), [1, 0.5, 1, 2][i]!];
      }),
    ),
    ...Array.from({ length: 30 }, (_, i): [string, DrawList, number] => {
      return [`random ${i}`, evaluate(randomPiece(i), 0), [1, 0.5, 2][i % 3]!];
    }),
  ];
  for (const [name, list, scale] of cases) {
    const inBrowser = await page.evaluate(
      async ({ list, scale }) => {
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [Math.round(list.width * scale), Math.round(list.height * scale)];
        const context = canvas.getContext('2d', { willReadFrequently: true })!;
        (globalThis as unknown as { paintList: (l: unknown, c: unknown, s: number) => void }).paintList(
          list,
          context,
          scale,
        );
        const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
        // A page without a secure origin has no digest; the pixels travel as text.
        let text = '';
        for (let i = 0; i < data.length; i += 32768)
          text += String.fromCharCode(...data.subarray(i, i + 32768));
        return btoa(text);
      },
      { list, scale },
    );
    expect([name, hash(Buffer.from(inBrowser, 'base64'))]).toEqual([name, hash(onServer(list, scale))]);
  }
});

test('easing is what Chromium’s own animations do', async ({ page }) => {
  await page.goto('about:blank');
  const random = seeded(21);
  const curves = [
    ...Object.values(CSS_EASE).map((e) => [e.x1, e.y1, e.x2, e.y2] as [number, number, number, number]),
    [0.3, 0, 0.25, 1] as [number, number, number, number],
    ...Array.from({ length: 20 }, (): [number, number, number, number] => [
      random(),
      random() * 2 - 0.5,
      random(),
      random() * 2 - 0.5,
    ]),
  ];
  const theirs = await page.evaluate((all) => {
    const element = document.body.appendChild(document.createElement('div'));
    return all.map((curve) => {
      const animation = element.animate([{ marginLeft: '0px' }, { marginLeft: '1000px' }], {
        duration: 1000,
        easing: `cubic-bezier(${curve.join(',')})`,
        fill: 'both',
      });
      animation.pause();
      return Array.from({ length: 21 }, (_, i) => {
        animation.currentTime = i * 50;
        return animation.effect!.getComputedTiming().progress as number;
      });
    });
  }, curves);
  curves.forEach((curve, k) => {
    const ours = cubicBezier(...curve);
    theirs[k]!.forEach((value, i) => expect(Math.abs(ours(i / 20) - value)).toBeLessThan(1e-5));
  });
});
