import { expect, test, type Page } from './test';
import { addNested, groupLayers, strokesOf, type Piece } from '../src/core/document';
import { keysOf, valueAt, type Animated } from '../src/core/timing';
import { ON_NAME, api, choose, openNew, type, type Desk } from './desk';
import { blank, three } from './pieces';

const whole = (desk: Desk): Promise<Piece> => desk.savedDocument();
const step = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).click();
const head = (page: Page, name: string | RegExp) => page.getByRole('row', { name }).getByRole('rowheader');
const now = (value: Animated, frame = 0): number => valueAt(value, frame);

test('a group is moved, turned and scaled by hand and by number, keyed, and laid back; its lanes show the keys', async ({
  page,
}) => {
  const start = groupLayers(three('Placed'), ['bar', 'triangle'], { id: 'pair', name: 'Pair' });
  const desk = await openNew(page, start);
  await step(page, 'Place');
  await head(page, 'Group Pair').click(ON_NAME);
  // Dragged by what is in it, the group moves: not the strokes it holds.
  await desk.drag([600, 850], [700, 900]);
  const moved = await whole(desk);
  const place = moved.groups[0]!.place!;
  expect(Math.round(now(place.x))).toBe(100);
  expect(Math.round(now(place.y))).toBe(50);
  expect(strokesOf(moved).map((s) => s.path)).toEqual(strokesOf(start).map((s) => s.path));
  // The box of both is 400..1400 by 200..850; its corner scales about the middle.
  const [cx, cy] = [now(place.pivotX) + 100, now(place.pivotY) + 50];
  await desk.drag([1500, 900], [cx + (1500 - cx) * 0.5, cy + (900 - cy) * 0.5]);
  const half = (await whole(desk)).groups[0]!.place!;
  expect(now(half.scaleX)).toBeCloseTo(0.5, 1);
  expect(now(half.scaleY)).toBeCloseTo(now(half.scaleX), 5);
  await type(page.getByLabel('Rotation', { exact: true }), '30');
  expect(now((await whole(desk)).groups[0]!.place!.rotation)).toBeCloseTo(Math.PI / 6, 6);
  // Keyed at two frames, in lanes of the group's own.
  await page.getByRole('button', { name: 'Opacity: key it at this frame' }).click();
  await desk.showFrame(40);
  await type(page.getByLabel('Opacity', { exact: true }), '20');
  expect(keysOf((await whole(desk)).groups[0]!.place!.opacity).map((key) => [key.frame, key.value])).toEqual([
    [0, 1],
    [40, 0.2],
  ]);
  await page.getByRole('button', { name: 'Everything keyed in the group Pair' }).click();
  await expect(page.getByRole('row', { name: 'Pair, opacity' })).toBeVisible();
  await page.getByRole('button', { name: 'Reset' }).click();
  expect((await whole(desk)).groups[0]!.place).toBeUndefined();
  await desk.undoAll();
  expect(await whole(desk)).toEqual(start);
});

test('a layer is carried by a pin, blended and put into a group within a group; a circle is refused in words', async ({
  page,
}) => {
  const desk = await openNew(page, three('Carried'));
  await step(page, 'Place');
  await head(page, /Curve/).click(ON_NAME);
  await page.getByRole('button', { name: 'Pins' }).click();
  await page.getByRole('button', { name: 'Set a pin' }).click();
  await choose(page, /Parent/, 'Pin 1 (pin)');
  await choose(page, /Blend/, 'multiply');
  // The pin stands in the middle of the picture, and what it carries comes along with it.
  await page.getByRole('button', { name: 'Pin, position X: key it at this frame' }).click();
  await desk.showFrame(30);
  await desk.drag([960, 540], [1160, 500]);
  const piece = await whole(desk);
  expect(piece.pins[0]!.x).toMatchObject({ keys: [{ frame: 0, value: 960 }, { frame: 30 }] });
  expect(now(piece.pins[0]!.x, 30)).toBeCloseTo(1160, 0);
  expect(piece.layers[0]).toMatchObject({ blend: 'multiply', place: { parent: { to: piece.pins[0]!.id } } });
  await head(page, /Bar/).click(ON_NAME);
  await choose(page, /Parent/, 'Curve');
  await head(page, /Curve/).click(ON_NAME);
  // What it carries itself is not offered to carry it.
  await page.getByRole('button', { name: /Parent/ }).click();
  await expect(page.getByRole('option', { name: 'Triangle', exact: true })).toBeVisible();
  await expect(page.getByRole('option', { name: 'Bar', exact: true })).toHaveCount(0);
  await page.keyboard.press('Escape');
  // Two layers in a group, the third beside it in a group around both.
  await head(page, /Curve/).click(ON_NAME);
  await head(page, /Bar/).click({ ...ON_NAME, modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'Group', exact: true }).click();
  await head(page, /Triangle/).click({ ...ON_NAME, modifiers: ['Control'] });
  await page.getByRole('button', { name: 'Group', exact: true }).click();
  const { groups } = await whole(desk);
  expect(groups.map((group) => group.group ?? null).sort()).toEqual([groups[1]!.id, null].sort());
  await expect(page.getByRole('row', { name: /Curve/ })).toHaveAttribute('aria-level', '3');
});

