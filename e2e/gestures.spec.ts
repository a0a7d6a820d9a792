import { expect, test, type Page } from './test';
import { ON_NAME, openNew, type Desk } from './desk';
import { three } from './pieces';

/** A drag under way: where it was begun, and how far what it changes went. */
interface Held {
  readonly name: string;
  readonly prepare?: (desk: Desk, page: Page) => Promise<void>;
  /** Begins a drag and moves, without letting go. */
  readonly begin: (desk: Desk, page: Page) => Promise<void>;
}

const press = async (page: Page, x: number, y: number, dx: number): Promise<void> => {
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx / 2, y);
  await page.mouse.move(x + dx, y);
};
const pressOn = async (page: Page, what: ReturnType<Page['locator']>, dx: number): Promise<void> => {
  const box = (await what.boundingBox())!;
  await press(page, box.x + box.width / 2, box.y + box.height / 2, dx);
};

const inkOfBar = async (desk: Desk, page: Page): Promise<void> => {
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await desk.step('Ink');
  await expect(page.getByTitle('Width: drag to change')).toBeVisible();
};

/** Drags of every kind: on the canvas, in the score, of a number, of a picture in a panel. */
const DRAGS: readonly Held[] = [
  {
    name: 'a stroke on the canvas',
    async begin(desk, page) {
      const { x, y } = await desk.at(700, 850);
      await press(page, x, y, 90);
    },
  },
  {
    name: 'a key in the score',
    begin: (desk, page) => pressOn(page, desk.lane(0).locator('[data-key="head-1"]'), 60),
  },
  {
    name: 'a number by its label',
    prepare: inkOfBar,
    begin: (_, page) => pressOn(page, page.getByTitle('Width: drag to change'), 40),
  },
  {
    name: 'the width on its silhouette',
    async prepare(desk, page) {
      await inkOfBar(desk, page);
      const box = (await page.getByRole('group', { name: 'Width along the stroke' }).boundingBox())!;
      await page.mouse.dblclick(box.x + box.width * 0.4, box.y + 10);
    },
    begin: (_, page) =>
      pressOn(
        page,
        page.getByRole('group', { name: 'Width along the stroke' }).getByRole('slider').nth(1),
        30,
      ),
  },
];

/** Ways in which a drag ends without its release. */
const ENDS: readonly { readonly name: string; readonly end: (page: Page) => Promise<void> }[] = [
  { name: 'Escape', end: (page) => page.keyboard.press('Escape') },
  { name: 'undo', end: (page) => page.keyboard.press('Control+z') },
  {
    name: 'another window in front',
    end: (page) => page.evaluate(() => void window.dispatchEvent(new Event('blur'))),
  },
  {
    name: 'the pointer taken away',
    end: (page) =>
      page.evaluate(
        () =>
          void document.body.dispatchEvent(
            new PointerEvent('pointercancel', { pointerId: 1, bubbles: true }),
          ),
      ),
  },
  {
    name: 'a release nobody heard',
    async end(page) {
      await page.evaluate(() =>
        window.addEventListener('pointerup', (event) => event.stopImmediatePropagation(), {
          capture: true,
          once: true,
        }),
      );
      // The page's own listener was there first: let the release happen where it can't be heard.
      await page.evaluate(() =>
        document.body.dispatchEvent(
          new PointerEvent('pointermove', { pointerId: 1, buttons: 0, bubbles: true }),
        ),
      );
    },
  },
];

for (const { name, prepare, begin } of DRAGS) {
  test(`a drag that never ends puts everything back: ${name}`, async ({ page }) => {
    const desk = await openNew(page, three('Gestures'));
    await prepare?.(desk, page);
    const before = await desk.savedDocument();
    for (const { end } of ENDS) {
      await begin(desk, page);
      await end(page);
      await page.mouse.up();
      await page.mouse.move(5, 300);
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    }
    // Everything is as it was before the drags, and what is done now is a step of its own.
    await page.getByLabel('Name of the piece').first().fill('After them');
    await page.keyboard.press('Enter');
    expect(await desk.savedDocument()).toEqual({ ...before, name: 'After them' });
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    expect(await desk.savedDocument()).toEqual(before);
  });
}

test('a panel that goes away under a drag puts it back, and later work has steps of its own', async ({
  page,
}) => {
  const desk = await openNew(page, three('Unmounted'));
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await desk.step('Ink');
  const before = await desk.savedDocument();
  await pressOn(page, page.getByTitle('Width: drag to change'), 60);
  await expect(page.getByRole('spinbutton', { name: 'Width', exact: true })).not.toHaveValue(/^8 px$/);
  // As a tablet's side key or a script would: the panel is another one while the pointer is still down.
  await page.getByRole('radio', { name: 'Time', exact: true }).evaluate((step: HTMLElement) => step.click());
  await expect(page.getByTitle('Width: drag to change')).toHaveCount(0);
  for (const name of ['One', 'Two']) {
    await page.getByLabel('Name of the piece').first().fill(name);
    await page.keyboard.press('Enter');
  }
  await page.mouse.up();
  expect(await desk.savedDocument()).toMatchObject({ name: 'Two', layers: before.layers });
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByLabel('Name of the piece').first()).toHaveValue('One');
});

test('keys pressed during a drag wait for its end', async ({ page }) => {
  const desk = await openNew(page, three('Keys'));
  const { x, y } = await desk.at(700, 850);
  await press(page, x, y, 60);
  await page.keyboard.press('Delete');
  await page.mouse.up();
  await expect(desk.score.locator('[data-row]')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  expect((await desk.savedDocument()).layers).toEqual(three('Keys').layers);
});
