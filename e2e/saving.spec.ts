import { expect, test, type Page } from './test';
import { ON_NAME, api, openNew } from './desk';
import { three } from './pieces';

const rename = async (page: Page, name: string) => {
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

test('replaced is replaced: a marker of another window that this one never saw is not among its own, and saves go on', async ({
  page,
  context,
}) => {
  const desk = await openNew(page, three('Markers'));
  const other = await context.newPage();
  await other.goto(`/pieces/${desk.pieceId}`);
  const mark = async (window: typeof page, frame: number) => {
    await window.getByLabel('Frame', { exact: true }).fill(String(frame));
    await window.keyboard.press('Enter');
    await window.locator('[data-canvas]').focus();
    await window.keyboard.press('b');
    await expect(window.locator(`[data-marker="${frame}"]`)).toBeVisible();
  };
  // This window hears nothing while the other one saves.
  await page.route('**/api/pieces/**', (route) => route.abort());
  await mark(other, 20);
  await expect(other.locator('[data-save="saved"]')).toBeVisible();
  await other.close();
  await mark(page, 10);
  await page.unroute('**/api/pieces/**');
  await page.getByRole('button', { name: 'Replace it with mine' }).click();
  const frames = async () => (await desk.savedDocument()).markers.map(({ frame }) => frame);
  expect(await frames()).toEqual([10]);
  await mark(page, 15);
  expect(await frames()).toEqual([10, 15]);
});

test('a piece deleted elsewhere is said at once, and comes back from the bin with what was done meanwhile', async ({
  page,
}) => {
  const desk = await openNew(page, three('Deleted elsewhere'));
  await api(page, 'DELETE', `/api/pieces/${desk.pieceId}`);
  await rename(page, 'Done meanwhile');
  await expect(page.getByText('This piece was deleted elsewhere.')).toBeVisible();
  await page.getByRole('button', { name: 'Restore from the bin' }).click();
  expect((await desk.savedDocument()).name).toBe('Done meanwhile');
  // Opened by its address while it is in the bin there is a way out too.
  await api(page, 'DELETE', `/api/pieces/${desk.pieceId}`);
  await page.reload();
  await expect(page.getByText('This piece is in the bin.')).toBeVisible();
  await page.getByRole('button', { name: 'Restore from the bin' }).click();
  await expect(page.getByLabel('Name of the piece').first()).toHaveValue('Done meanwhile');
});

test('where this browser keeps nothing, an outage says so, and leaving is asked about', async ({
  page,
  browser,
}) => {
  const desk = await openNew(page, three('Nothing kept'));
  const context = await browser.newContext();
  await context.addInitScript(() =>
    Object.defineProperty(window, 'indexedDB', {
      get() {
        throw new DOMException('blocked', 'SecurityError');
      },
    }),
  );
  const bare = await context.newPage();
  await bare.goto(`${new URL(page.url()).origin}/pieces/${desk.pieceId}`);
  await expect(bare.locator('[data-canvas]')).toHaveAttribute('data-frame', /\d/);
  await bare.route('**/api/**', (route) => route.abort());
  await rename(bare, 'Only here');
  await expect(bare.getByText('not kept, leave this page open')).toBeVisible();
  const asked = new Promise<string>((done) =>
    bare.on('dialog', (dialog) => {
      done(dialog.type());
      void dialog.dismiss();
    }),
  );
  await bare.close({ runBeforeUnload: true });
  expect(await asked).toBe('beforeunload');
  await context.close();
});

test('a dialog that could not be fetched is said once, and is there when it is opened anew', async ({
  page,
}) => {
  await openNew(page, three('Chunks'));
  await page.route('**/_next/static/**', (route) => route.abort());
  const open = page.getByRole('button', { name: 'Export', exact: true });
  await open.click();
  await expect(page.getByText('could not be fetched')).toHaveCount(1);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.unroute('**/_next/static/**');
  await open.click();
  await expect(page.getByRole('dialog', { name: 'Export' })).toBeVisible();
});

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

test('of a piece of hundreds of strokes a moved stroke is saved by a few hundred bytes; what fits nothing is sent whole', async ({
  page,
}) => {
  const piece = three('Hundreds');
  const [first] = piece.layers;
  const layers = Array.from({ length: 300 }, (_, i) => ({ ...first!, id: `s${i}`, name: `Stroke ${i}` }));
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
  expect(sent.at(-1)!.bytes).toBeGreaterThan(50_000);
});
