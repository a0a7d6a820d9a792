import { alone, expect, test, type Page } from './test';
import { someOf } from '../src/core/testing/cases';
import { openNew } from './desk';
import { FULL_INK, title } from '../scripts/bench/pieces';
import { addEffect } from '@/core/document';
import { EFFECT_KINDS, newEffect } from '@/core/effects';
import { three } from './pieces';

/** What the piece's canvas shows, each frame as it is first seen while the piece plays. */
async function seenWhilePlaying(page: Page): Promise<[string, string][]> {
  return page.evaluate(
    () =>
      new Promise<[string, string][]>((done) => {
        const stage = document.querySelector<HTMLElement>('[data-canvas]')!;
        const picture = document.querySelector<HTMLCanvasElement>('[data-picture]')!;
        const seen = new Map<string, string>();
        const look = (): void => {
          const frame = stage.dataset.frame!;
          if (!seen.has(frame)) seen.set(frame, picture.toDataURL());
          if (seen.size < 9) requestAnimationFrame(look);
          else done([...seen]);
        };
        requestAnimationFrame(look);
      }),
  );
}

test('frames of the work range are kept painted: the very pictures, shown on the ruler, dropped with any change', async ({
  page,
}) => {
  const piece = { ...three('Ahead'), workRange: { from: 20, to: 59 } };
  const desk = await openNew(page, piece);
  const toggle = page.getByRole('button', { name: 'Paint ahead' });
  await toggle.focus();
  await page.keyboard.press('Space');
  await expect(toggle).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('all painted')).toBeVisible();
  const kept = page.locator('[data-ahead]');
  await expect(kept).toHaveAttribute('data-ahead', '40');
  const ruler = (await page.locator('[data-ruler]').boundingBox())!;
  const box = (await kept.boundingBox())!;
  expect(box.width / ruler.width).toBeGreaterThan(0.35);
  expect(box.width / ruler.width).toBeLessThan(0.45);

  await desk.canvas.focus();
  await page.keyboard.press('Space');
  const seen = await seenWhilePlaying(page);
  await page.keyboard.press('Space');
  await toggle.click();
  await expect(kept).toHaveCount(0);
  const pictures = new Set(seen.map(([, url]) => url));
  expect(pictures.size).toBeGreaterThan(4);
  for (const [frame, url] of seen.slice(1)) {
    await page.getByRole('textbox', { name: 'Frame' }).fill(frame);
    await page.keyboard.press('Enter');
    await expect(desk.canvas).toHaveAttribute('data-frame', frame);
    await expect
      .poll(() => page.locator('[data-picture]').evaluate((c: HTMLCanvasElement) => c.toDataURL()))
      .toBe(url);
  }

  await toggle.click();
  await expect(kept).toHaveAttribute('data-ahead', '40');
  await desk.canvas.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('ArrowRight');
  // What was painted is of no use any more; after a rest it is painted anew.
  await expect(kept).toHaveCount(0);
  await expect(kept).toHaveAttribute('data-ahead', '40');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('all painted')).toBeVisible();
});

test('where playing drops frames the transport says how many and which layers cost most', async ({
  page,
}) => {
  // All of its strokes are on their way in these frames.
  const desk = await openNew(page, { ...three('Dropped'), workRange: { from: 14, to: 34 } });
  await desk.canvas.focus();
  await page.keyboard.press('Space');
  await expect(desk.canvas).not.toHaveAttribute('data-frame', '0');
  // The page is held up, as by a picture that takes too long.
  await page.evaluate(() => {
    const until = performance.now() + 400;
    while (performance.now() < until);
  });
  await expect(page.getByText(/^\d+ dropped$/)).toBeVisible();
  await page.keyboard.press('Space');
  const said = page.locator('[data-dropped]');
  await expect(said).toHaveText(/^\d+ dropped$/);
  await said.focus();
  await page.keyboard.press('Enter');
  const entries = page.getByRole('menuitem');
  await expect(entries.first()).toHaveText(/: (\d+|under 1) % of frame \d+$/);
  const name = (await entries.first().innerText()).split(':')[0]!;
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: new RegExp(name) }).first()).toHaveAttribute(
    'aria-selected',
    'true',
  );
});

/** Its pictures take longer than its frames last, on any machine. */
const HEAVY = { ...title(60, FULL_INK), rate: { numerator: 240, denominator: 1 } };

test('a piece too heavy for the page is painted beside it: the very pictures, through edits, undo and zoom', async ({
  page,
}) => {
  test.setTimeout(60_000);
  const desk = await openNew(page, HEAVY);
  const picture = page.locator('[data-picture]');
  const pixels = () => picture.evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  for (let frame = 35; frame <= 48; frame++) await desk.showFrame(frame);
  await expect(picture).toHaveAttribute('data-picture', 'afar');
  const plain = await pixels();

  await desk.canvas.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('ArrowUp');
  await expect.poll(pixels).not.toBe(plain);
  await page.keyboard.press('Control+z');
  await expect.poll(pixels).toBe(plain);

  // While a picture of the new view is on its way the old one stands in for it, where the new one will be.
  const frame = page.locator('[data-canvas]');
  const box = (await frame.boundingBox())!;
  await page.mouse.move(box.x + 200, box.y + 200);
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -300);
  await page.keyboard.up('Control');
  await expect(picture).toHaveCSS('transform', 'none');
  await expect.poll(pixels).not.toBe(plain);
  const near = await pixels();
  await page.mouse.wheel(0, 40);
  await expect.poll(pixels).not.toBe(near);
  await page.mouse.wheel(0, -40);
  await expect(picture).toHaveCSS('transform', 'none');
  await expect.poll(pixels).toBe(near);

  // Opened anew it is painted by the page at first: the same pixels.
  await desk.saved();
  await page.reload();
  await desk.showFrame(48);
  await expect(picture).toHaveAttribute('data-picture', 'here');
  expect(await pixels()).toBe(plain);
});

