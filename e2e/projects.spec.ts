import { expect, test, type Page } from './test';
import { randomUUID } from 'node:crypto';
import { ON_NAME, api } from './desk';
import { three } from './pieces';

/** A project of its own with pieces of these names; answers its name. */
async function project(page: Page, ...names: string[]): Promise<string> {
  const name = `List ${randomUUID().slice(0, 8)}`;
  const { id } = await api<{ id: string }>(page, 'POST', '/api/projects', { name });
  for (const piece of names)
    await api(page, 'POST', `/api/projects/${id}/pieces`, { document: three(piece) });
  return name;
}
const cards = (page: Page, name: string) => page.getByRole('region', { name }).locator('[data-piece]');
const names = (page: Page, name: string) =>
  cards(page, name).evaluateAll((all) => all.map((card) => (card as HTMLElement).dataset.piece));

test('pieces are found, put in order, selected with Ctrl and Shift, moved, binned and brought back', async ({
  page,
}) => {
  const from = await project(page, 'Weir 10', 'Weir 9', 'Éel');
  const to = await project(page);
  await page.goto('/');
  const find = page.getByLabel('Find a piece');
  await find.fill(`${from} eel`);
  await expect(cards(page, from)).toHaveCount(1);
  await find.fill(from);
  await expect.poll(() => names(page, from)).toEqual(['Weir 10', 'Weir 9', 'Éel']);
  await page.getByRole('button', { name: /Order/ }).click();
  await page.getByRole('option', { name: 'by name' }).click();
  await expect.poll(() => names(page, from)).toEqual(['Éel', 'Weir 9', 'Weir 10']);
  const card = (name: string) => cards(page, from).and(page.locator(`[data-piece="${name}"]`));
  await card('Éel')
    .getByRole('link')
    .click({ modifiers: ['Control'] });
  await card('Weir 10')
    .getByRole('link')
    .click({ modifiers: ['Shift'] });
  await expect(page.getByText('3 selected')).toBeVisible();
  await card('Weir 9').getByRole('checkbox').uncheck();
  await find.fill('');
  await page.getByRole('button', { name: 'Move to …' }).click();
  await page.getByRole('menuitem', { name: to }).click();
  await expect.poll(() => names(page, to)).toEqual(['Éel', 'Weir 10']);
  await expect.poll(() => names(page, from)).toEqual(['Weir 9']);
  // The same by the menu under the pointer, and what is deleted is in the bin.
  await card('Weir 9').click({ button: 'right' });
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(cards(page, from)).toHaveCount(0);
  await page.getByRole('button', { name: 'Bin' }).click();
  const item = page.getByRole('dialog', { name: 'Bin' }).getByRole('listitem').filter({ hasText: from });
  await expect(item).toContainText('deleted in 30 days');
  await item.getByRole('button', { name: 'Restore Weir 9' }).click();
  await page.keyboard.press('Escape');
  await expect.poll(() => names(page, from)).toEqual(['Weir 9']);
});

test('a card plays while the pointer is on it', async ({ page }) => {
  const name = await project(page, 'Plays');
  await page.goto('/');
  const card = cards(page, name).first();
  await card.scrollIntoViewIfNeeded();
  await card.getByRole('link').hover();
  const strip = card.locator('[data-plays]');
  // It is made in a process that pictures of other tests wait for too.
  await expect(strip).toBeVisible({ timeout: 20_000 });
  const at = () => strip.evaluate((element) => (element as HTMLElement).style.backgroundPositionX);
  const first = await at();
  await expect.poll(at).not.toBe(first);
  await page.mouse.move(2, 2);
  await expect(strip).toBeHidden();
});

