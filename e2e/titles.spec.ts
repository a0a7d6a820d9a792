import { expect, test, type Page } from './test';
import { boxOf, readPiece, strokesOf, type Lettering, type Piece } from '../src/core/document';
import { pathBounds } from '../src/core/geometry';
import { layerBounds, variedAt } from '../src/core/scene';
import { keysOf } from '../src/core/timing';
import { ON_NAME, choose, openNew, type, type Desk } from './desk';
import { blank, sampleText } from './pieces';

const whole = (desk: Desk): Promise<Piece> => desk.savedDocument();
const step = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).click();
const texts = (piece: Piece): Lettering[] =>
  piece.layers.filter((l): l is Lettering => l.type === 'lettering');

test('a layout is put in, its fields filled, its lines keep to the text; kept as an own one it can be put in again', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Strip'));
  await step(page, 'Set up');
  // An empty piece offers the layouts at once.
  const strip = page.locator('aside [data-layout]', { hasText: 'Boxed name strip' });
  await strip.click();
  await expect(page.getByRole('row', { name: 'Group Boxed name strip' })).toBeVisible();
  const before = await whole(desk);
  expect(before).toMatchObject({ length: 125, hold: { from: 48, to: 92 } });
  expect(before.fields.map((field) => field.name)).toEqual(['Name', 'What they do', 'Box', 'Text']);
  const nameOf = (piece: Piece) => texts(piece).find((text) => piece.fields[0]!.of.includes(text.id))!;
  const boxed = (piece: Piece) => {
    const slices = strokesOf(piece).filter((stroke) => stroke.fitted?.as === 'slice');
    const [first, last] = [pathBounds(slices[0]!.path)!, pathBounds(slices.at(-1)!.path)!];
    return {
      left: first.left - (slices[0]!.ink.width as number) / 2,
      right: last.right + (slices.at(-1)!.ink.width as number) / 2,
    };
  };
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('ODA');
  await expect.poll(async () => nameOf(await whole(desk)).setting.text).toBe('ODA');
  const short = await whole(desk);
  const text = boxOf(short, nameOf(short).id)!;
  expect(boxed(short).left).toBeCloseTo(text.left - 34, 1);
  expect(boxed(short).right).toBeCloseTo(text.right + 34, 1);
  // Five hundred letters are set smaller, and stay within their room.
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('ODA '.repeat(125).trim());
  await expect.poll(async () => nameOf(await whole(desk)).set.fitted?.size ?? 92).toBeLessThan(30);
  const long = await whole(desk);
  const wide = boxOf(long, nameOf(long).id)!;
  expect(wide.right - wide.left).toBeLessThan(1410);
  // An empty text is told; everything else stays.
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('');
  await expect.poll(async () => nameOf(await whole(desk)).set.glyphs.length).toBe(0);
  expect(readPiece(await whole(desk)).ok).toBe(true);
  await expect(page.getByRole('button', { name: /^Proof/ })).toContainText(/\d/);
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('JORUN');
  await page.getByRole('button', { name: 'Save the selection as a layout' }).click();
  // Its name is asked for at once; it can be given another, and a picture.
  const kept = page.getByRole('list', { name: 'Own layouts' });
  await expect(kept.getByRole('textbox', { name: 'Name of Strip' })).toBeFocused();
  await page.keyboard.type('Evening strip');
  await page.keyboard.press('Enter');
  const own = kept.getByRole('button', { name: 'Evening strip', exact: true });
  await expect(own).toBeFocused();
  const picture = () => own.locator('canvas').evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  const before1 = await picture();
  await desk.showFrame(4);
  await kept.getByRole('button', { name: 'More about Evening strip' }).click();
  await page.getByRole('menuitem', { name: 'Picture from the frame shown' }).click();
  await expect.poll(picture).not.toBe(before1);
  await own.click();
  await expect.poll(async () => (await whole(desk)).layers.length).toBe(14);
  // A longer piece, made so by its hold: coming and leaving keep their frames.
  const last = (piece: Piece) =>
    Math.max(...strokesOf(piece).flatMap((s) => keysOf(s.window.tail).map((key) => key.frame)));
  const held = await whole(desk);
  await page.getByRole('radio', { name: 'hold grows' }).click();
  await type(page.getByLabel('Length', { exact: true }), '200');
  const longer = await whole(desk);
  expect(longer.length).toBe(200);
  expect(last(longer) - last(held)).toBe(75);
  expect(keysOf(strokesOf(longer)[0]!.window.head)[1]!.frame).toBe(
    keysOf(strokesOf(held)[0]!.window.head)[1]!.frame,
  );
});

