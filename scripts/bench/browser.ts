// Pieces of 30, 300 and 1,000 strokes in Chromium: from opening to the picture, and how playing holds.
import { address, openBrowser, putPiece } from './page';
import { waves } from './pieces';
import { middle, ms, report } from './table';

const { browser, page } = await openBrowser();
// When the first picture was painted: asked from outside, a page answers only when it is done with all about it.
await page.addInitScript(() => {
  const watch = new MutationObserver(() => {
    if (!document.querySelector('[data-canvas][data-frame]')) return;
    watch.disconnect();
    document.documentElement.dataset.shown = String(performance.now());
  });
  watch.observe(document, { subtree: true, childList: true, attributeFilter: ['data-frame'] });
});

async function measure(n: number) {
  const id = await putPiece(page, waves(n));
  const opening: number[] = [];
  const whole: number[] = [];
  for (let i = 0; i < 5; i++) {
    await page.goto('about:blank');
    await page.goto(`${address}/pieces/${id}`, { waitUntil: 'commit' });
    await page.waitForSelector('[role="row"]');
    const at = await page.evaluate(
      () =>
        new Promise<number[]>((done) =>
          requestAnimationFrame(() =>
            done([Number(document.documentElement.dataset.shown), performance.now()]),
          ),
        ),
    );
    opening.push(at[0]!);
    whole.push(at[1]!);
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
    const dropped = document.body.innerText.match(/(?<!\d)(\d+) dropped/)?.[1] ?? '0';
    return {
      worst: Math.max(...gaps),
      middle: gaps.sort((a, b) => a - b)[gaps.length >> 1]!,
      dropped: Number(dropped),
    };
  });
  return { opening: middle(opening), whole: middle(whole), ...played };
}

const few = await measure(30);
const many = await measure(300);
const most = await measure(1000);
report([
  {
    what: '1,000 strokes: from opening the page to its picture',
    ours: ms(most.opening),
    other: `30 strokes ${ms(few.opening)}`,
    ratio: `${(most.opening / few.opening).toFixed(2)}×`,
    note: `aim ≤ 1500 ms; all about the picture is there after ${ms(most.whole)} against ${ms(few.whole)}; 300 strokes ${ms(many.opening)} and ${ms(many.whole)}. Chromium without a GPU, production build, server on this machine`,
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