test('pictures are asked for three at a time, so that what a person does waits behind none', async ({
  page,
}) => {
  const name = await project(page, ...Array.from({ length: 7 }, (_, i) => `Slow ${i}`));
  let waiting = 0;
  let most = 0;
  let answer = () => {};
  const held = new Promise<void>((done) => {
    answer = done;
  });
  await page.route('**/thumbnail?*', async (route) => {
    most = Math.max(most, ++waiting);
    await held;
    waiting--;
    await route.fulfill({ status: 404 });
  });
  await page.goto('/');
  await cards(page, name).last().scrollIntoViewIfNeeded();
  await expect.poll(() => most).toBe(3);
  // With all of them still on their way a piece is opened.
  await page.getByRole('region', { name }).getByRole('link', { name: 'Open Slow 6' }).click();
  await expect(page).toHaveTitle('Slow 6 · Obelus');
  expect(most).toBe(3);
  answer();
});

/** Drops files onto something, as a drag from outside the page does. */
async function drop(page: Page, selector: string, files: { name: string; type: string; text: string }[]) {
  await page.evaluate(
    ([where, dropped]) => {
      const data = new DataTransfer();
      for (const { name, type, text } of dropped) data.items.add(new File([text], name, { type }));
      const target = document.querySelector(where)!;
      for (const kind of ['dragover', 'drop'])
        target.dispatchEvent(new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: data }));
    },
    [selector, files] as const,
  );
}

test('files that are dropped go where they belong and never replace the page', async ({ page }) => {
  const name = await project(page, 'There');
  await page.goto('/');
  const section = page.getByRole('region', { name });
  const id = await section.getAttribute('data-project');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40"><path d="M4 20h32" stroke="#000" stroke-width="3"/></svg>';
  await drop(page, `[data-project="${id}"]`, [{ name: 'reeds.svg', type: 'image/svg+xml', text: svg }]);
  // A piece of its own is opened with it.
  await expect(page.getByRole('dialog', { name: 'reeds' })).toBeVisible();
  await page.getByRole('button', { name: 'Lines as strokes' }).click();
  await expect(page).toHaveTitle('reeds · Obelus');
  await expect(page.getByRole('row', { name: /reeds/ })).toBeVisible();
  // In the editor anything may be dropped anywhere.
  await drop(page, 'aside', [{ name: 'no.png', type: 'image/png', text: 'no' }]);
  await expect(page.getByText(/neither PNG, JPEG, WebP nor SVG/)).toBeVisible();
  await page.goto('/exports');
  const kept = () =>
    page.evaluate(() => {
      const data = new DataTransfer();
      data.items.add(new File(['x'], 'x.txt'));
      const event = new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: data });
      document.body.dispatchEvent(event);
      return event.defaultPrevented;
    });
  // The page holds them as soon as it lives.
  await expect.poll(kept).toBe(true);
});

test('step, frame and selection are in the address; a reload keeps them, and what can be undone', async ({
  page,
}) => {
  const name = await project(page, 'Kept');
  await page.goto('/');
  await page.getByRole('region', { name }).getByRole('link', { name: 'Open Kept' }).click();
  await expect(page).toHaveTitle('Kept · Obelus');
  const second = page.locator('[data-row="1"]');
  await second.getByRole('rowheader').click(ON_NAME);
  await page.getByRole('radio', { name: 'Ink', exact: true }).click();
  const width = page.getByRole('spinbutton', { name: 'Width', exact: true }).first();
  await width.fill('33');
  await page.keyboard.press('Enter');
  await page.getByLabel('Frame', { exact: true }).fill('7');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\?step=ink&frame=7&selected=/);
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  // Looked for without making it: a store that is opened too early is made empty.
  const isKept = () =>
    page.evaluate(async () => {
      const all = await indexedDB.databases();
      if (!all.some(({ name }) => name === 'obelus-history')) return false;
      return new Promise<boolean>((done) => {
        const open = indexedDB.open('obelus-history');
        open.onsuccess = () => {
          const steps = open.result.transaction('steps').objectStore('steps').getAll();
          steps.onsuccess = () => done(steps.result.some(({ past }) => past.length > 0));
        };
      });
    });
  await expect.poll(isKept).toBe(true);
  await page.reload();
  await expect(page.locator('[data-canvas]')).toHaveAttribute('data-frame', '7');
  await expect(second).toHaveAttribute('aria-selected', 'true');
  await expect(width).toHaveValue('33 px');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(width).not.toHaveValue('33 px');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(width).toHaveValue('33 px');
});

