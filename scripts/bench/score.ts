// The score in Chromium: how soon every move of a drag is answered, and where the time goes.
import type { CDPSession, Page } from '@playwright/test';
import { address, openBrowser, putPiece } from './page';
import { waves } from './pieces';
import { middle, ms, report, type Row } from './table';

const { browser, page } = await openBrowser();

async function open(n: number): Promise<void> {
  const id = await putPiece(page, waves(n));
  await page.goto(`${address}/pieces/${id}`);
  await page.waitForSelector('[data-canvas][data-frame]');
  await page.getByText('Time', { exact: true }).first().click();
}

interface Shares {
  readonly script: number;
  readonly layout: number;
  readonly rest: number;
}
interface Answer extends Shares {
  readonly middle: number;
  readonly worst: number;
}

/** Seconds that the page's main thread has spent so far, by what. */
async function spent(session: CDPSession): Promise<Shares> {
  const { metrics } = await session.send('Performance.getMetrics');
  const of = (name: string) => metrics.find((metric) => metric.name === name)?.value ?? 0;
  const [script, layout] = [of('ScriptDuration'), of('LayoutDuration') + of('RecalcStyleDuration')];
  return { script, layout, rest: of('TaskDuration') - script - layout };
}

/** From each event to when the picture that answers it has been painted, while something is done over and over. */
async function answers(
  target: Page,
  event: string,
  act: (i: number) => Promise<void>,
  times = 40,
): Promise<Answer> {
  const session = await target.context().newCDPSession(target);
  await session.send('Performance.enable');
  await target.evaluate((type) => {
    const took: number[] = [];
    Object.assign(window, { took });
    const listen = () => {
      const at = performance.now();
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = () => took.push(performance.now() - at);
        channel.port2.postMessage(null);
      });
    };
    window.addEventListener(type, listen, { capture: true, passive: true });
  }, event);
  const before = await spent(session);
  for (let i = 0; i < times; i++) {
    await act(i);
    await target.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
  }
  const after = await spent(session);
  const took = await target.evaluate(() => (window as unknown as { took: number[] }).took.slice(3));
  took.sort((a, b) => a - b);
  const share = (key: keyof Shares) => ((after[key] - before[key]) * 1000) / times;
  return {
    middle: took[took.length >> 1]!,
    worst: took[Math.floor(took.length * 0.95)]!,
    script: share('script'),
    layout: share('layout'),
    rest: share('rest'),
  };
}

const rows: Row[] = [];
const row = (what: string, many: Answer, few: Answer, of: string, aim = 'aim 32 ms'): void => {
  rows.push({
    what,
    ours: ms(many.middle),
    other: `${of} ${ms(few.middle)}`,
    ratio: `${(many.middle / few.middle).toFixed(2)}×`,
    note: `${aim}; of a hundred 95 within ${ms(many.worst)}; a move takes ${ms(many.script)} of script, ${ms(many.layout)} of style and layout, ${ms(many.rest)} of painting and the rest`,
  });
};

async function spread(n: number): Promise<Answer> {
  await open(n);
  await page.locator('[data-canvas]').focus();
  await page.keyboard.press('Control+a');
  const handle = page.getByRole('slider', { name: 'Spread the selected strokes' }).locator('circle').last();
  const box = (await handle.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const took = await answers(page, 'pointermove', (i) => page.mouse.move(x + 2 + (i % 20) * 2, y));
  await page.mouse.up();
  return took;
}

async function scrub(n: number): Promise<Answer> {
  await open(n);
  const box = (await page.locator('[data-ruler]').boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 10);
  await page.mouse.down();
  const took = await answers(page, 'pointermove', (i) => page.mouse.move(box.x + 20 + i * 20, box.y + 10));
  await page.mouse.up();
  return took;
}

const press = (i: number) => page.keyboard.press(i % 2 ? 'ArrowLeft' : 'ArrowRight');

/** A stroke nudged by its keys, over and over, at the step where paths are worked on. */
async function nudge(n: number): Promise<Answer> {
  await open(n);
  await page.getByRole('radio', { name: 'Trace', exact: true }).click();
  await page.locator('[data-row="3"] [role="rowheader"]').click({ position: { x: 76, y: 10 } });
  await page.locator('[data-canvas]').focus();
  return answers(page, 'keydown', press);
}

interface Traced {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  /** When it began and how long it took, microseconds. */
  readonly ts: number;
  readonly dur: number;
  readonly args: { readonly data?: { readonly type?: string } };
}
const SCRIPT = ['EventDispatch', 'FunctionCall', 'RunMicrotasks', 'TimerFire', 'FireAnimationFrame'];

/** Milliseconds of script from a press of a key to the end of the frame that paints its picture: the middle of many, with rests between. */
async function scriptToPicture(rest: number): Promise<number> {
  await browser.startTracing(page, { categories: ['devtools.timeline'] });
  for (let i = 0; i < 40; i++) {
    await press(i);
    await page.waitForTimeout(rest);
  }
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: Traced[] };
  const all = traceEvents.filter(({ ph }) => ph === 'X').sort((a, b) => a.ts - b.ts);
  const presses = all.filter(({ name, args }) => name === 'EventDispatch' && args.data?.type === 'keydown');
  const { pid, tid } = presses[0]!;
  const own = all.filter((one) => one.pid === pid && one.tid === tid && SCRIPT.includes(one.name));
  return middle(
    presses.map(({ ts }) => {
      const painted = own.find((one) => one.name === 'FireAnimationFrame' && one.ts >= ts)!;
      let [sum, upTo] = [0, ts];
      for (const one of own) {
        if (one.ts < ts || one.ts > painted.ts) continue;
        // Calls lie within one another.
        sum += Math.max(0, one.ts + one.dur - Math.max(upTo, one.ts));
        upTo = Math.max(upTo, one.ts + one.dur);
      }
      return sum / 1000;
    }),
  );
}

async function redraw(n: number): Promise<Answer> {
  await open(n);
  const box = (await page.locator('[data-score]').boundingBox())!;
  await page.mouse.move(box.x + 700, box.y + 100);
  await page.keyboard.down('Control');
  const took = await answers(page, 'wheel', (i) => page.mouse.wheel(0, i % 20 < 10 ? -60 : 60));
  await page.keyboard.up('Control');
  return took;
}

row(
  'Score: dragging a spread of 200 strokes, each move to its picture',
  await spread(200),
  await spread(20),
  '20 strokes',
);
row(
  'Score: scrubbing 300 strokes, each move to its picture',
  await scrub(300),
  await scrub(30),
  '30 strokes',
);
row('Score: lanes of 300 strokes redrawn while zooming', await redraw(300), await redraw(30), '30 strokes');
const nudgedFew = await nudge(30);
const nudged = await nudge(1000);
const [fast, slow] = [await scriptToPicture(15), await scriptToPicture(150)];
row(
  'A stroke of 1,000 nudged on the canvas, each press to its picture',
  nudged,
  nudgedFew,
  '30 strokes',
  `aim 16 ms of script to the picture: ${ms(fast)} where presses follow one another, ${ms(slow)} with a rest between them, while both are traced; what script is given here holds panels and proof too, which come after it`,
);
report(rows);
await browser.close();
