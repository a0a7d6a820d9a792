import { solidItems, type DrawItem, type GroupItem, itemBounds, transformed } from '../draw';
import { createCanvas } from '@napi-rs/canvas';
import { newArt, type Art, type ArtGroup, type ArtShape } from '../document';
import { paint } from '../paint';
import { artItems, partItems } from './art-items';
import { layerBounds } from './layer-bounds';

const shape = (part: Partial<ArtShape> = {}): ArtShape => ({
  data: 'M0 0L40 0L40 40L0 40Z',
  fill: '#ff0000',
  fillOpacity: 1,
  rule: 'nonzero',
  line: null,
  transform: [1, 0, 0, 1, 0, 0],
  ...part,
});
const line = {
  colour: '#0000ff',
  opacity: 1,
  width: 10,
  cap: 'flat',
  join: 'miter',
  miterLimit: 4,
  dashes: [],
  dashPhase: 0,
} as const;
const at = (x: number, y: number) => [1, 0, 0, 1, x, y] as const;
const art = (shapes: ArtShape[], groups: ArtGroup[] = [], part: Partial<Art> = {}): Art => ({
  ...newArt('art', 'Art', { shapes, groups }, [1, 0, 0, 1, 0, 0]),
  ...part,
});

/** The pixel that items leave at a place of a clear canvas of 100 by 100, as [r, g, b, a]. */
function pixel(items: readonly DrawItem[], x: number, y: number): number[] {
  const canvas = createCanvas(100, 100);
  const context = canvas.getContext('2d');
  paint({ width: 100, height: 100, items }, context, createCanvas);
  return [...context.getImageData(x, y, 1, 1).data];
}

test('one paint alone is an item, several of a faint whole are laid down as one: nothing shows through', () => {
  expect(artItems(art([shape()]))).toMatchObject([{ kind: 'fill', opacity: 1 }]);
  const faint = artItems(
    art([shape({ line }), shape({ transform: at(20, 20), fill: '#00ff00' })], [], { opacity: 0.5 }),
  );
  expect(faint).toHaveLength(1);
  expect(faint[0]).toMatchObject({ kind: 'group', opacity: 0.5 });
  // Where all three lie over one another each pixel is the topmost, half there.
  expect(pixel(faint, 30, 30)).toEqual([0, 255, 0, expect.closeTo(128, -1)]);
  expect(artItems(art([shape()], [], { opacity: 0.5 }))).toMatchObject([{ kind: 'fill', opacity: 0.5 }]);
});

test('groups hold the shapes next to one another that name them, and groups within them', () => {
  const groups: ArtGroup[] = [
    { opacity: 0.5 },
    { group: 0, opacity: 0.4 },
    { opacity: 1, blend: 'multiply' },
  ];
  const shapes = [
    shape({ group: 0 }),
    shape({ group: 1, transform: at(5, 0) }),
    shape({ group: 1, transform: at(10, 0) }),
    shape({ transform: at(50, 0) }),
    shape({ group: 2, transform: at(50, 20) }),
  ];
  const [whole] = artItems(art(shapes, groups)) as [GroupItem];
  // What blends blends within the art alone.
  expect(whole).toMatchObject({ kind: 'group', opacity: 1 });
  expect(whole.items.map((item) => [item.kind, item.opacity])).toEqual([
    ['group', 0.5],
    ['fill', 1],
    ['group', 1],
  ]);
  const inner = (whole.items[0] as GroupItem).items;
  expect(inner.map((item) => item.kind)).toEqual(['fill', 'group']);
  expect((inner[1] as GroupItem).items).toHaveLength(2);
});

test('a matte by shape shows what it covers, one by brightness as much as it is bright', () => {
  const covers: ArtGroup[] = [
    { opacity: 1, matte: { by: 'shape', shapes: [shape({ transform: at(20, 20) })] } },
  ];
  const clipped = artItems(art([shape({ group: 0 })], covers));
  expect(pixel(clipped, 30, 30)).toEqual([255, 0, 0, 255]);
  expect(pixel(clipped, 10, 10)[3]).toBe(0);
  const bright = (fill: string): ArtGroup[] => [
    { opacity: 1, matte: { by: 'brightness', shapes: [shape({ fill })] } },
  ];
  const seen = (fill: string): number =>
    pixel(artItems(art([shape({ group: 0 })], bright(fill))), 20, 20)[3]!;
  expect(seen('#ffffff')).toBe(255);
  expect(seen('#000000')).toBe(0);
  // Luma of ITU-R BT.709: green weighs 0.7152.
  expect(seen('#00ff00')).toBeCloseTo(182, -1);
  // What it is seen through by a group of its own, which stands after it.
  const nested: ArtGroup[] = [
    {
      opacity: 1,
      matte: { by: 'shape', shapes: [shape({ group: 1 }), shape({ group: 1, transform: at(10, 10) })] },
    },
    { opacity: 0.5 },
  ];
  expect(pixel(artItems(art([shape({ group: 0 })], nested)), 20, 20)[3]).toBeCloseTo(128, -1);
});

