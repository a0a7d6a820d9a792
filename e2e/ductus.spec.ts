import { expect, test } from './test';
import {
  addLayers,
  newStroke,
  strokesOf,
  writeInSequence,
  type Lettering,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { lineShape, pathBounds } from '../src/core/geometry';
import { keysOf } from '../src/core/timing';
import { openNew, type Desk } from './desk';
import { blank } from './pieces';

const saved = (desk: Desk): Promise<Piece> => desk.savedDocument();
const lettering = (piece: Piece): Lettering =>
  piece.layers.findLast((layer): layer is Lettering => layer.type === 'lettering')!;
const ofLetter = (piece: Piece, glyph: number): Stroke[] =>
  strokesOf(piece).filter(({ traced }) => traced?.glyph === glyph);
const span = (strokes: readonly Stroke[]): [number, number] => {
  const frames = strokes.flatMap(({ window }) => keysOf(window.head).map(({ frame }) => frame));
  return [Math.min(...frames), Math.max(...frames)];
};

test('another form of a letter is chosen: its strokes follow within their time, and the next text of the face is written so too', async ({
  page,
}) => {
  const desk = await openNew(page, blank('Forms'));
  await desk.setText('kite');
  await desk.letWrite();
  const before = await saved(desk);

  await page.getByRole('button', { name: 'How letters are written' }).click();
  await page
    .getByRole('group', { name: 'Letters with several forms' })
    .getByText('k', { exact: true })
    .click();
  const forms = page.getByRole('radiogroup', { name: 'How k is written' });
  await expect(forms.getByRole('radio', { name: 'as it fits' })).toBeChecked();
  const plain = forms.locator('label', { hasText: /^\d*plain$/ });
  await plain.click();
  await expect(forms.getByRole('radio', { name: 'plain', exact: true })).toBeChecked();
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  const written = async () => lettering(await saved(desk)).written?.ductus;
  await expect.poll(written).toEqual({ k: 'plain' });
  const after = await saved(desk);
  expect(lettering(after).setting.ductus).toEqual({ k: 'plain' });
  const paths = (piece: Piece, glyph: number) => ofLetter(piece, glyph).map(({ path }) => path);
  expect(paths(after, 0)).not.toEqual(paths(before, 0));
  expect(span(ofLetter(after, 0))).toEqual(span(ofLetter(before, 0)));
  for (const glyph of [1, 2, 3]) {
    // The next letter goes on from where the k ends.
    if (glyph > 1) expect(paths(after, glyph)).toEqual(paths(before, glyph));
    expect(ofLetter(after, glyph).map(({ id, window }) => ({ id, window }))).toEqual(
      ofLetter(before, glyph).map(({ id, window }) => ({ id, window })),
    );
  }

  // One step of undo has both back.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(forms.getByRole('radio', { name: 'as it fits' })).toBeChecked();
  expect(strokesOf(await saved(desk)).map(({ path }) => path)).toEqual(
    strokesOf(before).map(({ path }) => path),
  );

  // What was chosen once is how this face is written.
  await plain.click();
  // And from the keyboard: the arrows go from form to form.
  await page.keyboard.press('ArrowRight');
  await expect(forms.getByRole('radio', { name: 'plain, leg from the stem', exact: true })).toBeChecked();
  await page.keyboard.press('ArrowLeft');
  await expect(forms.getByRole('radio', { name: 'plain', exact: true })).toBeChecked();
  await desk.setText('keel');
  expect(lettering(await saved(desk)).setting.ductus).toEqual({ k: 'plain' });
});

test('on the canvas a stroke is cut where others cross it and joined in writing order, by keys and from its menu', async ({
  page,
}) => {
  const line = (x0: number, y0: number, x1: number, y1: number) =>
    lineShape({ x: x0, y: y0 }, { x: x1, y: y1 });
  const strokes = [
    newStroke('bar', 'Bar', line(400, 540, 1500, 540)),
    newStroke('post', 'Post', line(900, 200, 900, 900)),
  ];
  const desk = await openNew(
    page,
    writeInSequence(addLayers(blank('Retouch'), strokes), ['bar', 'post'], 0, 40),
  );
  await desk.step('Trace');
  await desk.click(600, 540);
  await page.keyboard.press('Alt+k');
  await expect(page.getByRole('row', { name: /Bar, part 2/ })).toBeVisible();
  const cut = strokesOf(await saved(desk));
  expect(cut.map(({ name }) => name)).toEqual(['Bar', 'Bar, part 2', 'Post']);
  expect(span([cut[0]!])[1]).toBeCloseTo(span([cut[1]!])[0], 6);

  // Both parts are in hand: from their menu they are one again.
  const at = await desk.at(1200, 540);
  await page.mouse.click(at.x, at.y, { button: 'right' });
  await page.getByRole('menuitem', { name: /^Join in writing order/ }).click();
  await expect(page.getByRole('row', { name: /Bar, part 2/ })).toHaveCount(0);
  const joined = strokesOf(await saved(desk));
  expect(joined.map(({ name }) => name)).toEqual(['Bar', 'Post']);
  expect(joined[0]!.path.points.at(-1)).toMatchObject({ x: 1500, y: 540 });

  // The last has no next, which is said.
  await desk.click(900, 300);
  await page.keyboard.press('Alt+j');
  await expect(page.getByText('There is no open stroke after this one')).toBeVisible();
});

test('Arabic letters are set in a face that has them and write themselves from the right, dots after their word', async ({
  page,
}) => {
  const desk = await openNew(page, blank('From the right'));
  await desk.setText('قناة نهر');
  // The face at hand has no Arabic letters.
  await expect(page.getByText('Set in Amiri')).toBeVisible();
  await desk.letWrite();
  const piece = await saved(desk);
  expect(lettering(piece).setting.face.id).toBe('amiri');
  const boxes = strokesOf(piece).map(({ path }) => pathBounds(path)!);
  expect(boxes[0]!.left).toBeGreaterThan(boxes.at(-1)!.right);
  // Three letters that join and one that does not; then three signs of theirs, right to left.
  const firstWord = strokesOf(piece).slice(0, 7);
  expect(firstWord.map(({ name }) => name[0])).toEqual([...'قناةقنة']);

  // Of a letter the forms are offered that it may have where it stands.
  await page.getByRole('button', { name: 'How letters are written' }).click();
  await page
    .getByRole('group', { name: 'Letters with several forms' })
    .getByText('ن', { exact: true })
    .click();
  const forms = page.getByRole('radiogroup', { name: 'How ن is written' });
  await expect(forms.getByRole('radio', { name: /^(isolated|final)/ })).toHaveCount(0);
  await expect(forms.getByRole('radio', { name: /^(initial|medial)/ })).toHaveCount(4);
});
