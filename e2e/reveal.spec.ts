import { createCanvas } from '@napi-rs/canvas';
import { expect, test, type Page } from './test';
import { letterOutlines, membersOf, strokesOf, type Lettering, type Piece } from '../src/core/document';
import { commandsBounds, pathBounds } from '../src/core/geometry';
import { keysOf } from '../src/core/timing';
import { TRACE_OPTIONS, withSelfWriting } from '../src/core/trace';
import { ON_NAME, openNew, type Desk } from './desk';
import { blank, three } from './pieces';

const whole = (desk: Desk): Promise<Piece> => desk.savedDocument();
const step = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).click();

test('lettering writes itself in one press, wholly uncovered; its text changed, letters that stay keep their timing', async ({
  page,
}) => {
  // Three words are traced and fitted, each within seconds of its own.
  test.setTimeout(60_000);
  const desk = await openNew(page, blank('Writes'));
  await desk.setText('Tide');
  const unwritten = await whole(desk);
  await step(page, 'Reveal');
  await desk.letWrite();
  await expect(page.locator('[data-covered]')).toHaveText('100 %');
  await expect(page.locator('[data-bare]')).toHaveText('0');
  const first = await whole(desk);
  const lettering = first.layers.find((l) => l.type === 'lettering') as Lettering;
  expect(lettering).toMatchObject({ hidden: false, reveal: { confined: true } });
  const hand = membersOf(first, lettering.reveal!.through[0]!);
  expect(hand.length).toBe(strokesOf(first).length);
  expect(strokesOf(first).every((s) => s.traced?.from === lettering.id && s.pace?.kind === 'hand')).toBe(
    true,
  );

  // The page's worker and a server's canvas come to the same strokes.
  let made = 0;
  const onServer = withSelfWriting(unwritten, lettering.id, {
    make: createCanvas,
    newId: () => `s${made++}`,
    options: TRACE_OPTIONS,
  });
  // But for the last digits, in which two engines' sines may differ.
  const rounded = (_: string, value: unknown): unknown =>
    typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value;
  const facts = (piece: Piece) =>
    JSON.stringify(
      strokesOf(piece).map(({ name, path, ink, window, pace }) => ({ name, path, ink, window, pace })),
      rounded,
    );
  expect(facts(onServer)).toEqual(facts(first));

  // A stroke of the first letter is timed by hand, then the word grows.
  const [early] = strokesOf(first);
  const frames = (piece: Piece) =>
    keysOf(strokesOf(piece).find((s) => s.id === early!.id)!.window.head).map((key) => key.frame);
  const row = page.getByRole('row', { name: new RegExp(`^1 ${early!.name}`) });
  await row.locator('[data-key="head-1"]').click();
  await page.keyboard.press('Shift+ArrowRight');
  const timed = frames(await whole(desk));
  await page.getByRole('row', { name: 'Tide', exact: true }).getByRole('rowheader').click(ON_NAME);
  await step(page, 'Trace');
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('Tides');
  await expect.poll(async () => strokesOf(await whole(desk)).length).toBeGreaterThan(strokesOf(first).length);
  const grown = await whole(desk);
  expect(frames(grown)).toEqual(timed);
  expect(strokesOf(grown).every((s) => keysOf(s.window.head).length > 0 && s.group === early!.group)).toBe(
    true,
  );
  await step(page, 'Reveal');
  await expect(page.locator('[data-bare]')).toHaveText('0');
});

test('anything is seen through others: by shape or brightness, inverted, soft; a circle is refused in words', async ({
  page,
}) => {
  const desk = await openNew(page, three('Through'));
  const pixels = () =>
    page.locator('[data-picture]').evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  await desk.showFrame(50);
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await step(page, 'Reveal');
  const plain = await pixels();
  await page.getByRole('button', { name: /Layer or group as matte/ }).click();
  await page.getByRole('option', { name: 'Triangle' }).click();
  await page.getByRole('button', { name: 'Use as matte' }).click();
  await expect.poll(pixels).not.toBe(plain);
  const through = await pixels();
  await page.getByText('Inverted').click();
  await expect.poll(pixels).not.toBe(through);
  await page.getByRole('radio', { name: 'luminance' }).click();
  await page.getByRole('spinbutton', { name: 'Feather' }).fill('24 px');
  await page.keyboard.press('Enter');
  expect((await whole(desk)).layers[0]!.reveal).toEqual({
    through: ['triangle'],
    by: 'brightness',
    inverted: true,
    feather: 24,
    shown: false,
    confined: false,
  });
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await expect(page.getByText('Uncovers “Curve”')).toBeVisible();
  await page.getByRole('button', { name: /Layer or group as matte/ }).click();
  await page.getByRole('option', { name: 'Curve' }).click();
  await page.getByRole('button', { name: 'Use as matte' }).click();
  await expect(page.getByText('none of them would ever show')).toBeVisible();
  // What it is seen through goes: it is seen as it is, and that is said.
  await desk.canvas.focus();
  await page.keyboard.press('Delete');
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await expect(page.getByText('Its matte is gone')).toBeVisible();
  await page.getByRole('button', { name: 'Remove the matte' }).click();
  expect((await whole(desk)).layers[0]).not.toHaveProperty('reveal');
});

