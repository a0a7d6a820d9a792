import { expect, test, type Page } from './test';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { api, ON_NAME, openNew, type Desk } from './desk';
import { sampleText, three } from './pieces';
import { someOf } from '../src/core/testing/cases';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
/** What may differ between themes: colours. All else is looked at in the dark one. */
const COLOURS = ['color-contrast', 'link-in-text-block'];

/** What is looked through: all of the page, all of it but its landmarks where a popover stands outside them, or one part. */
type Where = 'page' | 'page with a popover' | { readonly part: string };

/** What axe-core finds on the page as it stands: WCAG 2.2 AA and its own best practice. */
async function findings(page: Page, where: Where, theme: 'dark' | 'light'): Promise<string[]> {
  await page.emulateMedia({ colorScheme: theme });
  await page.evaluate(() => document.fonts.ready);
  // Colours that are on their way to others are none that are seen.
  await page.evaluate(() =>
    Promise.all(document.getAnimations().map((animation) => animation.finished.catch(() => null))),
  );
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(
    async ([runOnly, region, part]) => {
      interface Node {
        readonly html: string;
        readonly failureSummary: string;
      }
      const { axe } = window as unknown as {
        axe: {
          run(on: Document | string, how: object): Promise<{ violations: { id: string; nodes: Node[] }[] }>;
        };
      };
      const { violations } = await axe.run(part ?? document, {
        runOnly,
        ...(runOnly.type === 'tag' && { rules: { region: { enabled: region } } }),
      });
      return violations.flatMap(({ id, nodes }) =>
        nodes.map((node) => `${id}: ${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 160)}`),
      );
    },
    [
      theme === 'light' ? { type: 'rule', values: COLOURS } : { type: 'tag', values: TAGS },
      // A popover stands at the end of the document, outside all landmarks; it is a dialog with a name.
      where === 'page',
      typeof where === 'object' ? where.part : null,
    ] as const,
  );
}
/** Nothing is left to mend, in the dark theme and, unless it is told not to look, in the light one. */
const clean = async (page: Page, state: string, where: Where = 'page', isLightToo = true): Promise<void> => {
  expect([state, await findings(page, where, 'dark')]).toEqual([state, []]);
  if (!isLightToo) return;
  expect([`${state}, light`, await findings(page, where, 'light')]).toEqual([`${state}, light`, []]);
  await page.emulateMedia({ colorScheme: 'dark' });
};
/** What `clean` says of a dialog, menu or popover that was just asked for: it may have to be fetched first. */
const cleanOnceOpen = async (page: Page, role: 'dialog' | 'menu', state: string, where?: Where) => {
  await expect(page.getByRole(role).first()).toBeVisible();
  await clean(page, state, where);
};
const STEPS = ['Set up', 'Underlay', 'Trace', 'Ink', 'Place', 'Time', 'Reveal', 'Finish'];

/** Opens all that is folded in the panel. */
const unfold = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const folds = document.querySelectorAll<HTMLElement>('aside h3 button[aria-expanded="false"]');
    folds.forEach((fold) => fold.click());
  });

/** @param few so many of the steps are looked through in a short run, half of them in the light theme too. */
async function eachStep(desk: Desk, what: string, few = STEPS.length): Promise<void> {
  const steps = someOf(STEPS, few);
  const light = someOf(STEPS, few / 2);
  for (const name of steps) {
    await desk.page.getByRole('radio', { name, exact: true }).click();
    await expect(desk.page.locator('aside h2').first()).toBeVisible();
    await unfold(desk.page);
    // A step changes what is in the panel; all around it was looked through with the first.
    const where = name === steps[0] ? 'page' : { part: 'aside' };
    await clean(desk.page, `${what}, ${name}`, where, light.includes(name));
  }
}