test('masks: a clock wipe keyed, a hold-out drawn with the pen whose shape is keyed and dragged', async ({
  page,
}) => {
  const desk = await openNew(page, three('Masks'));
  await step(page, 'Reveal');
  await head(page, /Curve/).click(ON_NAME);
  await page.getByRole('button', { name: 'Masks' }).click();
  await choose(page, /Add a mask/, 'wipe like a clock');
  await page.getByRole('button', { name: 'How far: key it at this frame' }).click();
  await desk.showFrame(30);
  await type(page.getByLabel('Mask 1, how far', { exact: true }), '100');
  const wipe = (await whole(desk)).layers[0]!.masks![0]!;
  expect(wipe.shape).toMatchObject({
    kind: 'clock wipe',
    share: {
      keys: [
        { frame: 0, value: 0.5 },
        { frame: 30, value: 1 },
      ],
    },
  });
  // The closed triangle becomes what stands in front of the bar.
  await head(page, /Bar/).click(ON_NAME);
  await choose(page, /Add a mask/, 'hold-out: a drawn shape in front');
  // It is asked for, and shown, which closed stroke is its shape.
  await expect(page.getByRole('button', { name: /Closed stroke that is its shape/ })).toContainText(
    'Triangle',
  );
  await page.getByRole('button', { name: 'Use “Triangle”' }).click();
  await page.getByRole('button', { name: /Path: key it/ }).click();
  await desk.showFrame(60);
  await desk.drag([900, 330], [900, 430]);
  const held = (await whole(desk)).layers[1]!.masks![0]!;
  expect(held).toMatchObject({ name: 'hold-out: Triangle', how: 'subtract', stands: 'picture' });
  if (held.shape.kind !== 'path' || !('keys' in held.shape.path)) throw new Error('the shape is not keyed');
  expect(held.shape.path.keys.map((key) => key.frame)).toEqual([30, 60]);
  expect(held.shape.path.keys[1]!.value.points[2]!.y).toBeCloseTo(430, 0);
  await page.getByRole('button', { name: 'Remove mask 1' }).click();
  expect((await whole(desk)).layers[1]!.masks).toBeUndefined();
});

test('another piece of the project is shown within this one, moved as one thing, and taken anew when it changed', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Outer'));
  const inner = { ...three('Inner'), size: { width: 960, height: 540 } };
  const made = await api<{ id: string; revision: number }>(
    page,
    'POST',
    `/api/projects/${desk.projectId}/pieces`,
    { document: inner },
  );
  await desk.open();
  await step(page, 'Set up');
  await page.getByRole('button', { name: 'A piece within this one' }).click();
  await choose(page, /Piece to show within/, 'Inner');
  // It is fetched first.
  await expect(page.getByRole('row', { name: 'Inner', exact: true })).toBeVisible();
  const nested = (await whole(desk)).layers[0]!;
  expect(nested).toMatchObject({ type: 'piece', from: { piece: made.id, revision: 1 }, start: 0 });
  const changed = { ...inner, name: 'Inner, longer', length: 200 };
  await api(page, 'PUT', `/api/pieces/${made.id}`, { baseRevision: 1, session: 'other', document: changed });
  await page.getByRole('button', { name: 'Update' }).click();
  await expect
    .poll(async () => (await whole(desk)).layers[0])
    .toMatchObject({ from: { revision: 2 }, content: { length: 200 } });
  await step(page, 'Place');
  await desk.drag([960, 540], [1060, 540]);
  const place = (await whole(desk)).layers[0]!.place!;
  expect(now(place.x)).toBeCloseTo(960 - 480 + 100, 0);
  // A piece is never put into itself, by whatever way.
  const holding = addNested(changed, 'n', blank('Outer'), { piece: desk.pieceId, revision: 1 }, 0);
  await api(page, 'PUT', `/api/pieces/${made.id}`, { baseRevision: 2, session: 'other', document: holding });
  await step(page, 'Set up');
  await choose(page, /Piece to show within/, 'Inner, longer');
  await expect(page.getByText('can’t be shown within itself')).toBeVisible();
});

test('a stroke runs between two things, follows them when they move, and stays when it is let go', async ({
  page,
}) => {
  const desk = await openNew(page, three('Between'));
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('radio', { name: 'Place', exact: true }).click();
  await page.getByRole('button', { name: /^Between two things/ }).click();
  const between = page.getByRole('group', { name: 'Between two things' });
  await choose(page, /From$/, 'Curve');
  await choose(page, /To$/, 'Triangle');
  const bar = async () => (await desk.savedDocument()).layers[1]!;
  const tied = await bar();
  expect(tied.between).toMatchObject({ from: 'curve', to: 'triangle' });
  const end = tied.path.points.at(-1)!;
  await type(between.getByRole('spinbutton', { name: /arch$/i }), '160 px');
  // The triangle stands over the curve: an arch leans to the side.
  expect(Math.abs((await bar()).path.points[0]!.out.x)).toBeGreaterThan(150);
  // The triangle moves by 200 px, and the line's end with it.
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await type(page.getByRole('spinbutton', { name: 'Position X' }), '200 px');
  const moved = (await bar()).path.points.at(-1)!;
  expect(moved.x - end.x).toBeGreaterThan(100);
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await between.getByRole('button', { name: 'Detach' }).click();
  expect(await bar()).not.toHaveProperty('between');
});
