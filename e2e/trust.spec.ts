import { connect } from 'node:net';
import { expect, test, type Page } from './test';
import { setInk, strokesOf, updateLayers, tieStrokes, type Piece, type Stroke } from '../src/core/document';
import { signature } from '../src/layouts';
import { ON_NAME, api, choose, openNew, type, type Desk } from './desk';
import { three } from './pieces';

const name = (page: Page) => page.getByLabel('Name of the piece').first();
const rename = async (page: Page, to: string) => {
  await name(page).fill(to);
  await page.keyboard.press('Enter');
};
const stored = async (page: Page, id: string) =>
  (await api<{ document: Piece }>(page, 'GET', `/api/pieces/${id}`)).document;
const head = (desk: Desk, row: number) => desk.lane(row).getByRole('rowheader');
const steps = (page: Page, to: string) => page.getByRole('radio', { name: to, exact: true }).click();

test('a late answer to a save of one piece, after another was opened with the Back key, mixes nothing', async ({
  page,
}) => {
  // Names of this test's own: the list shows what other tests made, too.
  const [nameA, nameB] = [`A ${crypto.randomUUID()}`, `B ${crypto.randomUUID()}`];
  const first = await openNew(page, three(nameA));
  const made = await api<{ id: string }>(page, 'POST', `/api/projects/${first.projectId}/pieces`, {
    document: three(nameB),
  });
  // From B over the list to A, as a person goes.
  await page.goto(`/pieces/${made.id}`);
  await expect(page.locator('[data-canvas]')).toHaveAttribute('data-frame', /\d/);
  await page.getByRole('link', { name: 'All projects' }).click();
  await page
    .getByRole('link', { name: `Open ${nameA}` })
    .first()
    .click();
  await expect(name(page)).toHaveValue(nameA);
  let answer = () => {};
  const held = new Promise<void>((done) => {
    answer = done;
  });
  await page.route(`**/api/pieces/${first.pieceId}`, async (route) => {
    if (route.request().method() === 'GET') return route.continue();
    const response = await route.fetch();
    await held;
    return route.fulfill({ response });
  });
  await rename(page, `${nameA}, saved`);
  await expect(page.locator('[data-save="saving"]')).toBeVisible();
  await rename(page, `${nameA}, last`);
  await page.goBack();
  await page.goBack();
  await expect(name(page)).toHaveValue(nameB);
  answer();
  await rename(page, `${nameB}, changed`);
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  await expect.poll(async () => (await stored(page, made.id)).name).toBe(`${nameB}, changed`);
  // What was done last on A is with the server too, and in A.
  await expect.poll(async () => (await stored(page, first.pieceId)).name).toBe(`${nameA}, last`);
});

test('offline, to the list and back in the same tab: the work is there, and goes to the server', async ({
  page,
  context,
}) => {
  const before = `Before ${crypto.randomUUID()}`;
  const desk = await openNew(page, three(before));
  await context.route('**/api/pieces/*', (route) =>
    route.request().method() === 'GET' ? route.continue() : route.abort(),
  );
  await rename(page, 'Kept in the tab');
  await expect(page.locator('[data-save="offline"]')).toBeVisible();
  await page.getByRole('link', { name: 'All projects' }).click();
  await page
    .getByRole('link', { name: `Open ${before}` })
    .first()
    .click();
  await expect(name(page)).toHaveValue('Kept in the tab');
  await expect(page.getByText('It is back')).toBeVisible();
  await context.unroute('**/api/pieces/*');
  await expect.poll(async () => (await stored(page, desk.pieceId)).name).toBe('Kept in the tab');
});

