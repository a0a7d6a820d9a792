import { expect, test, type Page } from './test';
import { createCanvas } from '@napi-rs/canvas';
import type { Lettering, Piece, Stroke } from '../src/core/document';
import { addLayers, newStroke, widestOf } from '../src/core/document';
import { lineShape, measurePath, pathBounds } from '../src/core/geometry';
import { keysOf } from '../src/core/timing';
import { ON_NAME, api, openNew, type Desk } from './desk';
import { blank, three } from './pieces';

const whole = (desk: Desk): Promise<Piece> => desk.savedDocument();
const strokes = async (desk: Desk): Promise<Stroke[]> =>
  (await whole(desk)).layers.filter((l): l is Stroke => l.type === 'stroke');
const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' });

test('a word is set, its strokes are found, used, and found again after a change, keeping what a hand did', async ({
  page,
}) => {
  test.setTimeout(60_000);
  const desk = await openNew(page, blank('Word'));
  await desk.setText('Tide');
  await desk.step('Trace');
  await button(page, 'Find the strokes').click();
  await expect(page.getByText(/strokes, \d+ points, in/)).toBeVisible();
  await button(page, 'Apply').click();
  const first = await strokes(desk);
  expect(first.length).toBeGreaterThan(2);
  expect(first.every((s) => s.traced && widestOf(s.ink) > 2)).toBe(true);
  expect((await whole(desk)).layers[0]).toMatchObject({ type: 'lettering', hidden: true });
  // They write on in order, one after another.
  const starts = first.map((s) => keysOf(s.window.head)[0]!.frame);
  expect(starts).toEqual([...starts].sort((a, b) => a - b));

  // A hand moves a point of the first one; then the strokes are found anew.
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: /^1 / }).first().click();
  await desk.canvas.focus();
  await page.keyboard.press('Shift+ArrowUp');
  const before = await strokes(desk);
  const corrected = before[0]!;
  expect(corrected.path).not.toEqual(first[0]!.path);
  await page.getByRole('row', { name: 'Tide', exact: true }).getByRole('rowheader').click(ON_NAME);
  await button(page, 'Find the strokes').click();
  await expect(page.getByText(/match strokes that are there/)).toBeVisible();
  await expect(page.getByText(/1 keep your corrections/)).toBeVisible();
  await button(page, 'Apply').click();
  const again = await strokes(desk);
  expect(again.map((s) => s.id)).toEqual(first.map((s) => s.id));
  expect(again[0]!.path).toEqual(corrected.path);
  expect(again.map((s) => s.window)).toEqual(before.map((s) => s.window));
  // Leaving a trace changes nothing.
  await page.getByRole('row', { name: 'Tide', exact: true }).getByRole('rowheader').click(ON_NAME);
  await button(page, 'Find the strokes').click();
  await button(page, 'Discard').click();
  expect(await strokes(desk)).toEqual(again);
});

test('lettering is edited live: text, face, size; what a face lacks is said', async ({ page }) => {
  const desk = await openNew(page, blank('Live'));
  await desk.setText('Reed');
  const lettering = async () => (await whole(desk)).layers[0] as Lettering;
  const text = page.getByRole('textbox', { name: 'Text', exact: true });
  await text.fill('Reeds ☃');
  await expect(page.getByText(/This face lacks “\u2068☃\u2069”/)).toBeVisible();
  await text.fill('Reeds');
  await expect(page.getByText(/This face lacks/)).toBeHidden();
  expect((await lettering()).set.glyphs).toHaveLength(5);
  await page.getByRole('button', { name: /Face/ }).click();
  const chooser = page.getByRole('dialog', { name: 'Face' });
  await chooser.getByRole('radio', { name: 'Condensed' }).click();
  await expect(chooser.getByRole('button', { name: /^Favourite/ })).toHaveCount(2);
  await chooser.getByRole('row', { name: 'Oswald' }).click();
  await expect(page.getByRole('button', { name: /Weight/ })).toBeVisible();
  const size = page.getByRole('spinbutton', { name: 'Size' });
  await size.fill('200');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await lettering()).setting)
    .toMatchObject({ size: 200, face: { id: 'oswald' } });
  await desk.canvas.focus();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await lettering()).setting.size).not.toBe(200);
});