test('gradients go along with what they paint: moved, turned, drawn out', () => {
  const stops = [
    { at: 0, colour: '#000000', opacity: 1 },
    { at: 1, colour: '#ffffff', opacity: 1 },
  ];
  const linear = shape({ fill: { kind: 'linear', from: { x: 0, y: 0 }, to: { x: 40, y: 0 }, stops } });
  const radial = shape({
    fill: {
      kind: 'radial',
      centre: { x: 20, y: 20 },
      radius: 20,
      focus: { x: 20, y: 20 },
      focusRadius: 0,
      transform: [1, 0, 0, 1, 0, 0],
      stops,
    },
  });
  for (const one of [linear, radial]) {
    const items = artItems(art([one]));
    const m = [1.5, 0.4, -0.3, 1.2, 20, 10] as const;
    const mapped = items.map((item) => transformed(item, m));
    for (const [x, y] of [
      [10, 20],
      [20, 20],
      [31, 12],
    ] as const) {
      const [px, py] = [m[0] * x + m[2] * y + m[4], m[1] * x + m[3] * y + m[5]];
      // A gradient runs by a shade from pixel to pixel.
      const [before, after] = [pixel(items, x, y)[0]!, pixel(mapped, Math.round(px), Math.round(py))[0]!];
      expect(Math.abs(before - after)).toBeLessThan(14);
    }
  }
});

test('a pen painted with a radial gradient is the gradient kept to its shape', () => {
  const colour = {
    kind: 'radial' as const,
    centre: { x: 20, y: 0 },
    radius: 30,
    focus: { x: 20, y: 0 },
    focusRadius: 0,
    transform: [1, 0, 0, 1, 0, 0] as const,
    stops: [
      { at: 0, colour: '#ffffff', opacity: 1 },
      { at: 1, colour: '#000000', opacity: 1 },
    ],
  };
  const items = artItems(art([shape({ fill: null, line: { ...line, colour }, transform: at(30, 30) })]));
  expect(items[0]!.kind).toBe('group');
  expect(pixel(items, 50, 30)[0]).toBeGreaterThan(200);
  expect(pixel(items, 31, 69)[0]).toBeLessThan(60);
  expect(pixel(items, 50, 50)[3]).toBe(0);
});

test('shape by shape each is in its groups, and hidden or see-through art shows nothing', () => {
  const groups: ArtGroup[] = [{ opacity: 0.5 }];
  const two = art([shape({ group: 0 }), shape({ group: 0, transform: at(50, 0) })], groups);
  expect(partItems(two).map((items) => items.map(({ kind, opacity }) => [kind, opacity]))).toEqual([
    [['group', 0.5]],
    [['group', 0.5]],
  ]);
  expect(artItems({ ...two, hidden: true })).toEqual([]);
  expect(artItems({ ...two, opacity: 0 })).toEqual([]);
  expect(artItems(two)).toBe(artItems(two));
});

test('as ink all that shows covers wholly; what it is seen through stays', () => {
  const groups: ArtGroup[] = [
    { opacity: 0.3, matte: { by: 'shape', shapes: [shape({ data: 'M0 0L20 0L20 40L0 40Z' })] } },
  ];
  const solid = solidItems(artItems(art([shape({ group: 0, fill: '#123456', fillOpacity: 0.4 })], groups)));
  expect(pixel(solid, 10, 20)).toEqual([0, 0, 0, 255]);
  expect(pixel(solid, 30, 20)[3]).toBe(0);
});

test('its bounds hold all of its ink, and no more than a clip leaves of it', () => {
  const far = shape({ data: 'M0 0L900 0L900 40L0 40Z', group: 0 });
  const groups: ArtGroup[] = [{ opacity: 1, matte: { by: 'shape', shapes: [shape()] } }];
  expect(layerBounds(art([far], groups))).toEqual({ left: 0, top: 0, right: 40, bottom: 40 });
  const lined = artItems(art([shape({ line })]));
  for (const item of lined) {
    const box = itemBounds(item)!;
    expect(box.left).toBeLessThanOrEqual(0);
    expect(box.right).toBeGreaterThanOrEqual(40);
  }
  expect(layerBounds(art([shape({ line })]))).toEqual({ left: -5, top: -5, right: 45, bottom: 45 });
});
