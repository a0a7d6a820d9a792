import { expect, test, type Page } from './test';
import type { Piece } from '../src/core/document';
import { ON_NAME, choose, openNew, type, type Desk } from './desk';
import { three } from './pieces';

const finish = (desk: Desk) => desk.page.getByRole('radio', { name: 'Finish', exact: true }).click();
const add = async (page: Page, effect: string): Promise<void> => {
  await page.getByRole('button', { name: 'Add an effect' }).click();
  await page.getByRole('menuitem', { name: new RegExp(`^${effect}`) }).click();
};
const card = (page: Page, index: number, name: string) =>
  page.getByRole('region', { name: `Effect ${index}: ${name}` });
const number = (page: Page, name: string) => page.getByRole('spinbutton', { name, exact: true });
const kinds = async (desk: Desk, layer = 0): Promise<(string | undefined)[]> =>
  ((await desk.savedDocument()) as unknown as Piece).layers[layer]!.effects?.map(({ is, on }) =>
    on ? is.kind : 'off',
  ) ?? [];

test('effects are added, set, keyed in a lane, ordered, switched off and taken out; each is one step', async ({
  page,
}) => {
  const desk = await openNew(page, three('Finished'));
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await finish(desk);
  await expect(page.getByText('Nothing is done to it yet.')).toBeVisible();
  await add(page, 'Wake');
  await page.getByRole('button', { name: 'Fading echoes' }).click();
  await expect(page.getByRole('group', { name: 'Repeat 5' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove repeat 5' }).click();
  await page.getByRole('button', { name: 'Another repeat' }).click();
  await add(page, 'Wobble');
  await type(number(page, 'Wobble, amount'), '7 px');
  await page.getByRole('button', { name: 'Wobble, amount: key it at this frame' }).click();
  // What is keyed has a lane under the stroke's own.
  await page.getByRole('button', { name: /Everything keyed in Curve/ }).click();
  await expect(page.getByRole('row', { name: /^Curve, .*amount/ })).toContainText('Wobble');
  await page.getByRole('button', { name: 'Wobble earlier' }).click();
  await expect(card(page, 1, 'Wobble')).toBeVisible();
  expect(await kinds(desk)).toEqual(['wobble', 'wake']);
  await card(page, 2, 'Wake').getByRole('checkbox', { name: 'Wake', exact: true }).press('Space');
  expect(await kinds(desk)).toEqual(['wobble', 'off']);
  await page.keyboard.press('Control+z');
  expect(await kinds(desk)).toEqual(['wobble', 'wake']);
  await page.getByRole('button', { name: 'Remove Wobble' }).click();
  expect(await kinds(desk)).toEqual(['wake']);
  await page.keyboard.press('Control+z');
  expect(await kinds(desk)).toEqual(['wobble', 'wake']);
  await page.reload();
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await finish(desk);
  await expect(number(page, 'Wobble, amount')).toHaveValue('7 px');
});

test('effects are copied to others, kept on the shelf, and given from there', async ({ page }) => {
  const desk = await openNew(page, three('Copied'));
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await finish(desk);
  await add(page, 'Copies');
  await choose(page, / Arrangement$/, 'row');
  await page.getByRole('button', { name: 'For others' }).click();
  await page.getByRole('button', { name: 'Copy effects' }).click();
  await page.getByRole('button', { name: 'Keep them on the shelf' }).click();
  await expect(page.getByRole('button', { name: 'Curve', exact: true })).toBeVisible();
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: 'Paste effects' }).click();
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: 'Curve', exact: true }).click();
  expect(await kinds(desk, 1)).toEqual(['copies']);
  expect(await kinds(desk, 2)).toEqual(['copies']);
  // Two that have different effects are shown none of them, and can be given those of one.
  await add(page, 'Glow');
  await desk
    .lane(1)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Control'] });
  await expect(page.getByText('These have different effects.')).toBeVisible();
  await page.getByRole('button', { name: 'Give all of them those of “Bar”' }).click();
  expect(await kinds(desk, 2)).toEqual(['copies']);
});

