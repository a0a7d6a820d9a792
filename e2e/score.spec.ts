import { expect, test } from './test';
import { addLayers, newStroke } from '../src/core/document';
import { lineShape } from '../src/core/geometry';
import { valueAt, type Animated } from '../src/core/timing';
import { ON_NAME, openNew } from './desk';
import { blank, three } from './pieces';

const frames = (animated: Animated) =>
  typeof animated === 'number' ? [] : animated.keys.map((key) => key.frame);

test('keys are dragged, nudged and deleted in the lane; the bar moves them all; each is one step', async ({
  page,
}) => {
  const desk = await openNew(page, three('Keys'));
  const first = await desk.document();
  const box = (await desk.lane(0).locator('[data-key="head-1"]').boundingBox())!;
  const ruler = (await page.locator('[data-ruler]').boundingBox())!;
  const pixelsPerFrame = (ruler.width - 28) / 99;
  const x = box.x + box.width / 2;
  await page.mouse.move(x, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(x + 5 * pixelsPerFrame, box.y + 6);
  await page.mouse.move(x + 10 * pixelsPerFrame, box.y + 6);
  await page.mouse.up();
  expect(frames((await desk.savedDocument()).layers[0]!.window.head)).toEqual([10, 40]);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('ArrowDown');
  const { head } = (await desk.savedDocument()).layers[0]!.window;
  expect(head).toMatchObject({ keys: [{ frame: 10 }, { frame: 29, value: 0.99 }] });

  const bar = (await desk.lane(1).locator('[data-bar]').boundingBox())!;
  await page.mouse.move(bar.x + bar.width / 2, bar.y + 13);
  await page.mouse.down();
  await page.mouse.move(bar.x + bar.width / 2 + 4 * pixelsPerFrame, bar.y + 13);
  await page.mouse.move(bar.x + bar.width / 2 + 8 * pixelsPerFrame, bar.y + 13);
  await page.mouse.up();
  const moved = (await desk.savedDocument()).layers[1]!.window;
  expect([frames(moved.head), frames(moved.tail)]).toEqual([
    [18, 38],
    [78, 98],
  ]);
  await desk.undoAll();
  expect(await desk.savedDocument()).toEqual(first);

  await desk.lane(0).locator('[data-key="tail-0"]').click();
  await page.keyboard.press('Delete');
  expect(frames((await desk.savedDocument()).layers[0]!.window.tail)).toEqual([90]);
});

test('a box takes keys of several lanes; they move together', async ({ page }) => {
  const desk = await openNew(page, three('Box'));
  const top = (await desk.lane(0).boundingBox())!;
  const from = (await desk.lane(0).locator('[data-key="head-0"]').boundingBox())!;
  const to = (await desk.lane(1).locator('[data-key="head-1"]').boundingBox())!;
  await page.mouse.move(from.x - 20, top.y + 1);
  await page.mouse.down();
  await page.mouse.move(to.x, top.y + 30);
  await page.mouse.move(to.x + 24, top.y + 53);
  await page.mouse.up();
  await page.keyboard.press('ArrowRight');
  const { layers } = await desk.savedDocument();
  expect(layers.slice(0, 2).map((l) => [frames(l.window.head), frames(l.window.tail)])).toEqual([
    [
      [11, 31],
      [70, 90],
    ],
    [
      [11, 31],
      [70, 90],
    ],
  ]);
});

test('lanes draw the ink envelope of the evaluated curve', async ({ page }) => {
  const desk = await openNew(page, three('Envelope'));
  const { head } = (await desk.document()).layers[0]!.window;
  const d = await desk.lane(0).locator('[data-line="head"]').getAttribute('d');
  const points = d!
    .slice(1)
    .split('L')
    .map((pair) => pair.split(' ').map(Number) as [number, number]);
  const [x0, x1] = [points[0]![0], points.at(-1)![0]];
  expect(points.length).toBeGreaterThan(100);
  for (const [x, y] of points) {
    const frame = 10 + ((x - x0) / (x1 - x0)) * 20;
    // A lane is 27 px high with 3 px above and below the envelope.
    expect(Math.abs(y - (24 - 21 * valueAt(head, frame)))).toBeLessThan(0.05);
  }
});

test('writing order: dragged, stepped by keyboard, renamed, hidden', async ({ page }) => {
  const desk = await openNew(page, three('Order'));
  const names = async () => (await desk.savedDocument()).layers.map((l) => l.name);
  const from = (await desk.lane(2).boundingBox())!;
  await page.mouse.move(from.x + 90, from.y + 13);
  await page.mouse.down();
  await page.mouse.move(from.x + 90, from.y - 20);
  await page.mouse.move(from.x + 90, from.y - 52);
  await page.mouse.up();
  expect(await names()).toEqual(['Triangle', 'Curve', 'Bar']);
  await page.keyboard.press('Alt+ArrowDown');
  expect(await names()).toEqual(['Curve', 'Triangle', 'Bar']);
  await desk.lane(0).focus();
  await page.keyboard.press('ArrowDown');
  await expect(desk.lane(1)).toBeFocused();
  await page.keyboard.press('F2');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Sail');
  await page.keyboard.press('Enter');
  expect(await names()).toEqual(['Curve', 'Sail', 'Bar']);
  await desk.lane(1).hover();
  await desk.lane(1).getByRole('button', { name: 'Hide Sail' }).click();
  expect((await desk.savedDocument()).layers[1]).toMatchObject({ hidden: true });
});

test('the playhead is scrubbed, stepped and typed; timecode and frame agree', async ({ page }) => {
  const desk = await openNew(page, three('Playhead'));
  const ruler = (await page.locator('[data-ruler]').boundingBox())!;
  await page.mouse.click(ruler.x + ruler.width / 2, ruler.y + 10);
  // The middle of a hundred frames lies between two of them.
  await expect(desk.canvas).toHaveAttribute('data-frame', /^(49|50)$/);
  const frame = Number(await desk.canvas.getAttribute('data-frame'));
  await desk.canvas.focus();
  await page.keyboard.press('.');
  await expect(desk.canvas).toHaveAttribute('data-frame', String(frame + 1));
  const timecode = page.getByLabel('Timecode');
  await timecode.fill('2:10');
  await page.keyboard.press('Enter');
  await expect(desk.canvas).toHaveAttribute('data-frame', '60');
  await expect(timecode).toHaveValue('00:00:02:10');
  await timecode.fill('1.2 s');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Frame', { exact: true })).toHaveValue('frame 30');
});

test('playback runs at the piece’s rate and loops', async ({ page }) => {
  const desk = await openNew(page, { ...three('Play'), length: 40 });
  await desk.canvas.focus();
  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(window, { seen });
    const canvas = document.querySelector('[data-canvas]')!;
    new MutationObserver(() => seen.push(Number((canvas as HTMLElement).dataset.frame))).observe(canvas, {
      attributeFilter: ['data-frame'],
    });
  });
  await page.keyboard.press('Space');
  // After once round it starts again from the first frame.
  await page.waitForFunction(() => {
    const seen = (window as unknown as { seen: number[] }).seen;
    return seen.some((frame, i) => i > 0 && frame < seen[i - 1]!);
  });
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  const seen = await page.evaluate(() => (window as unknown as { seen: number[] }).seen);
  const firstRound = seen.slice(
    0,
    seen.findIndex((frame, i) => i > 0 && frame < seen[i - 1]!),
  );
  expect(firstRound).toEqual([...firstRound].sort((a, b) => a - b));
});

