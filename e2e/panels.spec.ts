import { expect, test, type Locator, type Page } from './test';
import {
  addLayers,
  newMask,
  newStroke,
  partOf,
  propertyOf,
  setInk,
  setMasks,
  setPlace,
  type Keyed,
  type Piece,
} from '../src/core/document';
import { corner } from '../src/core/geometry';
import { someOf } from '../src/core/testing/cases';
import { isKeyed, keysOf, type Animated } from '../src/core/timing';
import { mountPanel, pieceIn, showFrameIn, stepsIn, undoIn, type PanelName } from './panel-page';
import { blank } from './pieces';

const line = (id: string, y: number) =>
  newStroke(id, id.toUpperCase(), { closed: false, points: [corner(100, y), corner(900, y)] });

/** Two strokes that have everything a panel has a number for. */
function full(): Piece {
  const ids = ['a', 'b'];
  const piece = setInk(addLayers(blank('Panels'), [line('a', 200), line('b', 400)]), ids, {
    join: 'miter',
    line: { kind: 'double', distance: 30 },
    taper: {
      over: 'whole',
      start: { length: 60, unit: 'px', tip: 0.2, curve: { type: 'linear' } },
      end: { length: 0.3, unit: 'share', tip: 0, curve: { type: 'linear' } },
    },
    dashes: {
      pattern: [3, 3],
      unit: 'widths',
      phase: 0.5,
      flow: 'stay',
      speed: { value: 60, unit: 'px', seamless: true },
      fit: false,
      corners: false,
      grow: 0.1,
    },
    ends: { head: { shape: 'dot', size: 3 } },
    glow: { size: 20, gain: 1.5, colour: '#ff6b3d', opacity: 0.8 },
    shadow: { x: 5, y: 6, blur: 7, colour: '#000000', opacity: 0.5 },
  });
  const masked = setMasks(piece, 'a', [
    newMask('box', { kind: 'rectangle', x: 0, y: 0, width: 900, height: 300, radius: 12 }),
    newMask('clock', {
      kind: 'clock wipe',
      centre: { x: 400, y: 200 },
      reach: 500,
      angle: 0.5,
      share: 0.5,
      anticlockwise: false,
    }),
  ]);
  return ids.reduce((result, id) => setPlace(result, id, 0, { x: 10, rotation: 0.2 }), masked);
}

/** Opens every fold from the top; a colour's button opens a picker over the panel, which is none. */
async function openAll(page: Page): Promise<void> {
  const closed = page.locator('button[slot="trigger"][aria-expanded="false"]').filter({ visible: true });
  for (let most = 30; most > 0 && (await closed.count()) > 0; most--) await closed.first().click();
}

interface Known {
  readonly panel: PanelName;
  readonly selected: readonly string[];
  /** Which part of the panel, where it is looked at in parts. */
  readonly of?: string;
  /** A number's name as it is read out, and the part it stands for. */
  readonly numbers: readonly (readonly [name: string, part: string])[];
}