test('pages run only their own scripts, are framed by nobody, and work where storage is blocked', async ({
  page,
  browser,
}) => {
  const desk = await openNew(page, three('Guarded'));
  const violations: string[] = [];
  page.on('console', (message) => {
    if (/Content Security Policy/i.test(message.text())) violations.push(message.text());
  });
  await page.reload();
  await expect(page.locator('[data-canvas]')).toHaveAttribute('data-frame', /\d/);
  expect(violations).toEqual([]);
  // Idle connections outlive every pause, so that none is closed just when it is used again.
  expect((await page.request.get('/api/health')).headers()['keep-alive']).toBe('timeout=65');
  const policy = (await page.request.get('/')).headers()['content-security-policy']!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+'/);
  expect(policy).toContain("frame-ancestors 'none'");
  // A script that got into the page somehow is not run.
  await page.evaluate(() => {
    const script = document.createElement('div');
    script.innerHTML = '<img src="data:," onerror="window.ran = true">';
    document.body.append(script);
  });
  await expect.poll(() => violations.length).toBeGreaterThan(0);
  expect(await page.evaluate(() => 'ran' in window)).toBe(false);

  const context = await browser.newContext();
  await context.addInitScript(() => {
    for (const storage of ['localStorage', 'sessionStorage', 'indexedDB'])
      Object.defineProperty(window, storage, {
        get() {
          throw new DOMException('blocked', 'SecurityError');
        },
      });
  });
  const bare = await context.newPage();
  await bare.goto(page.url());
  await expect(bare.locator('[data-canvas]')).toHaveAttribute('data-frame', /\d/);
  await rename(bare, 'Without storage');
  await expect(bare.getByText('keeps nothing for Obelus')).toBeVisible();
  await expect.poll(async () => (await stored(page, desk.pieceId)).name).toBe('Without storage');
  await bare.getByRole('button', { name: 'More', exact: true }).click();
  await bare.getByRole('menuitem', { name: 'Light', exact: true }).click();
  await expect(bare.locator('html')).toHaveAttribute('data-theme', 'light');
  await context.close();
});

test('what is locked or follows another is left as it is from every panel, with its reason and a way out', async ({
  page,
}) => {
  const tied = tieStrokes(three('Held'), ['bar'], { property: 'path', to: 'curve', factor: 1, offset: 40 });
  const desk = await openNew(
    page,
    updateLayers(tied, ['triangle'], (layer) => ({ ...layer, locked: true })),
  );
  await head(desk, 0).click(ON_NAME);
  await head(desk, 2).click({ ...ON_NAME, modifiers: ['Control'] });
  await steps(page, 'Place');
  await type(page.getByRole('spinbutton', { name: 'Position X', exact: true }), '21');
  await expect(page.getByText('“Triangle” is locked: it was left as it is.')).toBeVisible();
  const placed = strokesOf(await desk.savedDocument()).map((stroke) => stroke.place?.x ?? null);
  expect(placed).toEqual([21, null, null]);
  await page.getByRole('button', { name: 'Unlock it' }).click();
  await expect.poll(async () => strokesOf(await desk.savedDocument())[2]!.locked).toBe(false);
  // Points of a path that follows another's.
  await head(desk, 1).click(ON_NAME);
  await page.locator('[data-canvas]').focus();
  await page.keyboard.press('r');
  await expect(page.getByText('The path of “Bar” follows “Curve”')).toBeVisible();
  await page.getByRole('button', { name: 'Detach' }).click();
  expect(strokesOf(await desk.savedDocument())[1]!.ties).toBeUndefined();
  // A number beyond its limits says so.
  await steps(page, 'Place');
  await type(page.getByRole('spinbutton', { name: 'Opacity', exact: true }), '400');
  await expect(page.getByText('at most 100 %')).toBeVisible();
});