test('a manner that grows from the middle, for several strokes at once, each from its own start', async ({
  page,
}) => {
  const desk = await openNew(page, three('Manners'));
  await desk.step('Time');
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await desk
    .lane(2)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Shift'] });
  await page.getByRole('radio', { name: 'on', exact: true }).click();
  await page.getByRole('button', { name: /Origin/ }).click();
  await page.getByRole('option', { name: 'the middle' }).click();
  await page.getByRole('spinbutton', { name: 'Writes on in' }).fill('0.4 s');
  await page.keyboard.press('Enter');
  const { layers } = await desk.savedDocument();
  // Each keeps its own start.
  expect(layers.slice(1).map((l) => [frames(l.window.head), frames(l.window.tail)])).toEqual([
    [
      [10, 20],
      [10, 20],
    ],
    [
      [0, 10],
      [0, 10],
    ],
  ]);
  expect(layers[1]!.window.head).toMatchObject({
    keys: [{ value: 0.5, easing: { type: 'bezier', x2: 0.25, y2: 1 } }, { value: 1 }],
  });
});

test('keys in numbers: value keyed at the playhead, frame and easing of a key typed', async ({ page }) => {
  const desk = await openNew(page, three('Numbers'));
  await desk.step('Time');
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await desk.showFrame(20);
  await page.getByRole('button', { name: 'Head: key it at this frame' }).click();
  await desk.showFrame(50);
  await page.getByRole('spinbutton', { name: 'Head', exact: true }).fill('40 %');
  await page.keyboard.press('Enter');
  await page.getByRole('spinbutton', { name: 'Head key 2: frame' }).fill('2 s');
  await page.keyboard.press('Enter');
  await page.getByRole('spinbutton', { name: 'Head key 1: frame' }).fill('5');
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: /Curve as CSS/ }).fill('0.1, 0.2, 0.3, 1.4');
  await page.keyboard.press('Enter');
  expect((await desk.savedDocument()).layers[2]!.window.head).toEqual({
    keys: [
      { frame: 5, value: 1, easing: { type: 'bezier', x1: 0.1, y1: 0.2, x2: 0.3, y2: 1.4 } },
      { frame: 50, value: 0.4, easing: { type: 'linear' } },
    ],
  });
});

