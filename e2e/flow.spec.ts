import { alone, expect, test, type Locator, type Page } from './test';
import { strokesOf, type Piece, type Stroke } from '../src/core/document';
import { keysOf } from '../src/core/timing';
import { ON_NAME, openNew, type Desk } from './desk';
import { three } from './pieces';

const saved = (desk: Desk): Promise<Piece> => desk.savedDocument();
const strokes = async (desk: Desk): Promise<Stroke[]> => strokesOf(await saved(desk));
const frames = (stroke: Stroke, part: 'head' | 'tail' = 'head') =>
  keysOf(stroke.window[part]).map((key) => key.frame);
const middle = async (locator: Locator) => {
  const box = (await locator.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};
async function drag(
  page: Page,
  from: { x: number; y: number },
  by: { x: number; y?: number },
): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + by.x / 2, from.y + (by.y ?? 0) / 2);
  await page.mouse.move(from.x + by.x, from.y + (by.y ?? 0), { steps: 3 });
}
/** Px a frame while the whole piece of 100 frames is in view. */
const scaleOf = async (page: Page) => ((await page.locator('[data-ruler]').boundingBox())!.width - 28) / 99;

test('markers and a work range: set, named, dragged, played, undone; keys are drawn to them', async ({
  page,
}) => {
  const desk = await openNew(page, three('Markers'));
  const k = await scaleOf(page);
  const strip = (await page.locator('[data-moments]').boundingBox())!;
  const at = (frame: number) => strip.x + 14 + frame * k;
  await page.mouse.dblclick(at(40), strip.y + 8);
  await page.getByRole('slider', { name: 'Marker Marker 1' }).focus();
  await page.keyboard.press('F2');
  await page.keyboard.type('Title in');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('slider', { name: 'Marker Title in' })).toHaveAttribute('aria-valuenow', '40');
  // A key that is dragged near it stands on it, and it is said.
  const key = await middle(desk.lane(0).locator('[data-key="head-1"]'));
  await drag(page, key, { x: 9.4 * k });
  await expect(page.locator('[data-drag-words]')).toContainText('Title in');
  await page.mouse.up();
  expect(frames((await strokes(desk))[0]!)).toEqual([10, 40]);
  await page.keyboard.press('Control+z');
  await page.keyboard.down('Alt');
  await drag(page, key, { x: 9.4 * k });
  await page.mouse.up();
  await page.keyboard.up('Alt');
  expect(frames((await strokes(desk))[0]!)).toEqual([10, 39]);

  await drag(page, { x: at(60), y: strip.y + 8 }, { x: 20 * k });
  await page.mouse.up();
  const { workRange } = await saved(desk);
  expect(workRange!.to - workRange!.from).toBe(20);
  await page.locator('[data-canvas]').focus();
  await page.keyboard.press('Space');
  // Played over and over, whichever of its frames are shown in time: none outside it, and from its end to its start.
  const [from, to] = [workRange!.from, workRange!.to];
  const seen = await page.evaluate(async () => {
    const canvas = document.querySelector<HTMLElement>('[data-canvas]')!;
    const frames: number[] = [];
    await new Promise<void>((done) => {
      const observer = new MutationObserver(() => {
        frames.push(Number(canvas.dataset.frame));
        if (frames.length < 2 || frames.at(-1)! > frames.at(-2)!) return;
        observer.disconnect();
        done();
      });
      observer.observe(canvas, { attributeFilter: ['data-frame'] });
    });
    return frames;
  });
  expect(seen.filter((frame) => frame < from || frame > to)).toEqual([]);
  await page.keyboard.press('Space');
  await page.getByRole('slider', { name: 'Last frame of the work range' }).focus();
  await page.keyboard.press('Delete');
  expect(await saved(desk)).not.toHaveProperty('workRange');
  await page.getByRole('slider', { name: 'Marker Title in' }).focus();
  await page.keyboard.press('Delete');
  expect((await saved(desk)).markers).toEqual([]);
});