test('bare spots are found, named, and mended by one press that can be undone', async ({ page }) => {
  const desk = await openNew(page, blank('Spots'));
  await desk.setText('Ebb');
  await step(page, 'Reveal');
  await desk.letWrite();
  await expect(page.locator('[data-bare]')).toHaveText('0');
  // All strokes are made too thin by hand.
  await page.getByRole('button', { name: 'Ebb, hand', exact: true }).click();
  await step(page, 'Ink');
  await page.getByRole('spinbutton', { name: 'Width', exact: true }).fill('3 px');
  await page.keyboard.press('Enter');
  await step(page, 'Reveal');
  await expect(page.locator('[data-bare]')).not.toHaveText('0');
  await expect(page.getByRole('list', { name: 'Bare spots' }).getByRole('listitem').first()).toContainText(
    'px² bare',
  );
  const thin = await whole(desk);
  await page.getByRole('button', { name: 'Fit the strokes to it' }).click();
  await expect(page.locator('[data-bare]')).toHaveText('0');
  await page.keyboard.press('Control+z');
  expect((await whole(desk)).layers).toEqual(thin.layers);
});

test('letters that touch each have strokes of their own, in the order in which they are written', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Touching'));
  await desk.setText('KAYAK');
  await step(page, 'Reveal');
  await desk.letWrite();
  await expect(page.locator('[data-bare]')).toHaveText('0');
  const { layers } = await whole(desk);
  const glyphs = layers.flatMap((layer) => (layer.type === 'stroke' ? [layer.traced!.glyph] : []));
  expect([...new Set(glyphs)]).toEqual([0, 1, 2, 3, 4]);
  expect(glyphs).toEqual([...glyphs].sort());
  const names = layers.flatMap((layer) => (layer.type === 'stroke' ? [layer.name[0]] : []));
  expect([...new Set(names)]).toEqual(['K', 'A', 'Y']);
});

test('letter by letter: taken on the canvas, kerned, moved, turned, coloured; its strokes follow, and it goes with its text', async ({
  page,
}) => {
  test.setTimeout(60_000);
  const desk = await openNew(page, blank('Letters'));
  await desk.setText('Tide');
  await step(page, 'Reveal');
  await desk.letWrite();
  await expect(page.locator('[data-covered]')).toHaveText('100 %');
  await step(page, 'Trace');
  const word = (piece: Piece) => piece.layers.find((l) => l.type === 'lettering') as Lettering;
  const before = await whole(desk);
  const boxes = letterOutlines(word(before)).map((outline) => commandsBounds(outline)!);
  const middle = (i: number): [number, number] => [
    (boxes[i]!.left + boxes[i]!.right) / 2,
    (boxes[i]!.top + boxes[i]!.bottom) / 2,
  ];
  await page.getByRole('row', { name: 'Tide', exact: true }).getByRole('rowheader').click(ON_NAME);
  // A double press takes a letter in hand; dragged by its middle it goes by itself.
  const p = await desk.at(...middle(2));
  await page.mouse.dblclick(p.x, p.y);
  await expect(page.getByRole('button', { name: 'd, letter 3' })).toHaveAttribute('aria-pressed', 'true');
  const [x, y] = middle(2);
  await desk.drag([x, y], [x + 60, y - 80]);
  const letters = async () => word(await whole(desk)).setting.letters ?? [];
  const moves = async () =>
    (await letters()).map(({ at, x: dx, y: dy }) => [at, Math.round(dx! / 5), Math.round(dy! / 5)]);
  await expect.poll(moves).toEqual([[2, 12, -16]]);
  await page.keyboard.press('Control+z');
  await expect.poll(letters).toEqual([]);
  await page.keyboard.press('Control+Shift+z');
  // The strokes of that letter, and no others, go along.
  const strokesAt = (piece: Piece, glyph: number) =>
    strokesOf(piece)
      .filter((s) => s.traced?.glyph === glyph)
      .map((s) => pathBounds(s.path)!.top);
  await expect
    .poll(async () => strokesAt(await whole(desk), 2)[0]! - strokesAt(before, 2)[0]!)
    .toBeCloseTo(-80, -1);
  const moved = await whole(desk);
  expect(strokesAt(moved, 0)[0]).toBeCloseTo(strokesAt(before, 0)[0]!, 0);

  // In numbers, for two at once; then what differs is shown as such.
  await page.getByRole('button', { name: 'T, letter 1' }).click({ modifiers: ['Shift'] });
  await expect(page.getByRole('spinbutton', { name: 'X', exact: true }).first()).toHaveAttribute(
    'placeholder',
    'differs',
  );
  await page.getByRole('spinbutton', { name: 'Rotation' }).fill('15°');
  await page.keyboard.press('Enter');
  await page.getByRole('spinbutton', { name: 'Kerning' }).fill('100');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await letters()).map(({ at, kern }) => [at, kern]))
    .toEqual([
      [0, 100],
      [2, 100],
    ]);
  expect((await letters())[0]!.rotation).toBeCloseTo(Math.PI / 12, 6);
  const kerned = word(await whole(desk)).set.glyphs;
  expect(kerned[1]!.x - kerned[0]!.x).toBeGreaterThan(
    word(before).set.glyphs[1]!.x - word(before).set.glyphs[0]!.x,
  );
  // Letters go with their text.
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('High Tide');
  await expect.poll(async () => (await letters()).map(({ at }) => at)).toEqual([5, 7]);
});
