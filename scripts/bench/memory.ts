// Memory while a piece in full ink plays for ten minutes in Chromium: `npm run bench:memory`. Takes eleven minutes.
import { address, openBrowser, putPiece } from './page';
import { FULL_INK, title } from './pieces';

const minutes = Number(process.env.MINUTES ?? 10);
const { browser, page } = await openBrowser(['--js-flags=--expose-gc']);
const id = await putPiece(
  page,
  title(30, { ...FULL_INK, glow: { size: 12, gain: 1, colour: '#ff6b3d', opacity: 0.6 } }),
);
await page.goto(`${address}/pieces/${id}`);
await page.waitForSelector('[data-canvas][data-frame]');
const session = await page.context().newCDPSession(page);
await session.send('HeapProfiler.enable');

/** Megabytes of the page's JavaScript heap after collection, and of its process. */
async function memory(): Promise<{ heap: number; process: number }> {
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  const { processInfo } = await (await browser.newBrowserCDPSession()).send('SystemInfo.getProcessInfo');
  const { readFileSync } = await import('node:fs');
  const sizes = processInfo
    .filter(({ type }) => type === 'renderer')
    .map(
      ({ id }) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1] ?? 0) / 1024,
    );
  return { heap: usedSize / 2 ** 20, process: Math.max(...sizes) };
}

await page.locator('[data-canvas]').focus();
await page.keyboard.press('Space');
for (let minute = 0; minute <= minutes; minute++) {
  await page.waitForTimeout(minute === 0 ? 20_000 : 60_000);
  const { heap, process } = await memory();
  console.log(`minute ${minute}: heap ${heap.toFixed(1)} MB, process ${process.toFixed(0)} MB`);
}
await browser.close();
