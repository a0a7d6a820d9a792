import { expect, test, type Page } from './test';
import { strokesOf, type Stroke } from '../src/core/document';
import { keysOf } from '../src/core/timing';
import { ON_NAME, choose, openNew, type, type Desk } from './desk';
import { three } from './pieces';

const strokes = async (desk: Desk): Promise<Stroke[]> => strokesOf(await desk.savedDocument());
const head = (stroke: Stroke) => keysOf(stroke.window.head).map(({ frame, value }) => [frame, value]);

const number = (page: Page, name: string) => page.getByRole('spinbutton', { name, exact: true });
async function chooseLanes(desk: Desk, from: number, to: number): Promise<void> {
  await desk.lane(from).getByRole('rowheader').click(ON_NAME);
  await desk
    .lane(to)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Shift'] });
}

test('a manner is given to many strokes, changed for all of them at once, and leaves keys alone that were set by hand', async ({
  page,
}) => {
  const desk = await openNew(page, three('Manners'));
  await desk.step('Time');
  await chooseLanes(desk, 0, 2);
  await choose(page, /Stored manner/, 'There and back');
  const given = await strokes(desk);
  expect(given.map((s) => s.manner?.name)).toEqual(Array(3).fill('There and back'));
  expect(head(given[0]!)[0]).toEqual([10, 0]);
  // One is drawn out by hand: the manner then changes what is left.
  await desk.lane(0).locator('[data-key="head-1"]').click();
  await page.keyboard.press('Shift+ArrowRight');
  await chooseLanes(desk, 0, 2);
  await choose(page, /Arrives/, 'spring');
  await type(number(page, 'Writes off in'), '9 fr');
  const changed = await strokes(desk);
  expect(changed.map((s) => keysOf(s.window.head)[0]!.easing.type)).toEqual(Array(3).fill('spring'));
  expect(head(changed[0]!)[1]).toEqual([head(given[0]!)[1]![0]! + 10, 1]);
  expect(changed.every((s) => s.manner!.way.offFrames === 9)).toBe(true);
  expect(head(changed[1]!)[3]![0]! - head(changed[1]!)[2]![0]!).toBe(9);

  // Kept on the shelf it is there for others, and its own after a reload.
  await page.getByRole('button', { name: /Keep this manner on the shelf/ }).click();
  await expect(page.getByRole('button', { name: /from the shelf/ })).toBeVisible();
  await page.reload();
  await desk.step('Time');
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: /Stored manner/ }).click();
  await expect(page.getByRole('option', { name: /Manner 1/ })).toBeVisible();
  await page.keyboard.press('Escape');
});

test('a passing window keeps its length, from both ends ink closes in, and the lane shows it', async ({
  page,
}) => {
  const desk = await openNew(page, three('Growth'));
  await desk.step('Time');
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await choose(page, /Stored manner/, 'Passing light');
  await page.getByRole('radio', { name: 'px', exact: true }).click();
  await type(number(page, 'Window length'), '300 px');
  expect((await strokes(desk))[1]!.window.travel).toEqual({ length: 300, unit: 'px' });
  await expect(desk.lane(1).locator('[data-key]')).toHaveCount(2);
  await choose(page, /Stored manner/, 'Closing in');
  const [, bar] = await strokes(desk);
  expect(bar!.window).toMatchObject({ outside: true });
  expect(bar!.window).not.toHaveProperty('travel');
  await expect(desk.lane(1).locator('[data-key]')).toHaveCount(8);
});

test('strokes are grouped, the group closed and opened, and timed end to end as one line', async ({
  page,
}) => {
  const desk = await openNew(page, three('Groups'));
  await desk.step('Time');
  await chooseLanes(desk, 0, 1);
  await page.keyboard.press('Control+g');
  await expect(page.getByRole('row', { name: 'Group Group 1' })).toBeVisible();
  await expect(page.locator('[data-row]')).toHaveCount(4);
  await page.getByRole('row', { name: 'Group Group 1' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('[data-row]')).toHaveCount(2);
  await page.keyboard.press('ArrowRight');
  await page.getByRole('radio', { name: 'end to end' }).click();
  const group = page.getByRole('row', { name: 'Group Group 1' });
  await expect(group.locator('[data-key]')).toHaveCount(4);
  await expect(desk.lane(1).locator('[data-key]')).toHaveCount(0);
  // The group's key moves the ink of both.
  const before = await strokes(desk);
  await group.locator('[data-key="head-1"]').click();
  await page.keyboard.press('Shift+ArrowRight');
  const after = await strokes(desk);
  for (const i of [0, 1]) {
    const [was, now] = [before, after].map((all) => keysOf(all[i]!.window.head)[1]!.frame);
    expect(now).toBe(was! + 10);
  }
  await page.keyboard.press('Control+z');
  expect(await strokes(desk)).toEqual(before);
});
