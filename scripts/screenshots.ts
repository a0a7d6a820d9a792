// Takes the pictures; scripts/screenshots.mjs brings up what they are taken of.
import { CHROMIUM } from './lib/chromium';
import { chromium, type Page } from '@playwright/test';
import { join } from 'node:path';

const folder = join(import.meta.dirname, '../docs/screenshots');
const browser = await chromium.launch(CHROMIUM);
const page = await browser.newPage({
  viewport: { width: 1280, height: 800 },
  colorScheme: 'dark',
  baseURL: process.env.BASE_URL!,
});

const shot = async (name: string): Promise<void> => {
  await page.evaluate(() => document.fonts.ready);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  await page.screenshot({ path: join(folder, `${name}.png`) });
};
const showFrame = async (on: Page, frame: number): Promise<void> => {
  await on.getByLabel('Frame', { exact: true }).fill(String(frame));
  await on.keyboard.press('Enter');
  await on.keyboard.press('Escape');
};
const open = async (piece: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('link', { name: `Open ${piece}` }).click();
  await page.locator('[data-canvas][data-frame]').waitFor();
};
const lane = (name: string | RegExp) =>
  page.getByRole('row', { name, exact: true }).first().getByRole('rowheader');
async function step(name: string): Promise<void> {
  await page.getByRole('radio', { name, exact: true }).click();
  await page.waitForFunction(
    () => document.querySelector('[aria-label="Panel"]')!.textContent.trim().length > 20,
  );
}

/** Where a lane is pressed to choose it: over its name, beside the buttons that a pointer brings up. */
const ON_NAME = { position: { x: 70, y: 12 } };

/** Chooses a stroke by its lane, scrolled to where only lanes in view are in the page. */
async function choose(name: string | RegExp): Promise<void> {
  await page.locator('[data-lanes]').evaluate((grid) => grid.scrollTo(0, 0));
  for (let i = 0; i < 40 && !(await lane(name).isVisible()); i++) {
    await page.locator('[data-lanes]').evaluate((grid) => grid.scrollBy(0, 90));
    await page.waitForTimeout(60);
  }
  await lane(name).click(ON_NAME);
}

