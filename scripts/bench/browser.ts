// A piece of 300 strokes in Chromium: from opening to the first frame, and how playing holds.
import { address, openBrowser, putPiece } from './page';
import { waves } from './pieces';
import { ms, report } from './table';

const { browser, page } = await openBrowser();

async function measure(n: number) {
  const id = await putPiece(page, waves(n));
  const opening: number[] = [];
  for (let i = 0; i < 3; i++) {
    await page.goto('about:blank');
    await page.goto(`${address}/pieces/${id}`, { waitUntil: 'commit' });
    await page.waitForSelector('[data-canvas][data-frame]');
    opening.push(
      await page.evaluate(
        () => new Promise<number>((done) => requestAnimationFrame(() => done(performance.now()))),
      ),
    );
  }
  await page.locator('[data-canvas]').focus();
  const played = await page.evaluate(async () => {
    const gaps: number[] = [];
    let last = 0;
    let going = true;
    const watch = (now: number) => {
      if (last) gaps.push(now - last);
      last = now;
      if (going) requestAnimationFrame(watch);
    };
    const key = () => window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }));
    requestAnimationFrame(watch);
    key();
    await new Promise((done) => setTimeout(done, 4100));
    going = false;
    key();
    const dropped = document.body.innerText.match(/(\d+) dropped/)?.[1] ?? '0';
    return {
      worst: Math.max(...gaps),
      middle: gaps.sort((a, b) => a - b)[gaps.length >> 1]!,
      dropped: Number(dropped),
    };
  });
  return { opening: opening.sort((a, b) => a - b)[1]!, ...played };
}

const few = await measure(30);
const many = await measure(300);
report([
  {
    what: '300 strokes: from opening the page to the first frame',
    ours: ms(many.opening),
    other: `30 strokes ${ms(few.opening)}`,
    ratio: `${(many.opening / few.opening).toFixed(2)}×`,
    note: 'Chromium without a GPU, production build, server on this machine',
  },
  {
    what: '300 strokes: worst gap between two pictures in 4 s of playing',
    ours: ms(many.worst),
    other: `30 strokes ${ms(few.worst)}`,
    ratio: `${(many.worst / few.worst).toFixed(2)}×`,
    note: `median gap ${ms(many.middle)} against ${ms(few.middle)}; dropped frames of 25 fps: ${many.dropped} against ${few.dropped}`,
  },
]);
await browser.close();
