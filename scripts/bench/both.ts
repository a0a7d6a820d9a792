// Evaluates and paints pieces on the server and in Chromium's page: round after round, each piece's frames one after another.
import { createCanvas } from '@napi-rs/canvas';
import { chromium } from '@playwright/test';
import { buildSync } from 'esbuild';
import { resolve } from 'node:path';
import type { Piece } from '../../src/core/document';
import { paint, picturePainter, type MakeCanvas } from '../../src/core/paint';
import { evaluate } from '../../src/core/scene';
import { CHROMIUM } from '../lib/chromium';

/** Milliseconds of each frame, piece by piece: evaluating, evaluating and painting as the application does, and painting all of it anew. */
export type Times = Record<string, { evaluate: number[]; all: number[]; anew: number[] }>;

/** Runs in Node and, as text, in the page. */
function measure(
  pieces: Record<string, unknown>,
  frames: readonly number[],
  show: (piece: never, frame: number) => unknown,
  painter: () => (list: unknown) => void,
  putAnew: (list: unknown) => void,
): Times {
  const result: Times = {};
  const painters = Object.fromEntries(Object.keys(pieces).map((name) => [name, painter()]));
  // Two rounds to warm up: who plays a piece has seen more frames than that within a second or two.
  for (let round = -2; round < 3; round++) {
    for (const [name, piece] of Object.entries(pieces)) {
      const times = { evaluate: [] as number[], all: [] as number[], anew: [] as number[] };
      const lists = frames.map((frame) => {
        const began = performance.now();
        const list = show(piece as never, frame + (round + 2) / 5);
        const shown = performance.now();
        painters[name]!(list);
        times.evaluate.push(shown - began);
        times.all.push(performance.now() - began);
        return list;
      });
      lists.forEach((list, i) => {
        const began = performance.now();
        putAnew(list);
        times.anew.push(times.evaluate[i]! + performance.now() - began);
      });
      if (round < 0) continue;
      const all = (result[name] ??= { evaluate: [], all: [], anew: [] });
      all.evaluate.push(...times.evaluate);
      all.all.push(...times.all);
      all.anew.push(...times.anew);
    }
  }
  return result;
}

/** Times of pieces of 1080p at some frames: three rounds, each a fifth of a frame further, after two to warm up. */
export async function measureBoth(
  pieces: Record<string, Piece>,
  frames: readonly number[],
): Promise<{ readonly server: Times; readonly page: Times }> {
  const canvas = createCanvas(1920, 1080);
  const context = canvas.getContext('2d');
  const make = createCanvas as unknown as MakeCanvas;
  /** As exports paint: what was painted anew is read back. */
  const keptUp = () => {
    const own = createCanvas(1920, 1080).getContext('2d');
    const painter = picturePainter(own, make, true);
    return (list: unknown) => {
      const places = painter.paint(list as never, { x: 0, y: 0, scale: 1 });
      for (const { left, top, right, bottom } of places)
        own.getImageData(left, top, right - left, bottom - top);
    };
  };
  const server = measure(pieces, frames, evaluate, keptUp, (list) => {
    context.clearRect(0, 0, 1920, 1080);
    paint(list as never, context, make);
    context.getImageData(0, 0, 1, 1);
  });
  const script = buildSync({
    stdin: {
      contents:
        "import { paint, picturePainter } from './src/core/paint'; import { evaluate } from './src/core/scene'; globalThis.core = { paint, picturePainter, evaluate };",
      resolveDir: resolve(import.meta.dirname, '../..'),
    },
    bundle: true,
    write: false,
    format: 'iife',
  }).outputFiles[0]!.text;
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  await page.goto('about:blank');
  await page.addScriptTag({
    content: `globalThis.__name = (made) => made; ${script}; globalThis.measure = ${measure.toString()}`,
  });
  const inPage = (await page.evaluate(
    ({ pieces, frames }) => {
      const { core, measure } = globalThis as unknown as {
        core: {
          paint: (...all: unknown[]) => void;
          picturePainter: (...all: unknown[]) => { paint(...all: unknown[]): void };
          evaluate: (piece: never, frame: number) => unknown;
        };
        measure: (...all: unknown[]) => unknown;
      };
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [1920, 1080];
      const context = canvas.getContext('2d')!;
      const make = (w: number, h: number) => new OffscreenCanvas(w, h);
      return measure(
        pieces,
        frames,
        core.evaluate,
        () => {
          const own = document.createElement('canvas');
          [own.width, own.height] = [1920, 1080];
          const onto = own.getContext('2d')!;
          const painter = core.picturePainter(onto, make);
          return (list: unknown) => {
            painter.paint(list, { x: 0, y: 0, scale: 1 });
            onto.getImageData(0, 0, 1, 1);
          };
        },
        (list: unknown) => {
          context.clearRect(0, 0, 1920, 1080);
          core.paint(list, context, make);
          context.getImageData(0, 0, 1, 1);
        },
      );
    },
    { pieces: pieces as never, frames },
  )) as Times;
  await browser.close();
  return { server, page: inPage };
}