test('one handle spreads the selection while it is dragged, in one step of undo', async ({ page }) => {
  const desk = await openNew(page, three('Handle'));
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await desk
    .lane(1)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Shift'] });
  const k = await scaleOf(page);
  const handle = page.getByRole('slider', { name: 'Spread the selected strokes' });
  await drag(page, await middle(handle.locator('circle').last()), { x: 12 * k });
  await expect(page.locator('[data-drag-words]')).toContainText('each 12 fr later');
  await page.mouse.up();
  expect((await strokes(desk)).slice(0, 2).map((s) => frames(s)[0])).toEqual([10, 22]);
  await handle.focus();
  await page.keyboard.press('ArrowLeft');
  expect(frames((await strokes(desk))[1]!)[0]).toBe(21);
  await desk.undoAll();
  expect(frames((await strokes(desk))[1]!)[0]).toBe(10);
});

test('keys are copied, pasted at the playhead, reversed and mirrored; values are scaled by the box', async ({
  page,
}) => {
  const desk = await openNew(page, three('Copies'));
  await desk.lane(0).locator('[data-key="head-0"]').click();
  await desk
    .lane(0)
    .locator('[data-key="head-1"]')
    .click({ modifiers: ['Shift'] });
  await page.keyboard.press('Control+c');
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('textbox', { name: 'Frame' }).fill('50');
  await page.keyboard.press('Enter');
  await page.locator('[data-canvas]').focus();
  await page.keyboard.press('Control+v');
  expect(frames((await strokes(desk))[2]!)).toEqual([50, 70]);

  await desk.lane(0).locator('[data-key="head-0"]').click();
  await desk
    .lane(0)
    .locator('[data-key="head-1"]')
    .click({ modifiers: ['Shift'] });
  const box = page.locator('[data-retime]');
  await box.locator('[data-level="high"]').focus();
  await page.keyboard.press('Shift+ArrowDown');
  const values = async () => keysOf((await strokes(desk))[0]!.window.head).map((key) => key.value);
  expect(await values()).toEqual([0, 0.9]);
  await page.keyboard.press('Alt+m');
  expect(await values()).toEqual([0.9, 0]);
  await page.keyboard.press('Alt+r');
  expect(await values()).toEqual([0, 0.9]);
});

test('everything keyed has a lane of its own, and its keys move like any other', async ({ page }) => {
  const desk = await openNew(page, three('Parts'));
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await desk.step('Ink');
  await page.getByRole('button', { name: 'Width: key it at this frame' }).click();
  await page.getByRole('textbox', { name: 'Frame' }).fill('30');
  await page.keyboard.press('Enter');
  await page.getByRole('spinbutton', { name: 'Width', exact: true }).fill('40');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /Everything keyed in Curve/ }).click();
  const lane = page.getByRole('row', { name: 'Curve, width' });
  await expect(lane).toContainText('Width');
  await lane.locator('[data-key="ink.width-1"]').click();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowUp');
  const { width } = (await strokes(desk))[0]!.ink;
  expect(width).toMatchObject({ keys: [{ frame: 0 }, { frame: 31, value: 41 }] });
  await desk.step('Time');
  await expect(page.getByRole('spinbutton', { name: 'Width key 2: frame' })).toHaveValue('31 fr');
});

test('the loop is checked, strokes are shown alone, frames around are seen, playing turns round', async ({
  page,
}) => {
  const desk = await openNew(page, three('Flow'));
  await expect(page.locator('[data-loop]')).toHaveText('loop closes');
  await desk.lane(1).locator('[data-key="tail-1"]').click();
  await page.keyboard.press('Delete');
  await expect(page.locator('[data-loop]')).toHaveText('loop does not close: 1');
  await page.locator('[data-loop]').click();
  await page.getByRole('menuitem', { name: /^Bar: 1000 px differ/ }).click();
  await expect(desk.lane(1)).toHaveAttribute('aria-selected', 'true');

  const pixels = () =>
    page.locator('[data-picture]').evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  /** The picture at a frame that shows something else than the one before. */
  const pictureAt = async (frame: string): Promise<string> => {
    const before = await pixels();
    await page.getByRole('textbox', { name: 'Frame' }).fill(frame);
    await page.keyboard.press('Enter');
    await expect.poll(pixels).not.toBe(before);
    return pixels();
  };
  const all = await pictureAt('50');
  await desk.lane(1).hover();
  await page.getByRole('button', { name: 'Show Bar alone' }).click();
  await expect.poll(pixels).not.toBe(all);
  await page.getByRole('button', { name: 'Show Bar alone' }).click();
  await expect.poll(pixels).toBe(all);
  const plain = await pictureAt('16');
  await page.locator('[data-canvas]').focus();
  await page.keyboard.press('q');
  await expect.poll(pixels).not.toBe(plain);
  await page.keyboard.press('q');
  await page.keyboard.press('l');
  await expect(page.getByRole('button', { name: /there and back/ })).toBeVisible();
});

