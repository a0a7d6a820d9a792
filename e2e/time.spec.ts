import { expect, test, type Page } from './test';
import { onSpan, strokesOf, type Stroke } from '../src/core/document';
import { keysOf } from '../src/core/timing';
import { ON_NAME, choose, openNew, type, type Desk } from './desk';
import { three } from './pieces';

const strokes = async (desk: Desk): Promise<Stroke[]> => strokesOf(await desk.savedDocument());
const spans = async (desk: Desk) => (await strokes(desk)).map(onSpan);

async function openTime(page: Page, name: string): Promise<Desk> {
  const desk = await openNew(page, three(name));
  await desk.step('Time');
  return desk;
}

test('easing: chosen by name, bent by its handles, typed as CSS; speed and pace of a hand are seen', async ({
  page,
}) => {
  const desk = await openTime(page, 'Easing');
  await desk.lane(0).locator('[data-key="head-0"]').click();
  await choose(page, /Easing/, 'ease in out');
  const handle = page.getByRole('slider', { name: 'Handle of the arriving key' });
  await handle.focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('ArrowUp');
  const easing = async () => keysOf((await strokes(desk))[0]!.window.head)[0]!.easing;
  expect(await easing()).toEqual({ type: 'bezier', x1: 0.42, y1: 0, x2: 0.48, y2: 1.01 });
  await choose(page, /Easing/, 'spring');
  await type(page.getByRole('spinbutton', { name: 'Damping' }), '20');
  expect(await easing()).toEqual({ type: 'spring', mass: 1, stiffness: 120, damping: 20 });
  await choose(page, /Easing/, 'ease');
  await type(page.getByRole('textbox', { name: /Curve as CSS/ }), 'linear(0, 0.8 30%, 1)');
  expect(await easing()).toMatchObject({ type: 'list', points: [{}, { at: 0.3, value: 0.8 }, {}] });

  const speed = page.getByRole('figure', { name: /Speed along the strokes/ });
  const before = await speed.getAttribute('aria-label');
  await page.getByRole('radio', { name: 'hand', exact: true }).click();
  await expect(speed).not.toHaveAttribute('aria-label', before!);
  await type(page.getByRole('spinbutton', { name: 'Slower in bends' }), '140 %');
  expect((await strokes(desk))[0]!.pace).toEqual({ kind: 'hand', strength: 1.4, soft: 0.6 });
  await page.getByRole('radio', { name: 'even', exact: true }).click();
  expect((await strokes(desk))[0]).not.toHaveProperty('pace');
});

test('spread: order, overlap and a total for the whole selection, at once and in one step of undo', async ({
  page,
}) => {
  const desk = await openTime(page, 'Spread');
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await desk
    .lane(2)
    .getByRole('rowheader')
    .click({ ...ON_NAME, modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'Spread 3 strokes' }).click();
  const first = (await spans(desk)).map((s) => s!.from);
  expect([first[1]! - first[0]!, first[2]! - first[1]!]).toEqual([4, 4]);
  await choose(page, /Order/, 'top to bottom');
  await type(page.getByRole('spinbutton', { name: 'Delay' }), '10 fr');
  const after = await spans(desk);
  expect(after[0]!.from - after[2]!.from).toBe(10);
  expect(after[1]!.from - after[2]!.from).toBe(20);
  await type(page.getByRole('spinbutton', { name: 'Total' }), '30 fr');
  const fitted = await spans(desk);
  const whole = Math.max(...fitted.map((s) => s!.to)) - Math.min(...fitted.map((s) => s!.from));
  expect(Math.abs(whole - 30)).toBeLessThanOrEqual(1);
  await desk.undoAll();
  expect((await desk.savedDocument()).layers).toEqual(
    (three('Spread') as unknown as { layers: Stroke[] }).layers,
  );
});

test('cue: an accent waits for the head, follows when that is retimed, and says why a circle can’t be', async ({
  page,
}) => {
  const desk = await openTime(page, 'Cue');
  const names = (await strokes(desk)).map((s) => s.name);
  await desk.lane(1).getByRole('rowheader').click(ON_NAME);
  await page.getByRole('button', { name: /^Cue none/ }).click();
  await choose(page, /Stroke or group to wait for/, names[0]!);
  await page.getByRole('button', { name: 'Cue to it' }).click();
  await type(page.getByRole('spinbutton', { name: 'At its' }), '100 %');
  await type(page.getByRole('spinbutton', { name: 'Later by' }).last(), '3 fr');
  const [lead, accent] = await spans(desk);
  expect(accent!.from).toBe(lead!.to + 3);
  await expect(page.locator('[data-cue]')).toHaveCount(1);
  // The leader is moved by its bar's keys: nudged as a whole in time.
  await desk.lane(0).locator('[data-key="head-1"]').click();
  await page.keyboard.press('Shift+ArrowRight');
  const [led, followed] = await spans(desk);
  expect(led!.to).toBe(lead!.to + 10);
  expect(followed!.from).toBe(accent!.from + 10);
  await desk.lane(0).getByRole('rowheader').click(ON_NAME);
  await choose(page, /Stroke or group to wait for/, names[1]!);
  await page.getByRole('button', { name: 'Cue to it' }).click();
  await expect(page.getByText('none of them would ever begin')).toBeVisible();
});

test('box retime: selected keys are stretched by an edge, and one half hurries by the inner line', async ({
  page,
}) => {
  const desk = await openTime(page, 'Box');
  const frames = async () =>
    (await strokes(desk)).flatMap((s) =>
      [...keysOf(s.window.head), ...keysOf(s.window.tail)].map((k) => k.frame),
    );
  await desk.lane(0).locator('[data-key="head-0"]').click();
  await desk
    .lane(0)
    .locator('[data-key="head-1"]')
    .click({ modifiers: ['Shift'] });
  await desk
    .lane(1)
    .locator('[data-key="tail-1"]')
    .click({ modifiers: ['Shift'] });
  const before = await frames();
  const box = page.locator('[data-retime]');
  const right = box.locator('[data-edge="right"]');
  const at = (await right.boundingBox())!;
  await page.mouse.move(at.x + 4, at.y + 8);
  await page.mouse.down();
  await page.mouse.move(at.x - 120, at.y + 8, { steps: 5 });
  await page.mouse.up();
  const after = await frames();
  expect(after[0]).toBe(before[0]);
  expect(after[1]).toBeLessThan(before[1]!);
  expect(Math.max(...after)).toBeLessThanOrEqual(Math.max(...before));
  await page.keyboard.press('Control+z');
  expect(await frames()).toEqual(before);
  await box.locator('[data-edge="line"]').focus();
  await page.keyboard.press('Shift+ArrowLeft');
  const hurried = await frames();
  expect(hurried[0]).toBe(before[0]);
  expect(hurried[1]).toBeLessThan(before[1]!);
});