test('text slides out of a line by words, is underlined and boxed; what is drawn round it is fitted and timed', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Words'));
  await desk.setText('Spring tide');
  await step(page, 'Reveal');
  await desk.showFrame(5);
  await page.getByRole('button', { name: 'Come and go' }).click();
  await page.getByRole('button', { name: 'Out of a line' }).click();
  await page.getByRole('radio', { name: 'word', exact: true }).click();
  await choose(page, /Slides$|^Slides/, 'down out of a line');
  const [text] = texts(await whole(desk));
  expect(text!.arrival).toMatchObject({ by: 'word', from: 'above' });
  expect(keysOf(text!.arrival!.shown).map((key) => [key.frame, key.value])).toEqual([
    [5, 0],
    [19, 1],
    [80, 1],
    [92, 0],
  ]);
  // Its lane is where its keys are: one is moved with the keyboard.
  await page
    .getByRole('slider', { name: /Spring tide, there key/ })
    .first()
    .click();
  await page.keyboard.press('ArrowRight');
  expect(keysOf(texts(await whole(desk))[0]!.arrival!.shown)[0]!.frame).toBe(6);
  await page.getByRole('row', { name: 'Spring tide', exact: true }).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: 'Rule, border or box' }).click();
  await page.getByRole('radio', { name: 'middle', exact: true }).click();
  await page.getByRole('button', { name: 'Underline' }).click();
  const lined = await whole(desk);
  const box = boxOf(lined, text!.id)!;
  const rule = pathBounds(strokesOf(lined)[0]!.path)!;
  expect([rule.left, rule.right]).toEqual([box.left, box.right]);
  await page.getByRole('row', { name: 'Spring tide', exact: true }).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: 'Rule, border or box' }).click();
  await page.getByRole('button', { name: 'Box, knocked out' }).click();
  const boxed = await whole(desk);
  expect(strokesOf(boxed)).toHaveLength(5);
  expect(texts(boxed)[0]).toMatchObject({ blend: 'xor' });
  // One text to edit, and all of it follows.
  await page.getByRole('row', { name: 'Spring tide', exact: true }).getByRole('rowheader').click(ON_NAME);
  await step(page, 'Trace');
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('Ebb');
  await expect
    .poll(async () => {
      const piece = await whole(desk);
      const now = boxOf(piece, text!.id)!;
      const under = pathBounds(strokesOf(piece).find((s) => s.fitted?.as === 'under')!.path)!;
      return texts(piece)[0]!.setting.text === 'Ebb' && Math.abs(under.right - now.right) < 0.01;
    })
    .toBe(true);
  expect((await whole(desk)).layers).toHaveLength(6);
});

test('the proof lists what a viewer would stumble over, goes to its place and frame, and mends it in one step', async ({
  page,
}) => {
  const desk = await openNew(page, { ...blank('Proof'), over: '#000000' });
  await desk.setText('Six words that want some time');
  await type(page.getByLabel('X', { exact: true }), '400');
  await page.getByRole('button', { name: /^Colour: #/ }).click();
  await type(page.getByRole('textbox', { name: 'Hex' }), '#333333');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Proof/ }).click();
  const list = page.getByRole('list', { name: 'Findings' });
  await expect(list.locator('[data-kind="safe area"]')).toHaveCount(1);
  await expect(list.locator('[data-kind="contrast"]')).toContainText('3 : 1');
  await list.locator('[data-kind="contrast"]').getByRole('button').first().click();
  await expect(list.locator('[data-kind="contrast"]')).toHaveAttribute('data-chosen', 'true');
  await list.getByRole('button', { name: 'Make it white' }).click();
  await expect(list.locator('[data-kind="contrast"]')).toHaveCount(0);
  await list.getByRole('button', { name: 'Move it in' }).click();
  await expect(page.getByText('Nothing to mend was found.')).toBeVisible();
  const [text] = texts(await whole(desk));
  expect(text!.colour).toBe('#ffffff');
  // Each mend is one step back.
  await page.keyboard.press('Control+z');
  await expect(list.locator('[data-kind="safe area"]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Close the proof' }).click();
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toBeVisible();
});