const PANELS: readonly Known[] = [
  {
    panel: 'ink',
    selected: ['a', 'b'],
    numbers: [
      ['Width', 'ink.width'],
      ['Opacity', 'ink.opacity'],
      ['Taper at the start, length', 'ink.taper.start.length'],
      ['Taper at the start, tip', 'ink.taper.start.tip'],
      ['Taper at the end, length', 'ink.taper.end.length'],
      ['Miter limit', 'ink.miterLimit'],
      ['Distance', 'ink.line.distance'],
    ],
  },
  {
    panel: 'ink',
    of: 'dashes, ends and light',
    selected: ['a', 'b'],
    numbers: [
      ['Dash phase', 'ink.dashes.phase'],
      ['Dash growth', 'ink.dashes.grow'],
      ['Head size', 'ink.ends.head.size'],
      ['Glow, size', 'ink.glow.size'],
      ['Glow, strength', 'ink.glow.gain'],
      ['Drop shadow, offset X', 'ink.shadow.x'],
      ['Drop shadow, blur', 'ink.shadow.blur'],
      ['Drop shadow, opacity', 'ink.shadow.opacity'],
    ],
  },
  {
    panel: 'place',
    selected: ['a', 'b'],
    numbers: [
      ['Position X', 'place.x'],
      ['Position Y', 'place.y'],
      ['Rotation', 'place.rotation'],
      ['Opacity', 'place.opacity'],
      ['Skew X', 'place.skewX'],
      ['Pivot Y', 'place.pivotY'],
    ],
  },
  {
    panel: 'reveal',
    selected: ['a'],
    numbers: [
      ['Mask 1, corner radius', 'masks.0.shape.radius'],
      ['Mask 1, feather', 'masks.0.feather'],
      ['Mask 1, expansion', 'masks.0.expansion'],
      ['Mask 2, how far', 'masks.1.shape.share'],
      ['Mask 2, start angle', 'masks.1.shape.angle'],
      ['Mask 2, offset X', 'masks.1.x'],
    ],
  },
];

const bearer = (piece: Piece, id: string): Keyed => piece.layers.find((layer) => layer.id === id)!;
const field = (page: Page, name: string): Locator => page.getByRole('spinbutton', { name, exact: true });

for (const { panel, of: subject, selected, numbers } of PANELS) {
  test(`${subject ? `${panel}, ${subject}` : panel}: every number is nudged, typed with its unit, held to its bounds, and each change is one step`, async ({
    page,
  }) => {
    const start = full();
    await mountPanel(page, panel, start, selected);
    await openAll(page);
    for (const [name, part] of someOf(numbers, 3)) {
      const number = field(page, name);
      const facts = propertyOf(bearer(start, selected[0]!), part)!;
      const of = async (id: string) => partOf(bearer(await pieceIn(page), id), part) as number;
      const numberOf = (piece: Piece, id: string) => partOf(bearer(piece, id), part) as number | undefined;
      const before = numberOf(start, selected[0]!);
      // An arrow key changes it by one of what it is written in, in all that are selected, also where they differ.
      await number.press('ArrowUp');
      for (const id of selected)
        expect([name, await of(id)]).toEqual([
          name,
          expect.closeTo(Math.min(facts.max, (numberOf(start, id) ?? facts.initial) + facts.step), 4),
        ]);
      if (selected.some((id) => numberOf(start, id) !== before)) continue;
      // Typed as it is written, it is the same number.
      const written = await number.inputValue();
      await number.fill('0');
      await number.press('Enter');
      await number.fill(written);
      await number.press('Enter');
      expect([name, await of(selected[0]!)]).toEqual([
        name,
        expect.closeTo(Math.min(facts.max, (before ?? facts.initial) + facts.step), 2),
      ]);
      // What is no number changes nothing.
      await number.fill('a lot');
      await expect(number).toHaveAttribute('aria-invalid', 'true');
      await number.press('Escape');
      // Beyond its bounds it stops at them, and says so.
      if (Math.abs(facts.max) < 1e5) {
        await number.fill('9999999');
        await number.press('Enter');
        expect([name, await of(selected[0]!)]).toEqual([name, expect.closeTo(facts.max, 4)]);
        await expect(page.getByText(/^at most/).first()).toBeVisible();
      }
      const steps = await stepsIn(page);
      for (let i = 0; i < steps; i++) await undoIn(page);
      expect([name, await of(selected[0]!)]).toEqual([name, before]);
    }
  });
}

