import { expect, test } from './test';
import type { Lettering, Piece } from '../src/core/document';
import { ON_NAME, openNew, type Desk } from './desk';
import { blank } from './pieces';

const whole = (desk: Desk): Promise<Piece> => desk.savedDocument();

test('an empty piece offers ways to begin; they make room as soon as something is in it', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Begins'));
  const card = page.locator('[data-begin]');
  await expect(card.getByRole('heading', { level: 3 })).toHaveText([
    'Write a word',
    'Use a layout',
    'Draw, or bring something in',
  ]);
  // A tool in hand makes room, and selecting again brings the card back.
  await card.getByRole('button', { name: 'Pen' }).click();
  await expect(card).toBeHidden();
  await desk.canvas.focus();
  await page.keyboard.press('v');
  await card.getByRole('button', { name: 'Underlined keyword' }).click();
  await expect(card).toBeHidden();
  expect((await whole(desk)).layers.some((layer) => layer.type === 'lettering')).toBe(true);
  await desk.undoAll();
  await expect(card).toBeVisible();
  await card.getByRole('button', { name: 'Close' }).click();
  await expect(card).toBeHidden();
  await expect(desk.canvas).toBeFocused();
});

test('type is set where the canvas is pressed, also while another text is selected', async ({ page }) => {
  const desk = await openNew(page, blank('Typed'));
  await desk.setText('Reed');
  await desk.canvas.focus();
  await page.keyboard.press('t');
  await desk.click(300, 900);
  await page.keyboard.type('by the tide');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: 'by the tide' })).toBeVisible();
  const [first, second, ...more] = (await whole(desk)).layers as Lettering[];
  expect(more).toEqual([]);
  expect(first!.setting.text).toBe('Reed');
  expect(second!.setting).toMatchObject({ text: 'by the tide', align: 'left' });
  expect(Math.abs(second!.x - 300)).toBeLessThan(2);
  expect(Math.abs(second!.y - 900)).toBeLessThan(2);
  await expect(desk.canvas).toBeFocused();
});

test('faces are chosen by kind and name, seen on one’s own word; favourites and those used last stand first', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Faces'));
  await desk.setText('Reed');
  const open = () => page.getByRole('button', { name: /^Face: / }).click();
  const chooser = page.getByRole('dialog', { name: 'Face' });
  await open();
  await page.keyboard.type('gara');
  await expect(chooser.getByRole('button', { name: /^Favourite/ })).toHaveCount(1);
  await chooser.getByRole('button', { name: 'Favourite EB Garamond' }).click();
  await chooser.getByRole('row', { name: 'EB Garamond' }).click();
  await expect
    .poll(async () => ((await whole(desk)).layers[0] as Lettering).setting.face.id)
    .toBe('eb-garamond');
  await page.reload();
  await desk.score.getByRole('row', { name: 'Reed' }).getByRole('rowheader').click(ON_NAME);
  await open();
  await expect(chooser.getByText('Favourites')).toBeVisible();
  await expect(chooser.getByText('Recently used')).toBeVisible();
  await expect(chooser.getByRole('button', { name: /^Favourite/ }).first()).toHaveAccessibleName(
    /EB Garamond/,
  );
  // By keyboard alone: down from the field into the list, Enter takes it.
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await expect(chooser).toBeHidden();
});

test('what the face has is offered on the text itself, and the text is set with it', async ({ page }) => {
  const desk = await openNew(page, blank('Features'));
  await desk.setText('Ebb 1908');
  const now = async () => (await whole(desk)).layers[0] as Lettering;
  await page.getByRole('button', { name: /^Face: / }).click();
  await page.keyboard.type('garamond');
  await page.getByRole('dialog').getByRole('row', { name: 'EB Garamond' }).click();
  await expect.poll(async () => (await now()).setting.face.id).toBe('eb-garamond');
  const plain = (await now()).set.glyphs.map(({ outline }) => outline);
  await page.getByText('OpenType features').click();
  await page.getByText('Small capitals', { exact: true }).click();
  await expect.poll(async () => (await now()).setting.features).toEqual({ smcp: 1 });
  expect((await now()).set.glyphs.map(({ outline }) => outline)).not.toEqual(plain);
  await page.getByText('Small capitals', { exact: true }).click();
  await expect.poll(async () => (await now()).setting.features).toBeUndefined();
  expect((await now()).set.glyphs.map(({ outline }) => outline)).toEqual(plain);
});

test('type that was typed on the canvas is set by whatever ends it; letters typed on are no shortcuts', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Set by any end'));
  const tool = (name: RegExp) => page.getByLabel('Tools').getByRole('button', { name });
  const rows = () => page.getByRole('row').allTextContents();
  const field = page.getByLabel('Text to set here');
  const at = async (x: number, y: number) => {
    const { x: left, y: top } = await desk.at(x, y);
    await page.mouse.click(left, top);
  };
  const setsOne = async (word: string) => expect.poll(async () => (await rows()).join()).toContain(word);
  await desk.canvas.focus();
  await page.keyboard.press('t');
  await at(100, 100);
  await field.fill('Reed');
  // A press elsewhere sets it, and begins the next one there.
  await at(100, 160);
  await setsOne('Reed');
  await expect(field).toBeFocused();
  await page.keyboard.type('Eel');
  // Another tool sets it.
  await tool(/^Pen/).click();
  await setsOne('Eel');
  await expect(tool(/^Pen/)).toHaveAttribute('aria-pressed', 'true');
  await desk.canvas.focus();
  await page.keyboard.press('t');
  await at(100, 220);
  await page.keyboard.type('Moor');
  // A line below goes on; Escape sets too, and what is typed on is no shortcut: p would take up the pen.
  await page.keyboard.press('Control+Enter');
  await setsOne('Moor');
  await expect(field).toBeFocused();
  await page.keyboard.type('Ebb');
  await page.keyboard.press('Escape');
  await page.keyboard.type('p');
  await setsOne('Ebb');
  await expect(tool(/^Select/)).toHaveAttribute('aria-pressed', 'true');
  await expect(field).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await rows()).join()).not.toContain('Ebb');
});