test('a new rate keeps seconds or frames, a new length spreads the keys, and an earlier revision is seen beside the piece', async ({
  page,
}) => {
  const desk = await openNew(page, three('Rates'));
  await desk.step('Set up');
  const rate = async (name: string) => {
    await page.getByRole('button', { name: /Frames a second/ }).click();
    await page.getByRole('option', { name, exact: true }).click();
  };
  await rate('50');
  expect((await saved(desk)).length).toBe(200);
  expect(frames((await strokes(desk))[0]!)).toEqual([20, 60]);
  await page.getByRole('radio', { name: 'frames', exact: true }).click();
  await rate('25');
  expect(frames((await strokes(desk))[0]!)).toEqual([20, 60]);
  await page.getByRole('radio', { name: 'spread', exact: true }).click();
  await page.getByRole('spinbutton', { name: 'Length' }).fill('100 fr');
  await page.keyboard.press('Enter');
  expect(frames((await strokes(desk))[0]!)).toEqual([10, 30]);
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await page.keyboard.press('Delete');
  await desk.savedDocument();

  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: /History/ }).click();
  await page.getByRole('button', { name: 'Compare' }).last().click();
  const picture = (name: RegExp) =>
    page.getByRole('img', { name }).evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  await page.getByRole('slider', { name: 'Frame of both' }).fill('50');
  await expect(page.getByRole('img', { name: /^Now, frame 50/ })).toBeVisible();
  expect(await picture(/^Revision 1/)).not.toBe(await picture(/^Now/));
});

alone(
  'opening a piece shows its picture first: all about it comes after, and moves nothing',
  async ({ page }) => {
    await page.addInitScript(() => {
      const shown = (): Element | null => document.querySelector('[data-canvas][data-frame]');
      const watch = new MutationObserver(() => {
        if (!shown()) return;
        watch.disconnect();
        document.documentElement.dataset.first = JSON.stringify({
          rows: document.querySelectorAll('[role="row"]').length,
          box: shown()!.getBoundingClientRect(),
        });
      });
      watch.observe(document, { subtree: true, childList: true, attributeFilter: ['data-frame'] });
    });
    await openNew(page, three('Picture first'));
    await expect(page.locator('[data-row="2"]')).toBeVisible();
    const first = JSON.parse((await page.locator('html').getAttribute('data-first'))!);
    expect(first.rows).toBe(0);
    const box = await page.locator('[data-canvas]').evaluate((element) => element.getBoundingClientRect());
    expect(first.box).toEqual(JSON.parse(JSON.stringify(box)));
  },
);

test('a panel that was fetched is there at once when its step is chosen: nothing is blank between two', async ({
  page,
}) => {
  await openNew(page, three('Steps'));
  await page.getByRole('radio', { name: 'Finish' }).waitFor();
  // Panels are fetched when nothing else is to be done, which a busy machine puts off: each is waited for once.
  for (const radio of await page.getByRole('radiogroup', { name: 'Steps' }).getByRole('radio').all()) {
    await radio.click();
    const title = page.getByRole('complementary', { name: 'Panel' }).getByRole('heading', { level: 2 });
    await expect(title).toBeVisible();
  }
  const least = await page.evaluate(async () => {
    const side = document.querySelector('[aria-label="Panel"]')!;
    let shortest = Infinity;
    new MutationObserver(() => {
      shortest = Math.min(shortest, side.textContent.trim().length);
    }).observe(side, { childList: true, subtree: true });
    for (const radio of document.querySelectorAll<HTMLElement>('[aria-label="Steps"] [role="radio"]')) {
      radio.click();
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    }
    return shortest;
  });
  expect(least).toBeLessThan(Infinity);
  expect(least).toBeGreaterThan(20);
});