alone('where the worker that paints a heavy piece fails, the page goes on painting it', async ({ page }) => {
  await page.addInitScript(() => {
    const Real = globalThis.Worker;
    globalThis.Worker = class extends Real {
      constructor() {
        super('data:text/javascript,throw new Error("no memory")');
        document.body.dataset.workers = 'asked for';
      }
    };
  });
  test.setTimeout(60_000);
  const desk = await openNew(page, HEAVY);
  const picture = page.locator('[data-picture]');
  const pixels = () => picture.evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  for (let frame = 35; frame <= 48; frame++) await desk.showFrame(frame);
  const seen = await pixels();
  await expect(page.locator('body')).toHaveAttribute('data-workers', 'asked for');
  await desk.showFrame(60);
  await expect(picture).toHaveAttribute('data-picture', 'here');
  expect(await pixels()).not.toBe(seen);
});

alone(
  'a piece that would take a second to paint is shown rougher until it is painted, and that is said',
  async ({ page }) => {
    alone.setTimeout(60_000);
    await page.addInitScript(() => {
      const seen: string[] = [];
      Object.assign(globalThis, { seen });
      new MutationObserver((changes) => {
        for (const { target } of changes) seen.push((target as HTMLElement).dataset.picture ?? '');
      }).observe(document, { subtree: true, attributes: true, attributeFilter: ['data-picture'] });
    });
    const copies = EFFECT_KINDS.find(({ name }) => name === 'Copies')!;
    const plain = title(60, FULL_INK);
    const ids = plain.layers.map(({ id }) => id);
    const twice = addEffect(addEffect(plain, ids, newEffect(copies, 1)), ids, newEffect(copies, 1));
    const desk = await openNew(page, twice);
    const picture = page.locator('[data-picture]');
    await expect(page.getByText('This piece is heavy.')).toBeVisible();
    await expect(picture).toHaveAttribute('data-picture', 'afar', { timeout: 30_000 });
    // The page answers while the worker paints: another frame is there at once, rougher, and then whole.
    await desk.showFrame(60);
    await expect(picture).toHaveAttribute('data-picture', 'afar', { timeout: 30_000 });
    const seen = await page.evaluate(() => (globalThis as unknown as { seen: string[] }).seen);
    expect(seen).not.toContain('here');
    expect(seen.filter((how, i) => how !== seen[i - 1]).slice(0, 4)).toEqual([
      'rough',
      'afar',
      'rough',
      'afar',
    ]);
  },
);

test('Space plays and stops past any control that a pointer has pressed, and presses those that were reached by keyboard', async ({
  page,
}) => {
  const desk = await openNew(page, three('Plays'));
  const isPlaying = () => page.getByRole('button', { name: /^(Stop|Pause)/ }).count();
  const before = await desk.document();
  let tried = 0;
  for (const step of someOf(['Ink', 'Time', 'Trace', 'Place', 'Finish'] as const, 2)) {
    await page.getByRole('radio', { name: step, exact: true }).click();
    await desk.lane(0).click({ position: { x: 5, y: 5 } });
    const controls = await page.locator('button, input[type="checkbox"], [role="radio"], [role="tab"]').all();
    const past: string[] = [];
    for (const [i, control] of controls.entries()) {
      // All of them cost minutes: every fifth.
      if (i % 5 > 0 || !(await control.isVisible()) || (await control.isDisabled())) continue;
      // As a press leaves it: it has the focus, and nothing shows that.
      const has = await control.evaluate((element) => {
        (element as HTMLElement).focus({ focusVisible: false });
        return document.activeElement === element && !element.matches(':focus-visible');
      });
      if (!has) continue;
      tried++;
      const was = await isPlaying();
      await page.keyboard.press('Space');
      if ((await isPlaying()) === was)
        past.push(await control.evaluate((element) => element.outerHTML.slice(0, 120)));
      else await page.keyboard.press('Space');
    }
    expect([step, past]).toEqual([step, []]);
  }
  expect(tried).toBeGreaterThan(12);
  expect(await desk.document()).toEqual(before);
  // Reached by keyboard a control keeps its Space.
  const snap = page.getByLabel('Tools').getByRole('button', { name: /^Snap/ });
  const was = await snap.getAttribute('aria-pressed');
  await desk.canvas.focus();
  await page.keyboard.press('Shift');
  await snap.focus();
  await page.keyboard.press('Space');
  await expect(snap).not.toHaveAttribute('aria-pressed', was!);
  expect(await isPlaying()).toBe(0);
});