test('a number goes with the ring beside it; an accent waits for the nearest stroke of a whole word', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Tied'));
  await step(page, 'Set up');
  await page.locator('aside [data-layout]', { hasText: 'Ring with a number' }).click();
  const ring = page.getByRole('row', { name: /^\d Ring$/ });
  await ring.getByRole('rowheader').click(ON_NAME);
  const count = async () => texts(await whole(desk)).find((one) => one.count)!.count!;
  expect((await count()).follows).toMatchObject({ none: 0, all: 100 });
  // The ring is filled less: the number counts to less, and says so where it is changed by itself.
  await ring.locator('[data-key="head-1"]').focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown');
  expect(keysOf((await count()).value).at(-1)!.value).toBe(52);
  await page
    .getByRole('row', { name: /^Number|^#/ })
    .getByRole('rowheader')
    .click(ON_NAME);
  await step(page, 'Trace');
  await choose(page, /Stroke the number goes with/, 'its own keys');
  expect(await count()).not.toHaveProperty('follows');
  await choose(page, /Stroke the number goes with/, 'Ring');
  await type(page.getByRole('spinbutton', { name: 'At the full path' }), '200');
  expect(keysOf((await count()).value).at(-1)!.value).toBe(104);

  await ring.getByRole('rowheader').click(ON_NAME);
  await step(page, 'Time');
  await page.getByRole('button', { name: /^Cue none/ }).click();
  await choose(page, /Stroke or group to wait for/, 'Ring with a number (nearest stroke)');
  await page.getByRole('button', { name: 'Cue to it' }).click();
  const strokes = strokesOf(await whole(desk));
  const cue = strokes.find(({ name }) => name === 'Ring')!.cue!;
  expect(strokes.find(({ id }) => id === cue.to)!.name).toBe('Bed of the ring');
});

test('the weight of a variable face is keyed where the text stands; without keys it stands still again, as heavy', async ({
  page,
}) => {
  const piece = sampleText('Heavier');
  const face = { id: 'instrument-sans', weight: 400 };
  const desk = await openNew(page, {
    ...piece,
    layers: piece.layers.map((layer) =>
      layer.type === 'lettering' ? { ...layer, setting: { ...layer.setting, face } } : layer,
    ),
  });
  const text = async () => texts(await whole(desk))[0]!;
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await step(page, 'Trace');
  await page.getByRole('button', { name: 'Weight: key it at this frame' }).click();
  await expect(page.getByRole('button', { name: 'Weight: take away the key at this frame' })).toBeVisible();
  await desk.showFrame(20);
  await type(page.getByRole('spinbutton', { name: 'Weight', exact: true }), '700');
  const keyed = await text();
  expect(keysOf(keyed.axes!['wght']!).map(({ frame, value }) => [frame, value])).toEqual([
    [0, 400],
    [20, 700],
  ]);
  const width = (frame: number) => {
    const { left, right } = layerBounds(variedAt(keyed, frame))!;
    return right - left;
  };
  expect(width(20)).toBeGreaterThan(width(0) + 10);
  expect(width(10)).toBeCloseTo((width(0) + width(20)) / 2, 0);
  // Strokes are found in a text that stands still.
  await expect(page.getByRole('button', { name: 'Let it write itself' })).toBeDisabled();
  // Its keys are keys like any: they have a lane, and go with Delete.
  await page.getByRole('button', { name: 'Weight: take away the key at this frame' }).click();
  await desk.showFrame(0);
  await page.getByRole('button', { name: 'Weight: take away the key at this frame' }).click();
  await expect(page.getByRole('button', { name: 'Let it write itself' })).toBeEnabled();
  const still = await text();
  expect(still).not.toHaveProperty('axes');
  expect(still.setting.face.weight).toBe(400);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Let it write itself' })).toBeDisabled();
  expect(await text()).toMatchObject({ set: { along: { axes: [{ tag: 'wght' }] } } });
});
