import { expect, test } from './test';
import { ON_NAME, openNew } from './desk';
import { blank, three } from './pieces';

test('pen: corners, smooth points, closing, going on, points put in and taken out', async ({ page }) => {
  const desk = await openNew(page, blank('Pen'));
  await desk.canvas.focus();
  await page.keyboard.press('p');
  for (const [x, y] of [
    [300, 300],
    [700, 300],
    [700, 600],
  ] as const)
    await desk.click(x, y);
  await desk.click(300, 300);
  let { layers } = await desk.savedDocument();
  expect(layers[0]!.path).toMatchObject({ closed: true });
  expect(layers[0]!.path.points).toHaveLength(3);

  // A press on the selected path puts a point there; Alt takes it out.
  await desk.click(700, 450);
  expect((await desk.savedDocument()).layers[0]!.path.points).toHaveLength(4);
  await page.keyboard.down('Alt');
  await desk.click(700, 450);
  await page.keyboard.up('Alt');
  expect((await desk.savedDocument()).layers[0]!.path.points).toHaveLength(3);

  // A second stroke is left open and later gone on with from its start.
  await page.keyboard.press('Escape');
  await desk.canvas.focus();
  await page.keyboard.press('p');
  await desk.click(1000, 800);
  await desk.drag([1300, 700], [1400, 700]);
  await page.keyboard.press('Enter');
  await desk.click(1000, 800);
  await desk.click(900, 950);
  await page.keyboard.press('Enter');
  ({ layers } = await desk.savedDocument());
  expect(layers).toHaveLength(2);
  expect(layers[1]!.path.points.map((p) => [Math.round(p.x / 10), p.kind])).toEqual([
    [90, 'corner'],
    [100, 'corner'],
    [130, 'smooth'],
  ]);

  // Backspace while drawing takes back the last point, one at a time, the first with the stroke.
  await desk.click(1500, 300);
  await desk.click(1600, 300);
  await page.keyboard.press('Backspace');
  expect((await desk.savedDocument()).layers[2]!.path.points).toHaveLength(1);
  await page.keyboard.press('Backspace');
  expect((await desk.savedDocument()).layers).toHaveLength(2);
});

test('Shift holds the pen to 45°', async ({ page }) => {
  const desk = await openNew(page, blank('Held'));
  await desk.canvas.focus();
  await page.keyboard.press('p');
  await desk.click(300, 500);
  await page.keyboard.down('Shift');
  await desk.click(900, 540);
  await page.keyboard.up('Shift');
  const [a, b] = (await desk.savedDocument()).layers[0]!.path.points;
  expect(b!.y).toBeCloseTo(a!.y, 6);
  expect(b!.x - a!.x).toBeGreaterThan(500);
});

test('points and handles move; a smooth point keeps its handles in line, Alt turns it into a corner', async ({
  page,
}) => {
  const desk = await openNew(page, three('Points'));
  await desk.click(900, 500);
  await expect(desk.lane(0)).toHaveAttribute('aria-selected', 'true');
  await desk.drag([900, 500], [1010, 420]);
  let p = (await desk.savedDocument()).layers[0]!.path.points[1]!;
  expect(Math.abs(p.x - 1010) + Math.abs(p.y - 420)).toBeLessThan(8);
  expect(p.out.x).toBe(200);
  // Its handle, which shows now that the point is selected.
  await desk.drag([p.x + 200, p.y + 150], [p.x + 200, p.y - 150]);
  p = (await desk.savedDocument()).layers[0]!.path.points[1]!;
  expect(p.in.x * p.out.y - p.in.y * p.out.x).toBeCloseTo(0, 6);
  expect(p.out.y).toBeLessThan(-120);
  await page.keyboard.down('Alt');
  await desk.click(p.x, p.y);
  await page.keyboard.up('Alt');
  p = (await desk.savedDocument()).layers[0]!.path.points[1]!;
  expect(p).toMatchObject({ kind: 'corner', out: { x: 0, y: 0 } });
  // Escape in mid-drag puts everything back.
  const before = await desk.savedDocument();
  const a = await desk.at(p.x, p.y);
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(a.x + 60, a.y + 40);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect(await desk.savedDocument()).toEqual(before);
});

