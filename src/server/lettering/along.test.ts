import {
  addLayers,
  newLettering,
  newPiece,
  setText as withText,
  type Lettering,
  type TextSetting,
} from '@/core/document';
import { withKey } from '@/core/timing';
import { commandsOf } from '@/core/geometry';
import { variedAt } from '@/core/scene';
import { setLettering } from './faces';

const SETTING: TextSetting = {
  text: 'Heronsgate\nfjord & quay',
  face: { id: 'instrument-sans', weight: 400, axes: { wdth: 100 } },
  ...{ size: 200, tracking: 10, leading: 1.2, align: 'centre' },
};
const along = (...tags: string[]): TextSetting => ({ ...SETTING, face: { ...SETTING.face, along: tags } });

/** Greatest distance between two settings of a text, px: of the places of glyphs, and of the numbers of their outlines. */
async function missAt(tags: readonly string[], weight: number, width: number): Promise<number> {
  const setting = along(...tags);
  const plain = newLettering('a', 'A', setting, await setLettering(setting), { x: 0, y: 0 });
  const value = { wght: weight, wdth: width } as Record<string, number>;
  const mixed = variedAt(
    { ...plain, axes: Object.fromEntries(tags.map((tag) => [tag, value[tag]!])) },
    0,
  ).set;
  const { id } = SETTING.face;
  const real = await setLettering({
    ...SETTING,
    face: {
      ...{ id, weight: tags.includes('wght') ? weight : 400 },
      axes: { wdth: tags.includes('wdth') ? width : 100 },
    },
  });
  expect(mixed.glyphs.length).toBe(real.glyphs.length);
  const places = real.glyphs.map(({ x, y }, i) =>
    Math.max(Math.abs(mixed.glyphs[i]!.x - x), Math.abs(mixed.glyphs[i]!.y - y)),
  );
  const numbers = (data: string): number[] => commandsOf(data).flatMap(([, ...n]) => n as number[]);
  const outlines = Object.entries(real.outlines).flatMap(([name, data]) => {
    const own = numbers(mixed.outlines[name]!);
    return numbers(data).map((n, i) => Math.abs(n - own[i]!) * real.scale);
  });
  return Math.max(...places, ...outlines);
}

// HarfBuzz setting the text at that very place is what it is held to.
test.each([
  [['wght'], 437, 100],
  [['wght'], 400, 100],
  [['wght'], 689.5, 100],
  [['wdth'], 400, 81],
  [['wght', 'wdth'], 431, 77],
  [['wght', 'wdth'], 612, 93.5],
  [['wght', 'wdth'], 700, 75],
])(
  'along %j a text is at %d, %d as the face itself is there, within a thousandth of its size or two',
  async (tags, weight, width) => {
    expect(await missAt(tags, weight, width)).toBeLessThanOrEqual(0.002 * SETTING.size * tags.length);
  },
);

test('keys of axes go where the text is set along them no more; an axis that its face has not is left out', async () => {
  const setting = along('wght');
  const keyed = withKey(withKey(400, 0, 400), 20, 700);
  const made: Lettering = {
    ...newLettering('a', 'A', setting, await setLettering(setting), { x: 0, y: 0 }),
    axes: { wght: keyed },
  };
  const piece = addLayers(newPiece('Along'), [made]);
  const kept = withText(
    piece,
    'a',
    { ...setting, text: 'Heron' },
    await setLettering({ ...setting, text: 'Heron' }),
  );
  expect(kept.layers[0]).toMatchObject({ axes: { wght: keyed } });
  const still = { ...SETTING, text: 'Heron' };
  expect(withText(kept, 'a', still, await setLettering(still)).layers[0]).not.toHaveProperty('axes');
  const other = { ...along('wght'), face: { id: 'work-sans', weight: 400, along: ['wght', 'GRAD'] } };
  expect(await setLettering(other)).not.toHaveProperty('along');
});
