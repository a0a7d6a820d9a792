// Evaluates and paints pieces on the server and in Chromium's page, the frames of all of them in turn.
import { createCanvas } from '@napi-rs/canvas';
import { chromium } from '@playwright/test';
import { buildSync } from 'esbuild';
import { resolve } from 'node:path';
import type { Piece } from '../../src/core/document';
import { paint } from '../../src/core/paint';
import { evaluate } from '../../src/core/scene';

/** Milliseconds of each frame, piece by piece. */
export type Times = Record<string, { evaluate: number[]; all: number[] }>;

/** Runs in Node and, as text, in the page. */
function measure(
  pieces: Record<string, unknown>,
  frames: readonly number[],
  show: (piece: never, frame: number) => unknown,
  put: (list: unknown) => void,
): Times {
  const result: Times = {};
  for (let round = 0; round < 3; round++) {
    for (const frame of frames) {
      for (const [name, piece] of Object.entries(pieces)) {
        const began = performance.now();
        const list = show(piece as never, frame + round / 3);
        const shown = performance.now();
        put(list);
        const done = performance.now();
        if (round === 0) continue;
        const times = (result[name] ??= { evaluate: [], all: [] });
        times.evaluate.push(shown - began);
        times.all.push(done - began);
      }
    }
  }
  return result;
}

/** Times of pieces of 1080p at some frames, three rounds each a third of a frame further; the first is left out. */
export async function measureBoth(
  pieces: Record<string, Piece>,
  frames: readonly number[],
): Promise<{ readonly server: Times; readonly page: Times }> {
  const canvas = createCanvas(1920, 1080);
  const context = canvas.getContext('2d');
  const server = measure(pieces, frames, evaluate as never, (list) => {
    context.clearRect(0, 0, 1920, 1080);
    paint(list as never, context, createCanvas);
    context.getImageData(0, 0, 1, 1);
  });
  const script = buildSync({
    stdin: {
      contents:
        "import { paint } from './src/core/paint'; import { evaluate } from './src/core/scene'; globalThis.core = { paint, evaluate };",
      resolveDir: resolve(import.meta.dirname, '../..'),
    },
    bundle: true,
    write: false,
    format: 'iife',
  }).outputFiles[0]!.text;
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const page = await browser.newPage();
  await page.goto('about:blank');
  await page.addScriptTag({
    content: `globalThis.__name = (made) => made; ${script}; globalThis.measure = ${measure.toString()}`,
  });
  const inPage = (await page.evaluate(
    ({ pieces, frames }) => {
      const { core, measure } = globalThis as unknown as {
        core: { paint: (...all: unknown[]) => void; evaluate: (piece: never, frame: number) => unknown };
        measure: (...all: unknown[]) => unknown;
      };
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [1920, 1080];
      const context = canvas.getContext('2d')!;
      const make = (w: number, h: number) => new OffscreenCanvas(w, h);
      return measure(pieces, frames, core.evaluate, (list: unknown) => {
        context.clearRect(0, 0, 1920, 1080);
        core.paint(list, context, make);
        context.getImageData(0, 0, 1, 1);
      });
    },
    { pieces: pieces as never, frames },
  )) as Times;
  await browser.close();
  return { server, page: inPage };
}