test('a placed group is wrapped, copied and taken apart; what can’t be handed on is asked about first', async ({
  page,
}) => {
  const desk = await openNew(page, three('Groups'));
  await head(desk, 0).click(ON_NAME);
  await head(desk, 1).click({ ...ON_NAME, modifiers: ['Control'] });
  await page.keyboard.press('Control+g');
  await steps(page, 'Place');
  await type(page.getByRole('spinbutton', { name: 'Position X' }), '120');
  await page.keyboard.press('Escape');
  await page.locator('[data-canvas]').focus();
  await page.keyboard.press('Control+g');
  expect((await desk.savedDocument()).groups).toHaveLength(2);
  await page.keyboard.press('Control+Shift+g');
  await page.keyboard.press('Control+d');
  const copied = (await desk.savedDocument()) as unknown as Piece;
  expect(copied.groups.map((group) => group.name)).toEqual(['Group 1', 'Group 2']);
  await page.keyboard.press('Control+Shift+g');
  const apart = (await desk.savedDocument()) as unknown as Piece;
  expect(apart.groups).toHaveLength(1);
  const loose = apart.layers.filter((layer): layer is Stroke => layer.group === undefined);
  expect(loose.filter((layer) => layer.place?.x === 120)).toHaveLength(2);
  // One that blends as a whole can't be taken apart without a change.
  await page.getByRole('row', { name: 'Group Group 1' }).getByRole('rowheader').click(ON_NAME);
  await choose(page, /Blend/, 'multiply');
  await page.getByRole('button', { name: 'Ungroup' }).click();
  const question = page.getByRole('dialog', { name: 'Ungroup “Group 1”?' });
  await expect(question).toContainText('that it blends as one');
  await question.getByRole('button', { name: 'Cancel' }).click();
  expect((await desk.savedDocument()).groups).toHaveLength(1);
  await page.getByRole('button', { name: 'Ungroup' }).click();
  await question.getByRole('button', { name: 'Ungroup' }).click();
  expect((await desk.savedDocument()).groups).toHaveLength(0);
});

test('the manner that is shown is applied when it is chosen; its numbers follow a retime', async ({
  page,
}) => {
  const desk = await openNew(page, three('Chosen'));
  await head(desk, 2).click(ON_NAME);
  await steps(page, 'Time');
  await choose(page, /Stored manner/, 'On and off');
  const [, , triangle] = strokesOf(await desk.savedDocument());
  expect(triangle!.manner!.name).toBe('On and off');
  const field = page.getByRole('spinbutton', { name: 'Writes on in' });
  await expect(field).toHaveValue('20 fr');
  await page
    .getByRole('row', { name: /^3 Triangle/ })
    .locator('[data-key="head-1"]')
    .click();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(field).toHaveValue('30 fr');
  await type(field, '20');
  await expect(field).toHaveValue('20 fr');
});

test('the proof counts from the opening of the piece, bare spots too', async ({ page }) => {
  const thin = signature();
  const strokes = strokesOf(thin).map((stroke) => stroke.id);
  await openNew(page, setInk(thin, strokes, { width: 2 }));
  const button = page.getByRole('button', { name: /^Proof/ });
  await expect(button).toHaveText(/\d/);
  // Measured as it is: the list, opened, holds just as many.
  await expect.poll(async () => Number((await button.textContent())!.replace(/\D/g, ''))).toBeGreaterThan(3);
  const counted = Number((await button.textContent())!.replace(/\D/g, ''));
  await button.click();
  await expect(page.getByText(/bare/).first()).toBeVisible();
  await expect(button).toHaveText(new RegExp(`${counted}$`));
});

test('whoever hangs up in the middle, or asks for what nobody knows, ends nobody else’s answers', async ({
  page,
}) => {
  await page.goto('/');
  const { hostname, port, host } = new URL(page.url());
  /** Sends the beginning of a request and goes. */
  const hangUp = (head: string) =>
    new Promise<void>((done) => {
      const socket = connect(Number(port), hostname, () =>
        socket.write(`${head} HTTP/1.1\r\nHost: ${host}\r\n\r\n`, () => socket.resetAndDestroy()),
      );
      socket.on('error', () => {});
      socket.on('close', () => done());
    });
  for (let i = 0; i < 10; i++)
    for (const head of [
      'TRACE /',
      'GET /',
      'GET /api/projects',
      'POST /api/pictures',
      'PROPFIND /x',
      'NONSENSE /',
    ])
      await hangUp(head);
  for (let i = 0; i < 10; i++) expect((await page.request.get('/api/health')).status()).toBe(200);
  const refused = await page.request.fetch('/api/projects', { method: 'TRACE' }).catch(() => null);
  if (refused)
    expect([refused.status(), refused.headers()['allow']]).toEqual([405, expect.stringContaining('GET')]);
});
