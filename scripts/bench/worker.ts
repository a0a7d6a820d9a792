// Painting in the page against painting in a worker on a canvas of its own: how soon a move is seen, and how long the page could
// not answer anything meanwhile. Frames are asked for as scrubbing does, one move after another.
import { chromium } from '@playwright/test';
import { buildSync } from 'esbuild';
import { resolve } from 'node:path';
import { CHROMIUM } from '../lib/chromium';
import { FULL_INK, title } from './pieces';
import { middle, ms, report, times } from './table';

const PIECES = {
  '30 strokes': title(30),
  '300 strokes': title(300),
  '30 strokes in full ink': title(30, FULL_INK),
  '300 strokes in full ink': title(300, FULL_INK),
};

/** The core with a painter of one canvas, for a page and for a worker. */
const core = buildSync({
  stdin: {
    contents: `
      import { picturePainter } from './src/core/paint';
      import { evaluate } from './src/core/scene';
      import { newsOf, withNews } from './src/core/document';
      globalThis.painterOf = (canvas) => {
        const painter = picturePainter(canvas.getContext('2d'), (w, h) => new OffscreenCanvas(w, h));
        return (piece, frame) => painter.paint(evaluate(piece, frame), { x: 0, y: 0, scale: canvas.width / 1920 });
      };
      Object.assign(globalThis, { newsOf, withNews });
    `,
    resolveDir: resolve(import.meta.dirname, '../..'),
  },
  bundle: true,
  write: false,
  format: 'iife',
}).outputFiles[0]!.text;

/** In the worker: the newest frame that was asked for is painted, those it overtook are not. */
const worker = `${core}
  let piece, paint, asked = null;
  onmessage = ({ data }) => {
    if (data.canvas) paint = painterOf(data.canvas);
    if (data.piece) piece = data.piece;
    if (data.news) piece = withNews(piece, data.news);
    if (data.frame === undefined) return;
    if (asked === null) setTimeout(() => {
      const frame = asked;
      asked = null;
      paint(piece, frame);
      requestAnimationFrame(() => postMessage(frame));
    });
    asked = data.frame;
  };`;

/** Times of one way: from a move to the picture that shows it, the longest the page was busy meanwhile, and a change handed over. */
interface Answers {
  readonly seen: number[];
  readonly busy: number[];
  readonly edits: number[];
}

/** In the page: moves through a piece, painted here or in a worker. */
async function answers(piece: never, inWorker: boolean, code: string): Promise<Answers> {
  const global = globalThis as unknown as {
    painterOf(canvas: unknown): (piece: unknown, frame: number) => void;
    newsOf(before: unknown, after: unknown): unknown;
  };
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [960, 540];
  document.body.replaceChildren(canvas);
  const nextPicture = () => new Promise<number>((done) => requestAnimationFrame(done));
  let show: (frame: number) => Promise<void>;
  let edit: (after: unknown) => void = () => {};
  let end = (): void => {};
  if (inWorker) {
    const painter = new Worker(URL.createObjectURL(new Blob([code])));
    const offscreen = canvas.transferControlToOffscreen();
    painter.postMessage({ canvas: offscreen, piece }, [offscreen]);
    show = (frame) =>
      new Promise((done) => {
        painter.onmessage = ({ data }) => data === frame && done();
        painter.postMessage({ frame });
      });
    edit = (after) => painter.postMessage({ news: global.newsOf(piece, after) });
    end = () => painter.terminate();
  } else {
    const paint = global.painterOf(canvas);
    show = (frame) => Promise.resolve(paint(piece, frame));
  }
  // Something that wants to be answered all the time, and hears how long it was not.
  const channel = new MessageChannel();
  let [last, longest, on] = [performance.now(), 0, true];
  channel.port1.onmessage = () => {
    const now = performance.now();
    longest = Math.max(longest, now - last);
    last = now;
    if (on) channel.port2.postMessage(null);
  };
  channel.port2.postMessage(null);
  const result: Answers = { seen: [], busy: [], edits: [] };
  for (let move = 0; move < 36; move++) {
    await nextPicture();
    longest = 0;
    const began = performance.now();
    await show(12 + move * 2);
    // What was drawn is on the screen when the next picture begins.
    await nextPicture();
    if (move < 6) continue;
    result.seen.push(performance.now() - began);
    result.busy.push(longest);
  }
  const { layers } = piece as { layers: readonly object[] };
  for (let i = 0; i < 12; i++) {
    const began = performance.now();
    edit({ ...(piece as object), layers: layers.map((layer, k) => (k === i ? { ...layer } : layer)) });
    result.edits.push(performance.now() - began);
  }
  on = false;
  end();
  return result;
}

const browser = await chromium.launch(CHROMIUM);
const rows = [];
for (const [name, piece] of Object.entries(PIECES)) {
  const page = await browser.newPage();
  await page.goto('about:blank');
  await page.addScriptTag({ content: `globalThis.__name = (made) => made; ${core}` });
  const measured: Record<string, Answers> = {};
  for (const way of ['page', 'worker'])
    measured[way] = await page.evaluate(
      ({ piece, inWorker, code, run }) =>
        // A function of this file, as text.
        (0, eval)(`(${run})`)(piece, inWorker, code) as Promise<Answers>,
      { piece: piece as never, inWorker: way === 'worker', code: worker, run: answers.toString() },
    );
  const [here, beside] = [measured.page!, measured.worker!];
  rows.push({
    what: `${name}, scrubbed: painted in a worker, a move to its picture`,
    ours: ms(middle(beside.seen)),
    other: `in the page ${ms(middle(here.seen))}`,
    ratio: times(middle(beside.seen) / middle(here.seen)),
    note: `the page answers nothing for ${ms(middle(beside.busy))} against ${ms(middle(here.busy))}; handing a change of one stroke over takes ${ms(middle(beside.edits))}`,
  });
  await page.close();
}
await browser.close();
report(rows);
