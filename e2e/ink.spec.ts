import { expect, test, type Locator, type Page } from './test';
import type { Ink, Piece, Stroke } from '../src/core/document';
import { keysOf } from '../src/core/timing';
import { ON_NAME, api, openNew, type Desk } from './desk';
import { three } from './pieces';

const document = (desk: Desk): Promise<Piece> => desk.savedDocument();
const strokes = async (desk: Desk): Promise<Stroke[]> =>
  (await document(desk)).layers.filter((layer): layer is Stroke => layer.type === 'stroke');
const inkOf = async (desk: Desk, i = 0): Promise<Ink> => (await strokes(desk))[i]!.ink;

const fold = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) }).first();
async function choose(page: Page, list: string, option: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(list) }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}
async function type(field: Locator, value: string): Promise<void> {
  await field.fill(value);
  await field.press('Enter');
}
async function openInk(page: Page, name: string): Promise<Desk> {
  const desk = await openNew(page, three(name));
  await desk.step('Ink');
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  return desk;
}

test('caps: another one where the path ends, which stays there when the stroke is reversed', async ({
  page,
}) => {
  const desk = await openInk(page, 'Caps');
  await fold(page, 'Caps').click();
  await page.getByRole('checkbox', { name: 'Another cap where the path ends' }).press('Space');
  const ends = page.getByRole('radiogroup', { name: 'End cap' });
  await ends.getByRole('radio', { name: 'square' }).click();
  const { cap } = await inkOf(desk);
  expect(await inkOf(desk)).toMatchObject({ cap: 'round', endCap: 'square' });
  await desk.canvas.focus();
  await page.keyboard.press('r');
  expect(await inkOf(desk)).toMatchObject({ cap: 'square', endCap: cap });
  await page.getByRole('checkbox', { name: 'Another cap where the path ends' }).press('Space');
  await expect(ends).toHaveCount(0);
  expect((await inkOf(desk)).endCap).toBeUndefined();
});

test('width: a profile chosen, its points dragged, nudged, smoothed, added and removed on the silhouette', async ({
  page,
}) => {
  const desk = await openInk(page, 'Width');
  await choose(page, 'Width profile', 'wedge');
  expect((await inkOf(desk)).widths).toEqual([
    { at: 0, scale: 1 },
    { at: 1, scale: 0 },
  ]);
  const silhouette = page.getByRole('group', { name: 'Width along the stroke' });
  const box = (await silhouette.boundingBox())!;
  await page.mouse.dblclick(box.x + box.width / 2, box.y + box.height / 2);
  await expect(page.getByRole('slider', { name: /Width point/ })).toHaveCount(3);
  const middle = page.getByRole('slider', { name: 'Width point 2 of 3' });
  const at = (await middle.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2 + 30, at.y + at.height / 2 - 10, { steps: 4 });
  await page.mouse.up();
  const dragged = (await inkOf(desk)).widths![1]!;
  expect(dragged.at).toBeGreaterThan(0.58);
  expect(dragged.scale).toBeGreaterThan(0.7);
  // One drag is one step.
  await page.keyboard.press('Control+z');
  expect((await inkOf(desk)).widths![1]!.at).toBeCloseTo(0.5, 1);
  await middle.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('ArrowRight');
  const nudged = (await inkOf(desk)).widths![1]!;
  expect(nudged.out).toBeDefined();
  await page.getByRole('button', { name: 'Straighten' }).click();
  expect((await inkOf(desk)).widths![1]).toEqual({ at: nudged.at, scale: nudged.scale });
  await middle.focus();
  await page.keyboard.press('Delete');
  expect((await inkOf(desk)).widths).toHaveLength(2);
  await choose(page, 'Width profile', 'even');
  expect(await inkOf(desk)).not.toHaveProperty('widths');
});

