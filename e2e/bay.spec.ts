import { expect, test, type Page } from './test';
import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { api, openNew } from './desk';
import { three } from './pieces';

/** Asks for an export beside the page, and waits until it is done. */
async function exported(page: Page, pieceId: string, settings: object): Promise<string> {
  const { id } = await api<{ id: string }>(page, 'POST', `/api/pieces/${pieceId}/exports`, {
    settings: { scale: 0.5, first: 0, last: 24, ...settings },
  });
  await expect
    .poll(async () => (await api<{ status: string }>(page, 'GET', `/api/exports/${id}`)).status, {
      timeout: 40_000,
    })
    .toBe('done');
  return id;
}

test('the bay shows what a receiver makes of a file, says what is wrong, and compares it with the piece', async ({
  page,
}) => {
  const desk = await openNew(page, three('Bay'));
  const id = await exported(page, desk.pieceId, { format: 'prores', transparency: 'premultiplied' });
  await page.goto(`/bay?export=${id}`);
  const seen = page.getByRole('list', { name: 'What is seen' });
  // As it is meant at first.
  await expect(page.getByRole('radio', { name: 'takes it for premultiplied' })).toBeChecked();
  await expect(seen).toContainText('The file is taken as it is meant.');
  await expect(seen).toContainText('It has all 25 frames.');
  await expect(seen).toContainText(/Edges are as bright as in the piece, within 0\.\d of 255/);
  await expect(page.getByLabel('What is in the file')).toContainText('prores');
  await expect(page.locator('[data-bay="As it is received"]')).toBeVisible();

  // Taken otherwise it has a dark fringe: by keyboard.
  await page.getByRole('radio', { name: 'takes it for premultiplied' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('radio', { name: 'keeps straight alpha' })).toBeChecked();
  await expect(seen).toContainText('A dark fringe');
  await expect(seen).toContainText(/Edges are \d+\.\d of 255 darker/);
  await expect(seen).toContainText('Set the receiver to premultiplied alpha');

  // Side by side, the difference, another frame.
  await page.getByRole('radio', { name: 'side by side' }).click();
  await expect(page.locator('[data-bay]')).toHaveCount(2);
  await page.getByRole('radio', { name: 'difference' }).click();
  await expect(page.locator('[data-bay="Difference"]')).toBeVisible();
  const frame = page.getByRole('slider', { name: 'Frame' });
  await frame.focus();
  await page.keyboard.press('End');
  await expect(frame).toHaveAttribute('aria-valuetext', /Frame 24/);
  // Nearer at what is pressed, and back.
  await page.locator('[data-bay="Difference"]').click();
  await expect(
    page.getByRole('radiogroup', { name: 'Zoom' }).getByRole('radio', { name: '4×' }),
  ).toBeChecked();
});

test('vectors play in the bay; files from outside are shown, or refused in words', async ({ page }) => {
  const desk = await openNew(page, three('Outside'));
  const svg = await exported(page, desk.pieceId, { format: 'svg' });
  await page.goto(`/bay?export=${svg}`);
  await expect(page.locator('[data-bay="vectors"] svg path').first()).toBeAttached();
  await expect(page.getByLabel('What is in the file')).toContainText('SVG');
  const lottie = await exported(page, desk.pieceId, { format: 'lottie', scale: 1 });
  await page.goto(`/bay?export=${lottie}`);
  await expect(page.locator('[data-bay="vectors"] svg path').first()).toBeAttached();

  // A file from outside: its pixels tell what it is.
  const png = await exported(page, desk.pieceId, { format: 'still-png', first: 24, last: 24 });
  const bytes = Buffer.from(await (await page.request.get(`/api/exports/${png}/file`)).body());
  const bring = async (name: string, buffer: Buffer) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'A file from outside' }).click(),
    ]);
    await chooser.setFiles({ name, mimeType: 'application/octet-stream', buffer });
  };
  await bring('from outside.png', bytes);
  await expect(page.getByRole('main')).toContainText('from outside.png');
  await expect(page.getByText('By its pixels the file is of straight alpha.')).toBeVisible();
  await bring('nothing.mov', Buffer.alloc(0));
  await expect(page.getByRole('main').getByRole('alert')).toContainText('it is empty (0 bytes)');
  await bring('words.zip', Buffer.from(zipSync({ 'read me.txt': strToU8('words') })));
  await expect(page.getByRole('main').getByRole('alert')).toContainText('neither films nor pictures');
});

test('exports of all projects have a page: found, kept, compared, deleted, fetched as one archive', async ({
  page,
}) => {
  test.setTimeout(60_000);
  const name = `Heron ${Date.now()}`;
  const desk = await openNew(page, three(name));
  await exported(page, desk.pieceId, { format: 'still-png', last: 0 });
  await exported(page, desk.pieceId, { format: 'cues-csv', scale: 1, last: 0 });
  // The piece goes on.
  const open = await api<{ revision: number; document: object }>(page, 'GET', `/api/pieces/${desk.pieceId}`);
  await api(page, 'PUT', `/api/pieces/${desk.pieceId}`, {
    baseRevision: open.revision,
    session: 'other',
    document: { ...open.document, length: 90 },
  });
  await page.goto('/');
  await page.getByRole('link', { name: 'Exports' }).click();
  await page.getByRole('textbox', { name: 'Find an export' }).fill(name);
  const rows = page.locator('[data-export]');
  await expect(rows).toHaveCount(2);
  const still = rows.filter({ hasText: '.png' });
  await expect(still).toContainText(/made from revision 1, now 2/);
  // Its picture is made in its turn, after those that other tests wait for.
  await expect(still.locator('img')).toHaveJSProperty('naturalWidth', 640, { timeout: 30_000 });
  await still.getByRole('button', { name: /for good/ }).click();
  await expect(still.getByRole('button', { name: /for good/ })).toHaveAttribute('aria-pressed', 'true');

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download all 2 as zip' }).click(),
  ]);
  expect(Object.keys(unzipSync(readFileSync(await download.path())))).toHaveLength(2);

  await rows
    .filter({ hasText: '.csv' })
    .getByRole('button', { name: /Delete/ })
    .click();
  await expect(rows).toHaveCount(1);
  await still.getByRole('link', { name: /Look at .* in the edit bay/ }).click();
  await expect(page.locator('[data-bay="As it is received"]')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'now, 2' })).toBeVisible();
});
