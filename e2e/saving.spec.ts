import { expect, test } from '@playwright/test';
import { ON_NAME, api, openNew } from './desk';
import { three } from './pieces';

const rename = async (page: import('@playwright/test').Page, name: string) => {
  await page.getByLabel('Name of the piece').first().fill(name);
  await page.keyboard.press('Enter');
};

test('with the server gone the work is kept in the browser and sent when it is back', async ({
  page,
  context,
}) => {
  const desk = await openNew(page, three('Offline'));
  await context.route('**/api/**', (route) => route.abort());
  await rename(page, 'Kept here');
  await expect(page.locator('[data-save="offline"]')).toBeVisible();
  // The window goes away with the server still gone; a new one finds the work.
  await page.close();
  await context.unroute('**/api/**');
  const again = await context.newPage();
  await again.goto(`/pieces/${desk.pieceId}`);
  await expect(again.getByText('It is back')).toBeVisible();
  await expect(again.getByLabel('Name of the piece').first()).toHaveValue('Kept here');
  await expect(again.locator('[data-save="saved"]')).toBeVisible();
  expect(
    (await api<{ document: { name: string } }>(again, 'GET', `/api/pieces/${desk.pieceId}`)).document.name,
  ).toBe('Kept here');
});

test('with the server gone and back in one window, nothing needs doing', async ({ page, context }) => {
  const desk = await openNew(page, three('Outage'));
  await context.route('**/api/**', (route) => route.abort());
  await rename(page, 'During');
  await expect(page.locator('[data-save="offline"]')).toBeVisible();
  await context.unroute('**/api/**');
  expect((await desk.savedDocument()).name).toBe('During');
});

test('a second window sees what the first saved, and undo brings back what it had', async ({
  page,
  context,
}) => {
  const desk = await openNew(page, three('Two windows'));
  const second = await context.newPage();
  await second.goto(`/pieces/${desk.pieceId}`);
  await expect(second.locator('[data-row]')).toHaveCount(3);
  await rename(page, 'From the first');
  await desk.saved();
  await second.bringToFront();
  await expect(second.getByLabel('Name of the piece').first()).toHaveValue('From the first');
  await second.keyboard.press('Control+z');
  await expect(second.getByLabel('Name of the piece').first()).toHaveValue('Two windows');
});

for (const [choice, outcome] of [
  ['Keep both', { here: 'Theirs', beside: 'Mine (my version)' }],
  ['Show theirs', { here: 'Theirs', beside: null }],
  ['Replace it with mine', { here: 'Mine', beside: null }],
] as const) {
  test(`a conflict loses neither side: ${choice}`, async ({ page, context }) => {
    const desk = await openNew(page, three(`Conflict ${choice}`));
    // While this window cannot hear, another saves.
    await context.route('**/api/**', (route) => route.abort());
    await rename(page, 'Mine');
    await expect(page.locator('[data-save="offline"]')).toBeVisible();
    const theirs = { ...three('x'), name: 'Theirs' };
    await context.unroute('**/api/**');
    await context.route('**/api/pieces/*', (route) =>
      route.request().headers()['x-other'] || route.request().method() === 'GET'
        ? route.continue()
        : route.abort(),
    );
    await page.evaluate(
      async ({ id, document }) => {
        await fetch(`/api/pieces/${id}`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json', 'x-other': '1' },
          body: JSON.stringify({ baseRevision: 1, session: 'other', document }),
        });
      },
      { id: desk.pieceId, document: theirs },
    );
    await context.unroute('**/api/pieces/*');
    await expect(page.getByText('Nothing is lost')).toBeVisible();
    await page.getByRole('button', { name: choice }).click();
    await expect(page.getByLabel('Name of the piece').first()).toHaveValue(outcome.here);
    expect((await desk.savedDocument()).name).toBe(outcome.here);
    const { projects } = await api<{ projects: { id: string; pieces: { name: string }[] }[] }>(
      page,
      'GET',
      '/api/projects',
    );
    const names = projects.find((p) => p.id === desk.projectId)!.pieces.map((p) => p.name);
    expect(names).toEqual(outcome.beside ? [outcome.here, outcome.beside] : [outcome.here]);
    if (choice === 'Show theirs') {
      await page.keyboard.press('Control+z');
      await expect(page.getByLabel('Name of the piece').first()).toHaveValue('Mine');
    }
  });
}

test('an older revision is restored from the history', async ({ page }) => {
  const desk = await openNew(page, three('First name'));
  await rename(page, 'Second name');
  await desk.saved();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'History …' }).click();
  const dialog = page.getByRole('dialog', { name: 'History' });
  await dialog
    .getByRole('listitem')
    .filter({ hasText: 'Revision 1' })
    .getByRole('button', { name: 'Restore' })
    .click();
  await expect(page.getByLabel('Name of the piece').first()).toHaveValue('First name');
  expect((await desk.savedDocument()).name).toBe('First name');
});

test('a piece that is not there is said in words', async ({ page }) => {
  await page.goto('/pieces/00000000-0000-4000-8000-000000000000');
  await expect(page.getByText('may have been deleted')).toBeVisible();
  await page.getByRole('link', { name: 'All projects' }).click();
  await expect(page.getByRole('heading', { name: 'Obelus' })).toBeVisible();
});

test('of a piece of a thousand strokes a moved stroke is saved by a few hundred bytes; what fits nothing is sent whole', async ({
  page,
}) => {
  const piece = three('Thousand');
  const [first] = piece.layers;
  const layers = Array.from({ length: 1000 }, (_, i) => ({ ...first!, id: `s${i}`, name: `Stroke ${i}` }));
  const desk = await openNew(page, { ...piece, layers });
  const sent: { method: string; bytes: number }[] = [];
  page.on('request', (request) => {
    if (/\/api\/pieces\/[^/]+$/.test(request.url()) && request.method() !== 'GET')
      sent.push({ method: request.method(), bytes: request.postData()?.length ?? 0 });
  });
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await desk.canvas.focus();
  await page.keyboard.press('ArrowRight');
  await desk.saved();
  expect(sent.map(({ method }) => method)).toEqual(['PATCH']);
  expect(sent[0]!.bytes).toBeLessThan(1000);
  // A server that can make nothing of it is sent the document.
  await page.route(/\/api\/pieces\/[^/]+$/, (route) =>
    route.request().method() === 'PATCH'
      ? route.fulfill({ status: 422, json: { error: { message: 'It does not fit.', unfit: true } } })
      : route.continue(),
  );
  await page.keyboard.press('ArrowRight');
  await desk.saved();
  expect(sent.at(-1)!.method).toBe('PUT');
  expect(sent.at(-1)!.bytes).toBeGreaterThan(100_000);
});