test('the list, its dialogs and the pages beside it leave nothing to mend', async ({ page }) => {
  // A list of all that other tests made is looked through in each of its states.
  test.setTimeout(60_000);
  for (let i = 0; i < 2; i++) await api(page, 'POST', '/api/projects', { name: 'One name for two' });
  await page.goto('/');
  await expect(page.locator('[data-piece]').first()).toBeVisible();
  await clean(page, 'list');
  await page.getByRole('button', { name: 'Bin' }).click();
  await cleanOnceOpen(page, 'dialog', 'bin', { part: '[role=dialog]' });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'New piece' }).first().click();
  await cleanOnceOpen(page, 'dialog', 'new piece', { part: '[role=dialog]' });
  await page.keyboard.press('Escape');
  await page.locator('[data-piece]').first().getByRole('checkbox').check({ force: true });
  await clean(page, 'selected');
  await page.locator('[data-piece]').first().click({ button: 'right' });
  await cleanOnceOpen(page, 'menu', 'menu of a card', { part: '[role=menu]' });
  await page.goto('/exports');
  await expect(page.getByRole('heading', { name: 'Exports' })).toBeVisible();
  await clean(page, 'exports');
  await page.goto('/bay');
  await clean(page, 'edit bay');
  await page.goto('/nowhere');
  await clean(page, 'not found');
});

test('the editor of strokes leaves nothing to mend, step by step', async ({ page }) => {
  test.setTimeout(90_000);
  const desk = await openNew(page, {
    ...three('Access'),
    markers: [{ frame: 20, name: 'Here' }],
    workRange: { from: 5, to: 60 },
  });
  await eachStep(desk, 'nothing selected', 4);
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await eachStep(desk, 'a stroke');
  await desk.canvas.focus();
  await page.keyboard.press('Control+a');
  await eachStep(desk, 'several', 4);
});

test('lettering, proof, dialogs, menus and the tour leave nothing to mend', async ({ page }) => {
  test.setTimeout(90_000);
  const desk = await openNew(page, sampleText('Access text'));
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await eachStep(desk, 'lettering');
  await page.getByRole('radio', { name: 'Trace', exact: true }).click();
  await page.getByRole('button', { name: /^Face: / }).click();
  await cleanOnceOpen(page, 'dialog', 'faces', 'page with a popover');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Proof/ }).click();
  await clean(page, 'proof');
  await page.getByRole('button', { name: 'Close the proof' }).click();
  await desk.canvas.focus();
  await page.keyboard.press('?');
  await cleanOnceOpen(page, 'dialog', 'keys');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Export', exact: true }).click();
  await cleanOnceOpen(page, 'dialog', 'export');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await cleanOnceOpen(page, 'menu', 'more');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Help with Trace' }).click();
  await clean(page, 'help');
  await page.getByRole('button', { name: /tour/ }).click();
  await clean(page, 'tour');
  await page.keyboard.press('Escape');
  await desk.lane(0).click({ button: 'right' });
  await cleanOnceOpen(page, 'menu', 'menu of a lane');
});

test('an empty piece leaves nothing to mend', async ({ page }) => {
  const desk = await openNew(page, { ...three('Empty'), layers: [] });
  await expect(page.locator('[data-begin]')).toBeVisible();
  await clean(page, 'ways to begin');
  await desk.canvas.focus();
  await page.keyboard.press('p');
  await clean(page, 'the pen');
});

