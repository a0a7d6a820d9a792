import { expect, test, type Page } from './test';
import {
  addNested,
  contentOf,
  lettersBehind,
  onSpan,
  strokesOf,
  updateLayers,
  type Lettering,
  type Nested,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { handwrittenTitle, signature } from '../src/layouts';
import { ON_NAME, openNew, type Desk } from './desk';
import { blank } from './pieces';

const stored = (desk: Desk): Promise<Piece> => desk.document();
const step = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).click();
const texts = (piece: Piece): Lettering[] =>
  piece.layers.filter(
    (layer): layer is Lettering => layer.type === 'lettering' && layer.reveal !== undefined,
  );
const hand = (piece: Piece, of: string): Stroke[] => strokesOf(piece).filter((s) => s.traced?.from === of);
const starts = (strokes: readonly Stroke[]): number[] => strokes.map((stroke) => onSpan(stroke)!.from);

/** Waits until the server has a document in which all strokes have followed. */
const followed = async (desk: Desk): Promise<Piece> => {
  await expect.poll(async () => lettersBehind(await stored(desk)).length).toBe(0);
  await desk.saved();
  return stored(desk);
};

test('a title’s text is changed and the page left at once: opened again, its strokes follow, in names, order and time', async ({
  page,
}) => {
  const desk = await openNew(page, handwrittenTitle());
  const before = await stored(desk);
  await step(page, 'Set up');
  await page.getByRole('textbox', { name: 'Title', exact: true }).fill('Curlew');
  // The server has the new text and the old word's strokes: just then the page is gone.
  await expect.poll(async () => texts(await stored(desk))[0]!.setting.text).toBe('Curlew');
  await page.goto('about:blank');
  expect(lettersBehind(await stored(desk)).length).toBeGreaterThan(0);
  await desk.open();
  await expect(page.locator('[data-work]')).toHaveText(/Finding strokes/);
  const after = await followed(desk);
  for (const text of texts(after)) {
    const [old, now] = [hand(before, text.id), hand(after, text.id)];
    const letters = new Set(now.flatMap((stroke) => [...stroke.name.replace(/, \d+$/, '')]));
    expect([...letters].sort()).toEqual([...new Set('Curlew')].sort());
    expect(starts(now)).toEqual([...starts(now)].sort((a, b) => a - b));
    expect(Math.min(...starts(now))).toBe(Math.min(...starts(old)));
    const ends = (strokes: readonly Stroke[]) => Math.max(...strokes.map((stroke) => onSpan(stroke)!.to));
    expect(Math.abs(ends(now) - ends(old))).toBeLessThanOrEqual(3);
    expect([text.name, after.groups.find((g) => g.id === text.reveal!.through[0])!.name]).toEqual([
      'Curlew',
      'Curlew, hand',
    ]);
    // They leave as the old word's did.
    expect(now.every((stroke) => typeof stroke.window.tail === 'object')).toBe(true);
  }
  // Measured to its end, the proof finds nothing to say of it.
  await page.getByRole('button', { name: /^Proof/ }).click();
  await expect(page.getByText('Nothing to mend was found.')).toBeVisible();
});

test('text and strokes are one step: undo brings back both, redo brings both again', async ({ page }) => {
  const desk = await openNew(page, signature());
  const before = await stored(desk);
  await step(page, 'Set up');
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Ebba Lindt');
  await expect.poll(async () => texts(await stored(desk))[0]!.setting.text).toBe('Ebba Lindt');
  const after = await followed(desk);
  // Letters that stay keep their strokes and when they are written.
  const kept = hand(before, texts(before)[0]!.id).filter((stroke) =>
    hand(after, texts(after)[0]!.id).some((now) => now.id === stroke.id),
  );
  expect(kept.length).toBeGreaterThan(hand(before, texts(before)[0]!.id).length / 2);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(async () => (await stored(desk)).layers).toEqual(before.layers);
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect.poll(async () => (await stored(desk)).layers).toEqual(after.layers);
});

test('a nested piece that is out of step is put right where it is', async ({ page }) => {
  // As if it had been taken while its text was being changed.
  const inner = signature();
  const [text] = texts(inner);
  const behind = updateLayers(inner, [text!.id], (layer) => ({
    ...(layer as Lettering),
    written: { ...text!.setting, text: 'Ebba' },
  }));
  const desk = await openNew(
    page,
    addNested(
      blank('Around'),
      'nested',
      behind,
      { piece: '00000000-0000-4000-8000-000000000001', revision: 1 },
      0,
    ),
  );
  const after = await followed(desk);
  const content = contentOf(after.layers.find((layer): layer is Nested => layer.type === 'piece')!);
  expect(texts(content)[0]!.written).toEqual(text!.setting);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});

test('a trace that is stopped lets others go on', async ({ page }) => {
  const desk = await openNew(page, blank('Stopped'));
  await desk.setText('Estuary');
  await step(page, 'Trace');
  await page.getByRole('button', { name: /Find the strokes/ }).click();
  await page.getByRole('button', { name: /^(Stop|Discard)$/ }).click();
  await step(page, 'Reveal');
  await desk.letWrite();
  await expect(page.locator('[data-bare]')).toHaveText('0');
  expect(hand(await followed(desk), texts(await stored(desk))[0]!.id).length).toBeGreaterThan(3);
});

test('strokes that were stopped on their way to their text are said at the export, which does not wait for them', async ({
  page,
}) => {
  const desk = await openNew(page, signature());
  const [text] = texts(await stored(desk));
  // Where the old letters lay is asked for while the strokes are made: that is never answered here.
  await page.route('**/api/lettering', (route) =>
    route.request().postData()?.includes('Ottilie') ? route.continue() : undefined,
  );
  await page.getByRole('row', { name: text!.name, exact: true }).getByRole('rowheader').click(ON_NAME);
  await step(page, 'Set up');
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Ottilie');
  await expect(page.locator('[data-work]')).toBeVisible();
  await step(page, 'Reveal');
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.locator('[data-work]')).toBeHidden();
  await expect.poll(async () => lettersBehind(await stored(desk)).length).toBe(1);
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('button', { name: 'Start export' }).click();
  await expect(
    page.getByText(/could not be made to follow their text, so nothing was exported/),
  ).toBeVisible();
});