/** A scan of one thick curve on paper that darkens to the right. */
async function scan(): Promise<Buffer> {
  const canvas = createCanvas(800, 400);
  const c = canvas.getContext('2d');
  const light = c.createLinearGradient(0, 0, 800, 0);
  light.addColorStop(0, '#f6f2e8');
  light.addColorStop(1, '#8d8574');
  c.fillStyle = light;
  c.fillRect(0, 0, 800, 400);
  c.lineWidth = 16;
  c.lineCap = 'round';
  c.strokeStyle = '#1f2440';
  c.beginPath();
  c.moveTo(120, 300);
  c.bezierCurveTo(300, 20, 500, 380, 680, 100);
  c.stroke();
  return canvas.encode('png');
}

test('a picture underneath: fitted, locked, hidden, traced by its ink, never in the picture', async ({
  page,
}) => {
  test.setTimeout(60_000);
  const desk = await openNew(page, blank('Scan'));
  await page.getByRole('radio', { name: 'Underlay', exact: true }).click();
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'signature.png', mimeType: 'image/png', buffer: await scan() });
  await expect(
    page.getByRole('group', { name: 'This underlay' }).or(page.getByText('This underlay')),
    // The first picture waits for the process that takes pictures in to start.
  ).toBeVisible({ timeout: 20_000 });
  let { underlays } = await whole(desk);
  expect(underlays[0]).toMatchObject({ name: 'signature', width: 800, height: 400, scale: 2.4, x: 0, y: 60 });
  const opacity = page.getByRole('spinbutton', { name: 'Opacity' });
  await opacity.fill('30 %');
  await page.keyboard.press('Enter');
  await button(page, 'Lock signature').click();
  await button(page, 'Hide signature').click();
  ({ underlays } = await whole(desk));
  expect(underlays[0]).toMatchObject({ opacity: 0.3, locked: true, hidden: true });
  await button(page, 'Trace it …').click();
  await page.getByRole('radio', { name: 'uneven light' }).click();
  await button(page, 'Find the strokes').click();
  await button(page, 'Apply').click();
  const [stroke, ...more] = await strokes(desk);
  expect(more).toEqual([]);
  // The scan's curve, 2.4 times as large and 60 px down.
  const bounds = pathBounds(stroke!.path)!;
  expect(Math.abs(bounds.left - 120 * 2.4)).toBeLessThan(6);
  expect(Math.abs(bounds.right - 680 * 2.4)).toBeLessThan(6);
  expect(Math.abs(widestOf(stroke!.ink) - 16 * 2.4)).toBeLessThan(3);
  // What is no picture is said, and changes nothing.
  await page.getByRole('radio', { name: 'Underlay', exact: true }).click();
  await desk.canvas.focus();
  await page.keyboard.press('Escape');
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('no') });
  await expect(page.getByText(/neither PNG, JPEG, WebP nor SVG/)).toBeVisible();
  expect((await whole(desk)).underlays).toHaveLength(1);
});