test('at 200 % of a small window everything is reached: the panel folds over the canvas, nothing leaves the window', async ({
  page,
}) => {
  await page.setViewportSize({ width: 640, height: 400 });
  const desk = await openNew(page, three('Narrow'));
  const panel = page.getByRole('complementary', { name: 'Panel' });
  await expect(panel).toBeHidden();
  await page.getByRole('radio', { name: 'Ink', exact: true }).click();
  await expect(panel).toBeVisible();
  await clean(page, 'folded out');
  await page.getByRole('radio', { name: 'Ink', exact: true }).click();
  await expect(panel).toBeHidden();
  for (const name of ['Undo', 'Safe areas', 'Proof', 'More', 'Export']) {
    const box = (await page.getByRole('button', { name, exact: true }).first().boundingBox())!;
    expect([name, box.x >= 0 && box.x + box.width <= 640]).toEqual([name, true]);
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(640);
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('radio', { name: 'Ink', exact: true }).click();
  await expect(panel).toBeVisible();
  await unfold(page);
  // A field far below that gets the focus never scrolls the page away.
  await panel.getByRole('spinbutton').last().focus();
  expect(await page.evaluate(() => document.querySelector('main')!.scrollTop)).toBe(0);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeInViewport();
});

test('where the system chooses the colours, selection and playhead are still told from the rest', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  const desk = await openNew(page, three('Forced'));
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  const ground = (index: number) => desk.lane(index).evaluate((row) => getComputedStyle(row).backgroundColor);
  expect(await ground(1)).not.toBe(await ground(0));
  const playhead = page.locator('[data-playhead]').first();
  expect(await playhead.evaluate((line) => getComputedStyle(line).backgroundColor)).not.toBe(
    'rgba(0, 0, 0, 0)',
  );
});

test('the first key goes to the canvas; toolbars are gone through by arrows', async ({ page }) => {
  const desk = await openNew(page, three('Order'));
  await page.keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'Skip to the canvas' });
  await expect(skip).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(desk.canvas).toBeFocused();
  const tools = page.getByRole('toolbar', { name: 'Tools' });
  await tools.getByRole('button', { name: 'Select', exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(tools.getByRole('button', { name: 'Pen', exact: true })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(tools.locator(':focus')).toHaveCount(0);
});

test('the focus never falls to the page: what stands where something went has it next', async ({ page }) => {
  const desk = await openNew(page, three('Focus'));
  const atWork = () =>
    page.evaluate(() => {
      const at = document.activeElement;
      return at?.matches('body')
        ? 'the page'
        : (at?.closest('[data-score], aside, [role="dialog"]')?.tagName ?? at!.tagName);
    });
  // A row that is deleted leaves the focus to another, one that is renamed keeps it.
  await desk.lane(1).focus();
  await page.keyboard.press('F2');
  await page.keyboard.type('Bough');
  await page.keyboard.press('Enter');
  await expect(desk.lane(1)).toBeFocused();
  await expect(desk.lane(1)).toHaveAccessibleName('2 Bough');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Delete');
  await expect(desk.score.getByRole('row')).toHaveCount(2);
  await expect.poll(atWork).toBe('SECTION');

  // A button that goes with what it did: the panel still has the focus.
  await desk.step('Ink');
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('radio', { name: 'along it' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('slider', { name: 'Colour 2 of 3' }).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('slider', { name: 'Colour 2 of 2' })).toBeVisible();
  await expect.poll(atWork).toBe('ASIDE');

  // Escape takes back what was typed and stays; pressed again it leads to the canvas.
  const width = page.getByRole('spinbutton', { name: 'Width', exact: true });
  await width.fill('77');
  await width.press('Escape');
  await expect(width).toBeFocused();
  expect(await width.inputValue()).not.toContain('77');
  await width.press('Escape');
  await expect(desk.canvas).toBeFocused();

  // The proof is closed again by what opened it, or by its own button.
  await page.keyboard.press('y');
  const close = page.getByRole('button', { name: 'Close the proof' });
  await close.focus();
  await page.keyboard.press('Enter');
  await expect(close).toHaveCount(0);
  await expect.poll(atWork).not.toBe('the page');

  // A card that is binned leaves the focus to what is beside it.
  await page.goto('/');
  const card = page.getByRole('link', { name: 'Open Focus' });
  await card.focus();
  await page.keyboard.press('Shift+F10');
  await page.getByRole('menuitem', { name: /^Delete/ }).click();
  await expect(card).toHaveCount(0);
  await expect.poll(atWork).not.toBe('the page');
});