test('what can be keyed is keyed at the frame shown, changed there alone, and unkeyed again', async ({
  page,
}) => {
  await mountPanel(page, 'ink', full(), ['a', 'b']);
  await openAll(page);
  const width = async (id: string) => partOf(bearer(await pieceIn(page), id), 'ink.width') as Animated;
  await page.getByRole('button', { name: 'Width: key it at this frame' }).click();
  await showFrameIn(page, 20);
  await field(page, 'Width').fill('30');
  await field(page, 'Width').press('Enter');
  for (const id of ['a', 'b'])
    expect(keysOf(await width(id)).map(({ frame, value }) => [frame, value])).toEqual([
      [0, 12],
      [20, 30],
    ]);
  await showFrameIn(page, 10);
  await expect(field(page, 'Width')).toHaveValue('21 px');
  await showFrameIn(page, 20);
  await page.getByRole('button', { name: /^Width: .*key/ }).click();
  expect(keysOf(await width('a'))).toHaveLength(1);
  // What has no bar beside it can't be keyed.
  await expect(page.getByRole('button', { name: /^Miter limit: key/ })).toHaveCount(0);
  expect(isKeyed(await width('b'))).toBe(true);
});

test('a mixed selection says so, shows only what all have, and changes only what is touched', async ({
  page,
}) => {
  let piece = setInk(full(), ['a'], { width: 40, colour: '#43b3a0' });
  piece = setInk(piece, ['b'], { glow: undefined });
  await mountPanel(page, 'ink', piece, ['a', 'b']);
  await openAll(page);
  await expect(field(page, 'Width')).toHaveValue('');
  await expect(field(page, 'Width')).toHaveAttribute('aria-valuetext', 'differs');
  await expect(page.getByRole('button', { name: 'Colour: differs' })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Glow (some)' })).not.toBeChecked();
  // One of them has a glow: its numbers are that one's, and changed in it alone.
  await field(page, 'Glow, size').fill('50 px');
  await field(page, 'Glow, size').press('Enter');
  const after = await pieceIn(page);
  expect(partOf(bearer(after, 'a'), 'ink.glow.size')).toBe(50);
  expect(partOf(bearer(after, 'b'), 'ink.glow')).toBeUndefined();
  expect([partOf(bearer(after, 'a'), 'ink.width'), partOf(bearer(after, 'b'), 'ink.width')]).toEqual([
    40, 12,
  ]);
  await page.getByRole('radiogroup', { name: 'Caps' }).getByRole('radio', { name: 'flat' }).click();
  const capped = await pieceIn(page);
  expect(['a', 'b'].map((id) => partOf(bearer(capped, id), 'ink.cap'))).toEqual(['flat', 'flat']);
});

test('Escape leaves a number as it was, whatever was typed; what is no number is refused in words', async ({
  page,
}) => {
  await mountPanel(page, 'ink', full(), ['a']);
  const field = page.getByRole('spinbutton', { name: 'Width', exact: true }).first();
  const before = await field.inputValue();
  for (const typed of ['55', 'soon']) {
    await field.fill(typed);
    await page.keyboard.press('Escape');
    await expect(field).toHaveValue(before);
    await expect(page.getByText('is no number')).toBeHidden();
  }
  expect(await stepsIn(page)).toBe(0);
  await field.fill('soon');
  await page.keyboard.press('Enter');
  await expect(page.getByText('“soon” is not a number')).toBeVisible();
  await field.fill('5+8');
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue('13 px');
  expect(await stepsIn(page)).toBe(1);
});

test('a number drags by its label, ten times as far with Shift, as one step; Escape puts it back', async ({
  page,
}) => {
  await mountPanel(page, 'ink', full(), ['a']);
  const label = page.getByText('Width', { exact: true }).first();
  const box = (await label.boundingBox())!;
  const [x, y] = [box.x + 8, box.y + box.height / 2];
  const width = async () => partOf(bearer(await pieceIn(page), 'a'), 'ink.width');
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 10, y);
  await page.mouse.move(x + 20, y);
  expect(await width()).toBe(22);
  await page.keyboard.down('Shift');
  await page.mouse.move(x + 22, y);
  expect(await width()).toBe(122);
  await page.keyboard.up('Shift');
  await page.mouse.up();
  expect(await stepsIn(page)).toBe(1);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y);
  await page.keyboard.press('Escape');
  expect(await width()).toBe(122);
  await page.mouse.up();
  expect(await stepsIn(page)).toBe(1);
});
