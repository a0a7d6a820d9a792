// The same animations, frame after frame in Chromium at 1080p: painted as the editor paints them, and by lottie-web's canvas player
// from the Lottie file of the same piece. A general-purpose player that keeps nothing from frame to frame is what it is held against.
import { buildSync } from 'esbuild';
import { resolve } from 'node:path';
import type { Piece } from '../../src/core/document';
import { writeLottie } from '../../src/core/formats';
import { evaluate } from '../../src/core/scene';
import { framesPerSecond } from '../../src/core/timing';
import { openBrowser } from './page';
import { inOrder, title, waves } from './pieces';
import { middle, ms, report, times, type Row } from './table';

const CASES: readonly (readonly [what: string, piece: Piece, aim: number])[] = [
  ['30 looped strokes written one after another', inOrder(title(30)), 3],
  ['300 looped strokes written one after another', inOrder(title(300)), 6],
  ['30 looped strokes, all growing at once', title(30), 1.2],
  ['300 looped strokes, all growing at once', title(300), 1.2],
  ['30 wide waves', waves(30), 1.2],
  ['300 wide waves', waves(300), 1.2],
];

const script = buildSync({
  stdin: {
    contents: `
      import { picturePainter } from './src/core/paint';
      import { evaluate } from './src/core/scene';
      globalThis.core = { picturePainter, evaluate };
    `,
    resolveDir: resolve(import.meta.dirname, '../..'),
  },
  bundle: true,
  write: false,
  format: 'iife',
}).outputFiles[0]!.text;

const lottieOf = (piece: Piece): unknown =>
  JSON.parse(
    writeLottie({
      name: piece.name,
      lists: Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame)),
      framesPerSecond: framesPerSecond(piece.rate),
    }),
  );

interface Page {
  core: {
    picturePainter(...all: unknown[]): { paint(...all: unknown[]): void };
    evaluate(piece: unknown, frame: number): unknown;
  };
  lottie: {
    loadAnimation(options: unknown): { goToAndStop(frame: number, isFrame: boolean): void; destroy(): void };
  };
}

const { browser, page } = await openBrowser();
await page.goto('about:blank');
await page.setViewportSize({ width: 1920, height: 1080 });
await page.addScriptTag({ content: script });
await page.addScriptTag({
  path: resolve(import.meta.dirname, '../../node_modules/lottie-web/build/player/lottie_canvas.js'),
});

const rows: Row[] = [];
for (const [what, piece, aim] of CASES) {
  const { ours, theirs } = await page.evaluate(
    ({ piece, data }) => {
      const { core, lottie } = globalThis as unknown as Page;
      const holder = document.body.appendChild(document.createElement('div'));
      holder.style.cssText = 'position:absolute;inset:0;width:1920px;height:1080px';
      const player = lottie.loadAnimation({
        container: holder,
        renderer: 'canvas',
        loop: false,
        autoplay: false,
        animationData: data,
      });
      const theirCanvas = holder.querySelector('canvas')!;
      const own = document.createElement('canvas');
      [own.width, own.height] = [1920, 1080];
      const context = own.getContext('2d')!;
      const painter = core.picturePainter(context, (w: number, h: number) => new OffscreenCanvas(w, h));
      const there = theirCanvas.getContext('2d')!;
      const ours: number[] = [];
      const theirs: number[] = [];
      for (let round = 0; round < 3; round++)
        for (let frame = 1; frame < 100; frame++) {
          let began = performance.now();
          painter.paint(core.evaluate(piece, frame), { x: 0, y: 0, scale: 1 });
          context.getImageData(0, 0, 1, 1);
          if (round > 0) ours.push(performance.now() - began);
          began = performance.now();
          player.goToAndStop(frame, true);
          there.getImageData(0, 0, 1, 1);
          if (round > 0) theirs.push(performance.now() - began);
        }
      const size = [theirCanvas.width, theirCanvas.height];
      player.destroy();
      holder.remove();
      if (size[0] !== 1920 || size[1] !== 1080) throw new Error(`lottie-web painted at ${size.join(' × ')}.`);
      return { ours, theirs };
    },
    { piece, data: lottieOf(piece) },
  );
  rows.push({
    what: `${what}, 1080p, Chromium`,
    ours: ms(middle(ours)),
    other: `lottie-web on canvas ${ms(middle(theirs))}`,
    ratio: times(middle(theirs) / middle(ours)),
    note: `times as fast; aim ≥ ${aim}`,
  });
}
await browser.close();
report(rows);
