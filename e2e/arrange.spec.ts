import { expect, test } from './test';
import { groupLayers, standingBox, type Piece } from '../src/core/document';
import { ON_NAME, openNew, type Desk } from './desk';
import { blank, three } from './pieces';

const whole = (desk: Desk): Promise<Piece> => desk.savedDocument();
const box = (piece: Piece, id: string) => standingBox(piece, id, 0)!;

test('layers and groups are aligned, sized and flipped together, each in one step', async ({ page }) => {
  const desk = await openNew(
    page,
    groupLayers(three('Arranged'), ['bar', 'triangle'], { id: 'g', name: 'Pair' }),
  );
  await desk.canvas.focus();
  await page.keyboard.press('Control+a');
  await page.getByRole('radio', { name: 'Place', exact: true }).click();
  const before = await whole(desk);
  await page.getByRole('button', { name: 'Align left' }).click();
  let now = await whole(desk);
  expect(box(now, 'curve').left).toBeCloseTo(box(now, 'g').left, 3);
  expect(box(now, 'bar').right - box(now, 'triangle').right).toBeCloseTo(
    box(before, 'bar').right - box(before, 'triangle').right,
    3,
  );
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  expect((await whole(desk)).layers).toEqual(before.layers);
  await page.locator('button[aria-label="Align to"]').click();
  await page.getByRole('option', { name: 'the title-safe area' }).click();
  await page.getByRole('button', { name: 'Align bottoms' }).click();
  now = await whole(desk);
  for (const id of ['curve', 'g']) expect(box(now, id).bottom).toBeCloseTo(1080 * 0.95, 3);
  await page.getByRole('spinbutton', { name: 'Width in the picture' }).fill('1920/4');
  await page.keyboard.press('Enter');
  now = await whole(desk);
  const [a, b] = [box(now, 'curve'), box(now, 'g')];
  expect(Math.max(a.right, b.right) - Math.min(a.left, b.left)).toBeCloseTo(480, 2);
  await page.getByRole('button', { name: 'Flip left and right' }).click();
  expect(box(await whole(desk), 'curve').left).toBeCloseTo(
    Math.min(a.left, b.left) + Math.max(a.right, b.right) - a.right,
    2,
  );
});

test('what is dragged is drawn to the middle of the picture; with Alt a copy is dragged away', async ({
  page,
}) => {
  const desk = await openNew(page, three('Dragged'));
  // The bar reaches from 400 to 1400 px: its middle is 60 px off that of the picture.
  await desk.drag([700, 850], [757, 820]);
  let { layers } = await desk.savedDocument();
  expect(layers.find((l) => l.id === 'bar')!.path.points[0]!.x).toBeCloseTo(460, 6);
  await page.keyboard.down('Alt');
  await desk.drag([700, 820], [700, 990]);
  await page.keyboard.up('Alt');
  ({ layers } = await desk.savedDocument());
  expect(layers).toHaveLength(4);
  expect(layers.find((l) => l.id === 'bar')!.path.points[0]!.y).toBeCloseTo(820, -1);
  const [copy] = layers.filter((l) => !['curve', 'bar', 'triangle'].includes(l.id));
  expect(copy!.path.points[0]!.y).toBeCloseTo(990, -1);
  await expect(page.locator('[data-score] [aria-selected="true"]')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  expect((await desk.savedDocument()).layers).toHaveLength(3);
});

test('layers are copied from one piece to another; ink alone is pasted from the menu; keys have a menu too', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const desk = await openNew(page, three('From'));
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await desk.canvas.focus();
  await page.keyboard.press('Control+c');
  const other = await context.newPage();
  const into = await openNew(other, blank('Into'));
  await into.canvas.focus();
  await other.keyboard.press('Control+v');
  await expect(into.lane(0)).toHaveAccessibleName('1 Bar');
  await other.keyboard.press('Control+x');
  await expect(into.lane(0)).toBeHidden();
  await other.close();
  // Back here: another ink, borrowed by the menu of a lane.
  await page.bringToFront();
  await page.getByRole('radio', { name: 'Ink', exact: true }).click();
  await page.getByRole('spinbutton', { name: 'Width', exact: true }).first().fill('41');
  await page.keyboard.press('Enter');
  await desk.lane(1).click({ button: 'right', position: { x: 60, y: 10 } });
  await page.getByRole('menuitem', { name: /^Copy/ }).click();
  await desk.lane(0).click({ button: 'right', position: { x: 60, y: 10 } });
  await page.getByRole('menuitem', { name: 'Paste only its' }).hover();
  await page.getByRole('menuitem', { name: 'Ink', exact: true }).click();
  const widths = async () => (await desk.savedDocument()).layers.map((layer) => layer.ink.width);
  await expect.poll(widths).toEqual([41, 41, 12]);
  await desk.lane(0).locator('[data-key="head-0"]').click({ button: 'right' });
  await page.getByRole('menuitem', { name: 'Delete keys' }).click();
  await expect(desk.lane(0).locator('[data-key="head-1"]')).toBeHidden();
  // Nothing under the pointer: nothing is selected, and all can be.
  await desk.click(1700, 150, { button: 'right' });
  await page.getByRole('menuitem', { name: 'Select all' }).click();
  await expect(page.locator('[data-score] [aria-selected="true"]')).toHaveCount(3);
});