test('colour along the stroke: stops dragged, added, keyed; a colour taken from the picture', async ({
  page,
}) => {
  const desk = await openInk(page, 'Colour');
  await page.getByRole('radio', { name: 'along it' }).click();
  expect((await inkOf(desk)).gradient).toMatchObject({
    along: 'visible',
    stops: [{ opacity: 1 }, { opacity: 1 }, { opacity: 1 }],
  });
  const stop = page.getByRole('slider', { name: 'Colour 2 of 3' });
  await stop.scrollIntoViewIfNeeded();
  const at = (await stop.boundingBox())!;
  await page.mouse.move(at.x + 7, at.y + 10);
  await page.mouse.down();
  await page.mouse.move(at.x - 60, at.y + 10, { steps: 4 });
  await page.mouse.up();
  expect((await inkOf(desk)).gradient!.stops[1]!.at).toBeLessThan(0.5);
  await page.getByRole('button', { name: 'Opacity there: key it at this frame' }).click();
  await page.locator('[data-canvas]').focus();
  await page.keyboard.press('End');
  await type(page.getByRole('spinbutton', { name: 'Opacity there' }), '25 %');
  const { opacity } = (await inkOf(desk)).gradient!.stops[1]!;
  expect(keysOf(opacity).map((key) => key.value)).toEqual([1, 0.25]);
  // From the picture: the ground lies under every place without ink.
  await page.getByRole('button', { name: /^Colour 2: #/ }).click();
  await page.getByRole('button', { name: 'Take it from the picture' }).click();
  const empty = await desk.at(960, 60);
  await page.mouse.click(empty.x, empty.y);
  const { over } = await document(desk);
  expect((await inkOf(desk)).gradient!.stops[1]!.colour).toBe(
    over ?? (await inkOf(desk)).gradient!.stops[1]!.colour,
  );
});

test('dashes: typed, mended where caps close a gap, marching; a mixed selection changes only what is touched', async ({
  page,
}) => {
  const desk = await openInk(page, 'Dashes');
  await fold(page, 'Dashes').click();
  await choose(page, 'unbroken.*Dashes', 'dot');
  await type(page.getByRole('textbox', { name: 'Dash and gap' }), '2 1');
  await expect(page.getByText('Caps close a gap')).toBeVisible();
  await page.getByRole('button', { name: 'Open it' }).click();
  expect((await inkOf(desk)).dashes!.pattern).toEqual([2, 1.5]);
  await expect(page.getByText('The eye sees gaps of 6 px')).toBeVisible();
  await page.getByRole('radio', { name: 'march' }).click();
  await type(page.getByRole('spinbutton', { name: 'Speed' }), '-80 px/s');
  expect((await inkOf(desk)).dashes).toMatchObject({ flow: 'march', speed: { value: -80, seamless: true } });
  // What can't be read as a pattern is not taken.
  await type(page.getByRole('textbox', { name: 'Dash and gap' }), '4 minus');
  expect((await inkOf(desk)).dashes!.pattern).toEqual([2, 1.5]);

  await desk
    .lane(1)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Shift'] });
  await expect(fold(page, 'Dashes')).toContainText('differs');
  await fold(page, 'Ends').click();
  await choose(page, 'none.*Head end', 'reed tip');
  await type(page.getByRole('spinbutton', { name: 'Phase' }), '1.5 w');
  const [first, second, third] = await strokes(desk);
  expect([first, second].map((s) => s!.ink.ends?.head?.shape)).toEqual(['reed tip', 'reed tip']);
  expect(first!.ink.dashes!.phase).toBe(1.5);
  expect(second!.ink).not.toHaveProperty('dashes');
  expect(third!.ink).not.toHaveProperty('ends');
});

test('ties: followed, shown on both, circles refused in words, cut with one action', async ({ page }) => {
  const desk = await openInk(page, 'Ties');
  const names = (await strokes(desk)).map((s) => s.name);
  await fold(page, 'Ties').click();
  await choose(page, 'Stroke to follow', names[1]!);
  await page.getByRole('button', { name: 'Tie the width' }).click();
  await type(page.getByRole('spinbutton', { name: 'Times' }), '2');
  expect((await inkOf(desk)).width).toBe(24);
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await expect(page.getByText(`${names[0]} follows its width`)).toBeVisible();
  for (const lane of [0, 1]) await expect(desk.lane(lane).getByLabel(/follows/)).toBeVisible();
  await type(page.getByRole('spinbutton', { name: 'Width', exact: true }), '20');
  expect((await inkOf(desk)).width).toBe(40);
  await choose(page, 'Stroke to follow', names[0]!);
  await page.getByRole('button', { name: 'Tie the width' }).click();
  await expect(page.getByText('they would chase each other')).toBeVisible();
  expect((await strokes(desk))[1]).not.toHaveProperty('ties');
  await page.getByRole('button', { name: `Remove the tie of ${names[0]}` }).click();
  expect((await strokes(desk))[0]).not.toHaveProperty('ties');
  expect((await inkOf(desk)).width).toBe(40);
});

test('styles: given to many, changed together, and from the shelf to another piece of the project', async ({
  page,
}) => {
  const desk = await openInk(page, 'Styles');
  await type(page.getByRole('spinbutton', { name: 'Width', exact: true }), '30');
  await fold(page, 'Styles').click();
  await page.getByRole('button', { name: 'New style' }).click();
  await page.getByRole('textbox', { name: 'Name of the style' }).fill('Broad');
  await page.keyboard.press('Enter');
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: 'Give the selection the style Broad' }).click();
  await type(page.getByRole('spinbutton', { name: 'Width', exact: true }), '44');
  await expect(page.getByText('differ from it')).toBeVisible();
  await page.getByRole('button', { name: 'Change the style' }).click();
  expect((await strokes(desk)).map((s) => s.ink.width)).toEqual([44, 12, 44]);
  await page.getByRole('button', { name: 'Put it on the shelf, for all pieces' }).click();
  await expect(page.getByText('on the shelf')).toBeVisible();
  expect((await document(desk)).styles[0]!.shelf).toBeDefined();

  const { projects } = await api<{ projects: { id: string; pieces: { name: string }[] }[] }>(
    page,
    'GET',
    '/api/projects',
  );
  const project = projects.find(({ pieces }) => pieces.some(({ name }) => name === 'Styles'))!;
  const made = await api<{ id: string }>(page, 'POST', `/api/projects/${project.id}/pieces`, {
    document: three('Styles too'),
  });
  await page.goto(`/pieces/${made.id}`);
  await page.getByRole('radio', { name: 'Ink', exact: true }).click();
  await page.getByRole('row').nth(1).getByRole('rowheader').click(ON_NAME);
  await fold(page, 'Styles').click();
  await page.getByRole('button', { name: 'Use the style Broad from the shelf' }).click();
  await expect(page.getByRole('spinbutton', { name: 'Width', exact: true })).toHaveValue('44 px');
});