test('an address that leads nowhere has a page of ours', async ({ page }) => {
  const answer = await page.goto('/pieces');
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'Nothing is here' })).toBeVisible();
  await page.getByRole('link', { name: 'All projects' }).click();
  await expect(page).toHaveURL(/\/$/);
});

test('the guided tour goes through the finished title, is left and taken up again', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Guided tour' }).click();
  const tour = page.getByRole('region', { name: 'Guided tour' });
  await expect(tour.getByRole('heading')).toHaveText('A title that writes itself');
  await page.keyboard.press('Enter');
  await expect(tour.getByRole('heading')).toHaveText('Strokes');
  await expect(page.locator('[data-score] [aria-selected="true"]').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radio', { name: 'Ink', exact: true })).toBeChecked();
  await page.keyboard.press('Escape');
  await expect(tour).toBeHidden();
  await page.getByRole('button', { name: 'Help with Ink' }).click();
  await page.getByRole('button', { name: 'Continue the tour' }).click();
  await expect(tour.getByRole('heading')).toHaveText('Ink');
  for (let stop = 3; stop < 9; stop++) await tour.locator('[data-next]').click();
  await expect(tour).toBeHidden();
});

test('keys mean the piece only where the focus is; those of one character can be changed and switched off', async ({
  page,
}) => {
  const name = await project(page, 'Keys');
  await page.goto('/');
  await page.getByRole('region', { name }).getByRole('link', { name: 'Open Keys' }).click();
  const canvas = page.locator('[data-canvas][data-frame]');
  await page.locator('[data-row="0"]').getByRole('rowheader').click(ON_NAME);
  await page.getByRole('radio', { name: 'Ink', exact: true }).click();
  // On the rail Delete deletes nothing and P takes no pen.
  await page.keyboard.press('Delete');
  await page.keyboard.press('p');
  await expect(page.locator('[data-row="2"]')).toBeVisible();
  const pen = page.getByRole('button', { name: 'Pen', exact: true });
  await expect(pen).toHaveAttribute('aria-pressed', 'false');
  await canvas.focus();
  await page.keyboard.press('p');
  await expect(pen).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('v');
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Key for Pen: P' }).click();
  await page.keyboard.press('j');
  await page.keyboard.press('Escape');
  await canvas.focus();
  await page.keyboard.press('p');
  await expect(pen).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('j');
  await expect(pen).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('?');
  await page.getByRole('checkbox', { name: 'Keys of one character' }).click({ force: true });
  await page.keyboard.press('Escape');
  await canvas.focus();
  await page.keyboard.press('v');
  await expect(pen).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Keys', exact: true }).click();
  await page.getByRole('button', { name: 'As they were' }).click();
  await page.keyboard.press('Escape');
  // The focus goes back to where the list was opened from.
  await expect(page.getByRole('button', { name: 'Keys', exact: true })).toBeFocused();
  await canvas.focus();
  await page.keyboard.press('v');
  await expect(pen).toHaveAttribute('aria-pressed', 'false');
});

test('a press on Create and Enter in its field, one after the other, make one piece', async ({ page }) => {
  const { id } = await api<{ id: string }>(page, 'POST', '/api/projects', {
    name: `Once ${crypto.randomUUID()}`,
  });
  await page.goto('/');
  const project = page.locator(`[data-project="${id}"]`);
  await project.getByRole('button', { name: 'New piece' }).click();
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  let posts = 0;
  let answer = () => {};
  const held = new Promise<void>((done) => {
    answer = done;
  });
  await page.route('**/api/projects/*/pieces', async (route) => {
    posts++;
    await held;
    await route.continue();
  });
  await dialog.getByLabel('Name').fill('Made once');
  await page.keyboard.press('Enter');
  const create = dialog.getByRole('button', { name: 'Create' });
  await expect(create).toHaveAttribute('data-pending', 'true');
  await create.click({ force: true });
  await dialog.getByLabel('Name').press('Enter');
  answer();
  await expect(page).toHaveURL(/\/pieces\//);
  expect(posts).toBe(1);
});