test('lanes by arrows: into a lane, from key to key and lane to lane, moved, shown, and back', async ({
  page,
}) => {
  const desk = await openNew(page, three('By arrows'));
  const here = page.locator(':focus');
  await desk.lane(0).focus();
  await page.keyboard.press('Control+End');
  await expect(desk.lane(2)).toBeFocused();
  await page.keyboard.press('Control+Home');
  await expect(desk.lane(0)).toBeFocused();
  await page.keyboard.press('ArrowRight');
  // The key nearest to the playhead, by stroke, part, frame and value.
  await expect(here).toHaveAccessibleName('Curve, head key 1 of 2');
  await expect(here).toHaveAttribute('aria-valuetext', 'frame 10, 0 %');
  await page.keyboard.press('Control+ArrowRight');
  await expect(here).toHaveAccessibleName('Curve, head key 2 of 2');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(here).toHaveAttribute('aria-valuetext', 'frame 40, 100 %');
  await page.keyboard.press('Control+ArrowDown');
  await expect(here).toHaveAccessibleName('Bar, head key 2 of 2');
  await page.keyboard.press('Enter');
  await expect(desk.canvas).toHaveAttribute('data-frame', '30');
  await page.keyboard.press('Escape');
  await expect(desk.lane(1)).toBeFocused();
  // A lane without keys is none to go into.
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(desk.lane(2)).toBeFocused();
  expect(frames((await desk.savedDocument()).layers[0]!.window.head)).toEqual([10, 40]);
  // In a group left leads to it; there it closes it, and opens again by right.
  await desk.lane(0).focus();
  await page.keyboard.press('Space');
  await desk
    .lane(1)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Shift'] });
  await page.keyboard.press('Control+g');
  await expect(desk.lane(0)).toHaveAccessibleName(/^Group/);
  await desk.lane(2).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(desk.lane(0)).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(desk.lane(0)).toHaveAttribute('aria-expanded', 'false');
  await page.keyboard.press('ArrowRight');
  await expect(desk.score.getByRole('row')).toHaveCount(4);
});

test('keys that follow one another at once each mean the row that the one before led to', async ({
  page,
}) => {
  const many = Array.from({ length: 40 }, (_, i) =>
    newStroke(`s${i}`, `Stroke ${i}`, lineShape({ x: 100, y: 20 + 20 * i }, { x: 900, y: 20 + 20 * i })),
  );
  const desk = await openNew(page, addLayers(blank('Quick keys'), many));
  await desk.lane(0).focus();
  /** Presses keys in one go, faster than any picture is painted, wherever the focus is then. */
  const press = (keys: readonly { key: string; ctrlKey?: boolean }[]) =>
    page.evaluate((all) => {
      for (const one of all)
        document.activeElement!.dispatchEvent(
          new KeyboardEvent('keydown', { ...one, bubbles: true, cancelable: true }),
        );
    }, keys);
  const chosen = page.locator('[data-row][aria-selected="true"]');
  await press([{ key: 'ArrowDown' }, { key: 'ArrowDown' }, { key: 'ArrowDown' }]);
  await expect(chosen).toHaveAccessibleName(/Stroke 3\b/);
  await expect(chosen).toBeFocused();
  // A row that is far below is yet to be made.
  await press([{ key: 'End', ctrlKey: true }, { key: 'ArrowUp' }, { key: 'ArrowUp' }]);
  await expect(chosen).toHaveAccessibleName(/Stroke 37\b/);
  await expect(chosen).toBeFocused();
});