await page.goto('/');
await page.waitForFunction(() => {
  const pictures = [...document.images];
  return pictures.length === 9 && pictures.every((p) => p.complete && p.naturalWidth > 0);
});
await shot('projects');
await page.getByRole('button', { name: 'New piece' }).first().click();
await page.getByLabel('Name', { exact: true }).fill('Reedmace');
await page.getByRole('button', { name: 'Create' }).click();
await page.getByRole('button', { name: 'Handwritten title' }).waitFor();
await page.waitForTimeout(2500);
await shot('begin');
await open('Opening title');
await step('Trace');
await choose('Saltmarsh');
await showFrame(page, 60);
await page.getByRole('button', { name: 'Find the strokes' }).click();
await page.getByText(/match strokes that are there/).waitFor();
await shot('found-strokes');
await page.getByRole('button', { name: 'Discard' }).click();
await showFrame(page, 26);
await page.getByRole('button', { name: 'Open the group Saltmarsh, hand' }).click();
await choose('2 a, 1');
await shot('trace');
await step('Ink');
await choose(/(?<!\d)\d+ Swash$/);
await showFrame(page, 62);
await shot('ink');
await step('Time');
await page.getByRole('slider', { name: 'Swash, head key' }).first().click();
await shot('time');
// The score is made taller, and the word's heads are taken with a box.
const divider = (await page.getByLabel('Height of the score').boundingBox())!;
await page.mouse.move(640, divider.y + 2);
await page.mouse.down();
await page.mouse.move(640, 330, { steps: 5 });
await page.mouse.up();
await page.locator('[data-lanes]').evaluate((grid) => grid.scrollTo(0, 0));
await step('Time');
await choose('1 S');
await lane('10 t, 2').click({ ...ON_NAME, modifiers: ['Shift'] });
await page.getByRole('button', { name: /Onion skin/ }).click();
await showFrame(page, 24);
await shot('spread');
await page.getByRole('button', { name: /Onion skin/ }).click();
// Its height is remembered: the pictures after it show it as it was.
await page.mouse.move(640, 330);
await page.mouse.down();
await page.mouse.move(640, divider.y + 2, { steps: 5 });
await page.mouse.up();
await open('Opening title');
await step('Place');
await choose('Group Saltmarsh, hand');
await showFrame(page, 40);
await shot('place');
await step('Reveal');
await choose('Saltmarsh');
await page.locator('[data-covered]').waitFor();
await showFrame(page, 24);
await page.waitForTimeout(1500);
await shot('reveal');
await step('Finish');
await showFrame(page, 82);
await shot('finish');
await open('Narrator’s signature');
await step('Finish');
await page.getByRole('button', { name: 'Accents', exact: true }).click();
await page.getByRole('list', { name: 'Accents' }).locator('canvas').nth(5).waitFor();
await page.waitForTimeout(1500);
await showFrame(page, 108);
await shot('accents');
await open('Lower third');
await step('Set up');
await page.getByRole('button', { name: 'Fields' }).click();
await page.getByRole('button', { name: 'Layouts' }).click();
await page.getByRole('list', { name: 'Layouts' }).locator('canvas').nth(8).waitFor();
await page.waitForTimeout(1500);
await showFrame(page, 60);
await shot('layouts');
await open('Narrator’s signature');
await page.getByRole('button', { name: /^Proof/ }).click();
await page.locator('[data-go]').first().click();
await page.getByText(/to look at$|Nothing to mend/).waitFor();
await shot('proof');
await page.getByRole('button', { name: 'Close the proof' }).click();
await open('Eel route');
await step('Underlay');
await page.getByRole('button', { name: 'Map of the estuary', exact: true }).click();
await showFrame(page, 70);
await page.waitForTimeout(500);
await shot('map');
await open('Tide ring');
await step('Set up');
await page.getByRole('button', { name: 'Safe areas' }).click();
await showFrame(page, 88);
await shot('set-up');
await page.emulateMedia({ colorScheme: 'light' });
await open('Lower third');
await step('Ink');
await showFrame(page, 26);
await choose('1 Rule');
await shot('light');
await page.emulateMedia({ colorScheme: 'dark' });
await open('Opening title');
await page.getByRole('button', { name: 'Export', exact: true }).click();
await page.getByRole('button', { name: 'Start export' }).click();
await page.locator('li[data-status="running"] progress').waitFor();
await page.getByText(/of 100 frames · about/).waitFor();
await shot('export');
// What leaves, as its receivers show it: the lower third with its alpha taken for what it is not.
const { projects } = (await (await page.request.get('/api/projects')).json()) as {
  projects: { pieces: { id: string; name: string }[] }[];
};
const lower = projects[0]!.pieces.find(({ name }) => name === 'Lower third')!;
const asked = { format: 'prores', transparency: 'premultiplied', scale: 1, first: 0, last: 60 };
const { id } = (await (
  await page.request.post(`/api/pieces/${lower.id}/exports`, { data: { settings: asked } })
).json()) as { id: string };
await page.goto('/exports');
await page
  .locator('[data-export]')
  .nth(1)
  .and(page.locator('[data-status="done"]'))
  .waitFor({ timeout: 90_000 });
await page
  .locator('[data-export]')
  .first()
  .and(page.locator('[data-status="done"]'))
  .waitFor({ timeout: 90_000 });
await page
  .locator('[data-export] img[src]')
  .last()
  .evaluate((img: HTMLImageElement) => img.decode());
await page
  .locator('[data-export] img[src]')
  .first()
  .evaluate((img: HTMLImageElement) => img.decode());
await shot('exports');
await page.goto(`/bay?export=${id}`);
await page.getByRole('radio', { name: 'keeps straight alpha' }).check();
await page.getByRole('radio', { name: 'side by side' }).click();
await page.getByText('A dark fringe').waitFor();
await page.locator('[data-bay]').nth(1).waitFor();
await page
  .locator('[data-bay]')
  .first()
  .click({ position: { x: 125, y: 205 } });
await page.getByText(/darker than in the piece/).waitFor();
await shot('edit-bay');
await browser.close();