test('strokes: select, box, move, nudge, reverse, duplicate, delete, lock; one drag is one step of undo', async ({
  page,
}) => {
  const desk = await openNew(page, three('Strokes'));
  const first = await desk.document();
  await desk.click(1150, 850);
  await expect(desk.lane(1)).toHaveAttribute('aria-selected', 'true');
  await desk.drag([1250, 850], [1250, 950]);
  expect((await desk.savedDocument()).layers[1]!.path.points[0]!.y).toBeCloseTo(950, -1);
  await page.keyboard.press('Control+z');
  expect(await desk.savedDocument()).toEqual(first);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.keyboard.press('Control+Shift+z');
  expect((await desk.savedDocument()).layers[1]!.path.points[0]!.y).toBeCloseTo(950, -1);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  expect((await desk.savedDocument()).layers[1]!.path.points[0]!.x).toBeCloseTo(411, 3);
  await desk.undoAll();
  expect(await desk.savedDocument()).toEqual(first);

  await desk.click(100, 100);
  await desk.drag([700, 120], [1100, 400]);
  await expect(desk.lane(2)).toHaveAttribute('aria-selected', 'true');
  await desk.canvas.focus();
  await page.keyboard.press('Control+d');
  expect((await desk.savedDocument()).layers.map((l) => l.name)).toEqual([
    'Curve',
    'Bar',
    'Triangle',
    'Triangle 2',
  ]);
  await page.keyboard.press('Delete');
  expect((await desk.savedDocument()).layers).toHaveLength(3);

  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await desk.canvas.focus();
  await page.keyboard.press('r');
  expect((await desk.savedDocument()).layers[0]!.path.points[0]!.x).toBe(1500);
  await desk.lane(0).hover();
  await desk.lane(0).getByRole('button', { name: 'Lock Curve' }).click();
  const locked = await desk.savedDocument();
  await desk.canvas.focus();
  await page.keyboard.press('Delete');
  await expect(page.getByText('The selected strokes are locked')).toBeVisible();
  expect(await desk.savedDocument()).toEqual(locked);
});

test('ink: typed with units, nudged by arrows, dragged by the label; a mixed selection changes only what is touched', async ({
  page,
}) => {
  const desk = await openNew(page, three('Ink'));
  await desk.step('Ink');
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  const width = page.getByRole('spinbutton', { name: 'Width', exact: true });
  await width.fill('24 px');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  expect((await desk.savedDocument()).layers[0]!.ink.width).toBe(35);
  await page.getByRole('button', { name: /^Caps, joins/ }).click();
  await page.getByRole('radio', { name: 'square' }).click();
  const opacity = page.getByText('Opacity', { exact: true });
  await opacity.scrollIntoViewIfNeeded();
  const label = (await opacity.boundingBox())!;
  await page.mouse.move(label.x + 20, label.y + 8);
  await page.mouse.down();
  await page.mouse.move(label.x - 20, label.y + 8);
  await page.mouse.move(label.x - 40, label.y + 8);
  await page.mouse.up();
  expect((await desk.savedDocument()).layers[0]!.ink).toMatchObject({ cap: 'square', opacity: 0.7 });
  await page.keyboard.press('Control+z');
  expect((await desk.savedDocument()).layers[0]!.ink.opacity).toBe(1);

  await desk
    .lane(1)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Shift'] });
  await expect(width).toHaveAttribute('placeholder', 'differs');
  await page.getByRole('spinbutton', { name: 'Opacity' }).fill('50 %');
  await page.keyboard.press('Enter');
  const { layers } = await desk.savedDocument();
  expect(layers.map((l) => [l.ink.width, l.ink.opacity])).toEqual([
    [35, 0.5],
    [12, 0.5],
    [12, 1],
  ]);
  // What can't be read is not taken.
  await page.getByRole('spinbutton', { name: 'Opacity' }).fill('half');
  await page.keyboard.press('Enter');
  expect((await desk.savedDocument()).layers[0]!.ink.opacity).toBe(0.5);
});