test('a stroke rides on another by its pivot; motion blur and held frames are the piece’s', async ({
  page,
}) => {
  const desk = await openNew(page, three('Ridden'));
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('radio', { name: 'Place', exact: true }).click();
  await page.getByRole('button', { name: 'Rider', exact: true }).click();
  await choose(page, /Rides on/, 'Curve');
  await type(number(page, 'Rider, lean'), '30°');
  let piece = (await desk.savedDocument()) as unknown as Piece;
  expect(piece.layers[2]!.place?.rider).toMatchObject({
    on: 'curve',
    at: 'head',
    lean: expect.closeTo(Math.PI / 6),
  });
  // What it rides on can't be made to ride on it.
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: /Rides on/ }).click();
  await expect(page.getByRole('option', { name: 'Bar' })).toBeVisible();
  await expect(page.getByRole('option', { name: 'Triangle' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await finish(desk);
  await page.getByRole('button', { name: 'The whole piece' }).click();
  await page.getByRole('checkbox', { name: 'Motion blur' }).press('Space');
  await type(number(page, 'Shutter angle'), '90');
  piece = await desk.savedDocument();
  expect(piece.shutter?.angle).toBeCloseTo(Math.PI / 2, 4);
  await page.getByRole('checkbox', { name: 'Motion blur' }).first().press('Space');
  piece = await desk.savedDocument();
  expect(piece.layers[0]!.unblurred).toBe(true);
  // Fewer drawings than frames, keyed: what is the piece's own has its lane below all layers.
  await page.getByRole('checkbox', { name: 'Held frames' }).press('Space');
  await page.getByRole('button', { name: 'Drawings a second: key it at this frame' }).press('Enter');
  const lane = page.getByRole('row', { name: /^Whole piece/ });
  await expect(lane).toContainText('Drawings a second');
  piece = await desk.savedDocument();
  expect(piece.drawings).toEqual({ keys: [expect.objectContaining({ value: 12 })] });
});

test('an accent comes at the playhead about what is chosen, and one of one’s own is kept for other pieces', async ({
  page,
}) => {
  const desk = await openNew(page, three('Accented'));
  await desk.showFrame(30);
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await finish(desk);
  await page.getByRole('button', { name: /^Accents/ }).click();
  await page
    .getByRole('list', { name: 'Accents' })
    .getByRole('button', { name: 'Burst', exact: true })
    .click();
  const put = (await desk.savedDocument()) as unknown as Piece;
  const group = put.groups.find((one) => one.name === 'Burst')!;
  const strokes = put.layers.filter((layer) => layer.group === group.id);
  expect(strokes.length).toBeGreaterThan(0);
  for (const layer of strokes) {
    const keys =
      layer.type === 'stroke' && typeof layer.window.head === 'object' ? layer.window.head.keys : [];
    expect(keys[0]!.frame).toBeGreaterThanOrEqual(30);
  }
  // What was put in is chosen: it can be kept under its own name at once.
  await page.getByRole('button', { name: 'Save the selection as an accent' }).click();
  const kept = page.getByRole('button', { name: 'More about Burst' });
  await expect(kept).toBeVisible();
  await page.keyboard.press('Control+z');
  expect(((await desk.savedDocument()) as unknown as Piece).groups).toEqual([]);
  await kept.click();
  await page.getByRole('menuitem', { name: 'Remove Burst from the shelf' }).click();
  await expect(kept).toHaveCount(0);
});

test('a pen writes what is chosen: it rides on its head, and lets it go', async ({ page }) => {
  const desk = await openNew(page, three('Penned'));
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await finish(desk);
  await page.getByRole('button', { name: /^Pens/ }).click();
  await page.getByRole('list', { name: 'Pens' }).getByRole('button').first().click();
  const put = (await desk.savedDocument()) as unknown as Piece;
  const pen = put.groups.find((group) => group.place?.rider)!;
  expect(pen.place!.rider).toMatchObject({ on: 'curve', at: 'head' });
  await page.getByRole('radio', { name: 'Place', exact: true }).click();
  await page.getByRole('group', { name: 'Rider' }).getByRole('button', { name: 'Detach' }).click();
  const free = (await desk.savedDocument()) as unknown as Piece;
  expect(free.groups.every((group) => !group.place?.rider)).toBe(true);
});
