// Memory while a piece in full ink plays for ten minutes in Chromium: `npm run bench:memory`. Takes eleven minutes.
import { chromium } from '@playwright/test';
import { FULL_INK, title } from './pieces';

const address = process.env.BASE_URL!;
const minutes = Number(process.env.MINUTES ?? 10);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--js-flags=--expose-gc'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript('globalThis.__name = (made) => made');
await page.goto(address);
const id = await page.evaluate(
  async (document) => {
    const post = async (path: string, body: unknown) =>
      (
        await fetch(path, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        })
      ).json();
    const project = await post('/api/projects', { name: 'Bench' });
    return (await post(`/api/projects/${project.id}/pieces`, { document })).id as string;
  },
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