test('the view zooms to the pointer, pans and fits; safe areas and keys can be found', async ({ page }) => {
  const desk = await openNew(page, three('View'));
  const p = await desk.at(900, 850);
  await page.mouse.move(p.x, p.y);
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -300);
  await page.keyboard.up('Control');
  await expect(page.getByRole('toolbar', { name: 'Zoom' })).not.toContainText('41 %');
  // The bar is still under the pointer.
  await page.mouse.click(p.x, p.y);
  await expect(desk.lane(1)).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('0');
  await expect(page.getByRole('toolbar', { name: 'Zoom' })).toContainText('41 %');
  await page.keyboard.press('g');
  await expect(page.getByRole('button', { name: 'Safe areas' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('?');
  await page.getByLabel('Search the keys').fill('frame back');
  await expect(page.getByRole('dialog').getByRole('listitem')).toHaveText([/^One frame back,$/]);
});

test('a pen’s ghost shows order, direction and lifts, over all strokes or those chosen; Escape ends it', async ({
  page,
}) => {
  const desk = await openNew(page, three('Ghost'));
  await desk.click(1700, 120);
  await page.keyboard.press('d');
  await expect(desk.canvas).toHaveAttribute('data-pen', '0');
  await expect(desk.canvas).toHaveAttribute('data-pen', '1');
  await expect(desk.canvas).toHaveAttribute('data-pen', '2');
  await expect(desk.canvas).toHaveAttribute('data-pen', '');
  await page.keyboard.press('d');
  await expect(desk.canvas).toHaveAttribute('data-pen', '0');
  await page.keyboard.press('Escape');
  await expect(desk.canvas).toHaveAttribute('data-pen', '');
  // Where motion is unwelcome all of the way stands at once.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.keyboard.press('d');
  await expect(desk.canvas).toHaveAttribute('data-pen', '2');
  await page.keyboard.press('d');
  await expect(desk.canvas).toHaveAttribute('data-pen', '');
});

test('drawing by keyboard: places typed and nudged, handles pulled, shapes dragged, points made smooth', async ({
  page,
}) => {
  const desk = await openNew(page, blank('By keys'));
  const keys = async (...all: string[]) => {
    for (const key of all) await page.keyboard.press(key);
  };
  const typePlace = async (x: number, y: number) => {
    for (const [axis, value] of [
      ['X', x],
      ['Y', y],
    ] as const) {
      await page.getByRole('spinbutton', { name: axis, exact: true }).fill(String(value));
      await page.keyboard.press('Enter');
    }
    // Untouched, a field is left for the canvas by Escape.
    await page.keyboard.press('Escape');
    await expect(desk.canvas).toBeFocused();
  };
  await desk.step('Trace');
  await desk.canvas.focus();
  // An arrow with the pen in hand brings the crosshair, in the middle of the picture.
  await keys('p', 'ArrowRight', 'Enter', 'Control+ArrowRight', 'Shift+ArrowDown', 'ArrowLeft', 'Enter');
  await typePlace(1200, 700);
  // Held, it pulls the point's handles, by a typed place as well; let go, the next point can be put down.
  await keys('Control+Enter');
  await typePlace(1300, 700);
  await keys('Enter');
  await typePlace(400, 300);
  await keys('Enter', 'Escape');
  let { layers } = await desk.savedDocument();
  const [p, q, r, s] = layers[0]!.path.points;
  expect(layers[0]!.path.points).toHaveLength(4);
  expect([p!.x, p!.y]).toEqual([960, 540]);
  expect([q!.x, q!.y]).toEqual([1059, 550]);
  expect(r).toMatchObject({ x: 1200, y: 700, kind: 'smooth', out: { x: 100, y: 0 } });
  expect([s!.x, s!.y, s!.kind]).toEqual([400, 300, 'corner']);
  await expect(page.getByRole('status').filter({ hasText: /^X 400, Y 300/ })).toHaveCount(1);

  // With the select tool it chooses points and drags them; what is taken back is as it was.
  await keys('v', 'Enter');
  await keys('Control+Enter', 'Control+ArrowDown', 'Escape');
  await keys('Control+Enter', 'Shift+ArrowDown', 'Shift+ArrowDown', 'Enter');
  ({ layers } = await desk.savedDocument());
  expect(layers[0]!.path.points[3]).toMatchObject({ x: 400, y: 320 });
  await keys('Alt+Enter');
  ({ layers } = await desk.savedDocument());
  expect(layers[0]!.path.points[3]!.kind).toBe('smooth');
  await keys('Control+z', 'Control+z');
  expect((await desk.savedDocument()).layers[0]!.path.points[3]).toMatchObject({ y: 300, kind: 'corner' });

  // Whatever a pointer drags can be dragged: a rectangle from corner to corner.
  await keys('u');
  await page.getByRole('button', { name: /Shape$/ }).click();
  await page.getByRole('option', { name: 'Rectangle' }).click();
  await desk.canvas.focus();
  await keys('Control+Enter', ...Array<string>(4).fill('Control+ArrowRight'));
  await keys('Control+ArrowDown', 'Enter');
  ({ layers } = await desk.savedDocument());
  expect(layers[1]!.path.points.map(({ x, y }) => [x, y])).toEqual(
    expect.arrayContaining([
      [400, 320],
      [800, 320],
      [800, 420],
      [400, 420],
    ]),
  );
  // A pointer that is moved sends it away.
  await desk.click(1500, 900);
  await expect(page.getByText('Crosshair', { exact: true })).toHaveCount(0);
});