const LOGO = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><circle cx="50" cy="26" r="14" fill="#e95"/>
<path d="M10 50h80" stroke="#2a7" stroke-width="4" stroke-linecap="round"/><script>1</script></svg>`;

test('SVG comes in by picker or paste, as art or as strokes, and says what was left out; art’s edge becomes strokes', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Logo'));
  await page.getByRole('radio', { name: 'Underlay', exact: true }).click();
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'logo.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(LOGO) });
  await expect(page.getByText('Left out: scripts.')).toBeVisible();
  await button(page, 'As art').click();
  expect((await whole(desk)).layers).toMatchObject([{ type: 'art', name: 'logo' }]);
  await page.getByText('Its edge as strokes').click();
  await button(page, 'Follow the edge').click();
  await expect.poll(async () => (await strokes(desk)).length).toBe(2);
  expect((await strokes(desk)).every((s) => s.path.closed)).toBe(true);
  // Pasted as text, its line becomes a stroke at once.
  await desk.canvas.focus();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData('text/plain', text);
    window.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, LOGO);
  await button(page, 'Lines as strokes').click();
  await expect
    .poll(async () => (await strokes(desk)).at(-1)!.ink)
    .toMatchObject({ colour: '#22aa77', cap: 'round' });
});

test('freehand: the simulated tablet writes through the canvas, with pressure and its own time', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Hand'));
  await desk.canvas.focus();
  await page.keyboard.press('f');
  await button(page, 'Three reeds').click();
  await expect(button(page, 'Lift the pen')).toBeVisible();
  await expect(button(page, 'Three reeds')).toBeVisible();
  const [reed] = await strokes(desk);
  expect(reed!.ink.widths!.length).toBeGreaterThan(2);
  // 104 reports over 1.6 s were recorded; the pen's clock counts, however busy the page was.
  expect(Math.abs(reed!.hand!.seconds - 1.56)).toBeLessThan(0.1);
  // And a mouse draws too, corrected as asked: a shaky level line becomes straight.
  await page.getByRole('radio', { name: 'straightened' }).click();
  const a = await desk.at(300, 900);
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  for (let i = 1; i <= 20; i++) await page.mouse.move(a.x + i * 12, a.y + (i % 2));
  await page.mouse.up();
  const line = (await strokes(desk))[1]!.path;
  expect(line.points).toHaveLength(2);
  expect(line.points[0]!.y).toBeCloseTo(line.points[1]!.y, 6);
  // As written: the time and the pace of the hand.
  await desk.step('Time');
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await button(page, /As written by hand/).click();
  const written = (await strokes(desk))[0]!;
  expect(keysOf(written.window.head).map((key) => key.value)).toEqual([0, 1]);
  expect(written.pace).toEqual({ kind: 'written' });
});

test('lines and shapes by dragging, held by Shift, drawn to guides; a border round the safe area', async ({
  page,
}) => {
  const desk = await openNew(page, { ...blank('Shapes'), guides: [{ axis: 'y', at: 200 }] });
  await desk.canvas.focus();
  await page.keyboard.press('u');
  await page.keyboard.down('Shift');
  await desk.drag([300, 500], [900, 530]);
  await page.keyboard.up('Shift');
  // Within 8 px of the guide both ends are drawn to it.
  await desk.drag([300, 206], [905, 207]);
  for (const shape of ['Rectangle', 'Ellipse', 'Star', 'Spiral', 'Loop-the-loop line']) {
    await page.getByRole('button', { name: /Shape/ }).click();
    await page.getByRole('option', { name: shape }).click();
    await desk.drag([1100, 400], [1500, 700]);
  }
  const made = await strokes(desk);
  expect(made.map((s) => s.name)).toEqual([
    'Line 1',
    'Line 2',
    'Rectangle 1',
    'Ellipse 1',
    'Star 1',
    'Spiral 1',
    'Loops 1',
  ]);
  const [held, drawn] = made.map((s) => s.path.points);
  expect(held![1]!.y).toBeCloseTo(held![0]!.y, 6);
  expect(drawn!.map((p) => p.y)).toEqual([200, 200]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Border', exact: true }).click();
  await button(page, 'Add the border').click();
  const border = (await strokes(desk)).at(-1)!;
  expect(border.path.closed).toBe(true);
  // SMPTE ST 2046-1: 90 % of width and height.
  const box = pathBounds(border.path)!;
  expect([box.left, box.right, box.top, box.bottom].map(Math.round)).toEqual([96, 1824, 54, 1026]);
});

test('cleaning up: fewer points with the deviation said, level, split, join, ends that meet', async ({
  page,
}) => {
  const desk = await openNew(page, three('Clean'));
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: 'Level, straighten, space' }).click();
  await page.getByRole('button', { name: /^1 / }).first().click();
  await desk.canvas.focus();
  await page.keyboard.press('Control+a');
  await button(page, 'Level').click();
  expect(new Set((await strokes(desk))[0]!.path.points.map((p) => p.y)).size).toBe(1);
  await page.keyboard.press('Control+z');
  const before = measurePath((await strokes(desk))[0]!.path).length;
  await page.getByRole('button', { name: /^2 / }).first().click();
  await button(page, 'Split here').click();
  expect((await strokes(desk)).map((s) => s.name)).toEqual(['Curve', 'Curve, part 2', 'Bar', 'Triangle']);
  await page.getByRole('button', { name: 'Ends and joins' }).click();
  await button(page, 'Join the two strokes').click();
  const joined = await strokes(desk);
  expect(joined).toHaveLength(3);
  expect(measurePath(joined[0]!.path).length).toBeCloseTo(before, 3);

  await page.getByRole('button', { name: 'Fewer points' }).click();
  const tolerance = page.getByRole('spinbutton', { name: 'Tolerance' });
  await tolerance.fill('60 px');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/points → \d+; the line moves by/)).toBeVisible();
  await button(page, 'Simplify').click();
  expect((await strokes(desk))[0]!.path.points.length).toBeLessThan(3);
});

test('ends that nearly meet are marked and meet on request', async ({ page }) => {
  const piece = addLayers(blank('Ends'), [
    newStroke('a', 'A', lineShape({ x: 300, y: 300 }, { x: 900, y: 300 })),
    newStroke('b', 'B', lineShape({ x: 906, y: 304 }, { x: 1400, y: 800 })),
  ]);
  const desk = await openNew(page, piece);
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: 'Ends and joins' }).click();
  await page.getByText('Mark ends that nearly meet').click();
  await button(page, 'Let 2 ends meet').click();
  await expect(button(page, 'All ends meet')).toBeVisible();
  const [a, b] = await strokes(desk);
  expect(a!.path.points[1]).toMatchObject({ x: 903, y: 302 });
  expect(b!.path.points[0]).toMatchObject({ x: 903, y: 302 });
});

test('writing order: tapped on the canvas, by hand’s rules, names in bulk; starts follow the order', async ({
  page,
}) => {
  const desk = await openNew(page, three('Order'));
  const names = async () => (await strokes(desk)).map((s) => s.name);
  await desk.canvas.focus();
  await page.keyboard.press('n');
  await desk.click(900, 330);
  await desk.click(500, 850);
  expect(await names()).toEqual(['Triangle', 'Bar', 'Curve']);
  await page.keyboard.press('Escape');
  await desk.canvas.focus();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Order of a hand' }).click();
  await button(page, 'Order 3').click();
  const ordered = await names();
  expect(ordered).not.toEqual(['Triangle', 'Bar', 'Curve']);
  await page.getByRole('button', { name: 'Names', exact: true }).click();
  await page.getByLabel('Pattern of the names').fill('Part ##');
  await page.keyboard.press('Enter');
  expect(await names()).toEqual(['Part 01', 'Part 02', 'Part 03']);
});

test('an own font is taken into the project, and what is none is refused in words', async ({ page }) => {
  const desk = await openNew(page, blank('Font'));
  await desk.setText('Weir');
  await page
    .getByLabel('Font file')
    .setInputFiles('node_modules/@expo-google-fonts/lora/400Regular/Lora_400Regular.ttf');
  await expect
    .poll(async () => ((await whole(desk)).layers[0] as Lettering).setting.face.id)
    .toMatch(/^own:/);
  const { faces } = await api<{ faces: { kind: string; name: string }[] }>(
    page,
    'GET',
    `/api/projects/${desk.projectId}/faces`,
  );
  expect(faces.filter((f) => f.kind === 'own').map((f) => f.name)).toEqual(['Lora']);
  await page
    .getByLabel('Font file')
    .setInputFiles({ name: 'x.ttf', mimeType: 'font/ttf', buffer: Buffer.from('no font') });
  await expect(page.getByText(/This font can’t be used/)).toBeVisible();
});
