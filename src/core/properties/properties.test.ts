import { z } from 'zod';
import fc from 'fast-check';
import { layerSchema, newMask, newStroke, partOf, propertyOf, type Stroke } from '../document';
import { corner } from '../geometry';
import { FACTS, keyedNumber, mapKnown, number, propertyAt, scaled } from '.';

const stroke: Stroke = {
  ...newStroke('s', 'Stroke', { closed: false, points: [corner(10, 20), corner(110, 20)] }),
  masks: [
    newMask('clock', {
      kind: 'clock wipe',
      centre: { x: 50, y: 50 },
      reach: 40,
      angle: 0,
      share: 0.5,
      anticlockwise: false,
    }),
    newMask('box', { kind: 'rectangle', x: 10, y: 10, width: 20, height: 30, radius: 4 }),
  ],
};

test('names say what they belong to, counted in lists; shapes are told apart by what they are', () => {
  const ink: Stroke['ink'] = {
    ...stroke.ink,
    taper: { over: 'whole', start: { length: 20, unit: 'px', tip: 0, curve: { type: 'linear' } } },
    dashes: {
      pattern: [1, 2],
      unit: 'widths',
      phase: 0,
      flow: 'stay',
      speed: { value: 1, unit: 'px', seamless: false },
      fit: false,
      corners: false,
      grow: 0,
    },
    gradient: {
      along: 'whole',
      from: { x: 0, y: 0 },
      to: { x: 1, y: 0 },
      stops: [{ at: 0, colour: '#ffffff', opacity: 1 }],
    },
  };
  const full: Stroke = { ...stroke, ink };
  for (const [part, fullName, unit, kind] of [
    ['head', 'Head', 'share', 'number'],
    ['ink.width', 'Width', 'px', 'number'],
    ['ink.colour', 'Colour', 'number', 'colour'],
    ['ink.taper.start.length', 'Taper at the start, length', 'px', 'number'],
    ['ink.dashes.phase', 'Dash phase', 'widths', 'number'],
    ['ink.gradient.stops.0.opacity', 'Colour stop 1, opacity', 'share', 'number'],
    ['place.rotation', 'Rotation', 'angle', 'number'],
    ['masks.0.shape.angle', 'Mask 1, start angle', 'angle', 'number'],
    ['masks.1.shape.x', 'Mask 2, left', 'px', 'number'],
    ['masks.1.feather', 'Mask 2, feather', 'px', 'number'],
  ] as const)
    expect(propertyOf(full, part)).toMatchObject({ fullName, unit, kind });
  expect(propertyOf(full, 'ink.nothing')).toBeUndefined();
});

test('a unit that is told beside a number is the one that is there', () => {
  const travelling = (unit: string) =>
    propertyOf({ window: { ...stroke.window, travel: { length: 1, unit } } } as never, 'travel.length')!;
  expect(travelling('px')).toMatchObject({ unit: 'px', step: 1 });
  expect(travelling('share')).toMatchObject({ unit: 'share', step: 0.01 });
  expect(travelling('frames')).toMatchObject({ unit: 'frames', step: 1 });
});

test('everything of a layer that is a length or a place is scaled, keyed or not; there and back is where it was', () => {
  const keyed: Stroke = {
    ...stroke,
    ink: {
      ...stroke.ink,
      width: {
        keys: [
          { frame: 0, value: 4, easing: { type: 'linear' } },
          { frame: 9, value: 12, easing: { type: 'linear' } },
        ],
      },
      glow: { size: 10, gain: 2, colour: '#ffffff', opacity: 1 },
    },
  };
  const about = { x: 7, y: -3 };
  const twice = scaled<Stroke>(layerSchema, keyed, 2, about);
  expect(twice.ink.width).toMatchObject({ keys: [{ value: 8 }, { value: 24 }] });
  expect(twice.ink.glow).toEqual({ size: 20, gain: 2, colour: '#ffffff', opacity: 1 });
  expect(twice.path.points[0]).toMatchObject({ x: 13, y: 43 });
  expect(twice.masks![0]!.shape).toMatchObject({ centre: { x: 93, y: 103 }, reach: 80, share: 0.5 });
  expect(twice.masks![1]!.shape).toMatchObject({ x: 13, y: 23, width: 40, radius: 8 });
  expect(twice.window).toBe(keyed.window);
  fc.assert(
    fc.property(fc.double({ min: 0.25, max: 4, noNaN: true }), (factor) => {
      const back = scaled<Stroke>(
        layerSchema,
        scaled<Stroke>(layerSchema, keyed, factor, about),
        1 / factor,
        about,
      );
      for (const part of ['masks.1.shape.width', 'masks.1.shape.x', 'masks.0.shape.reach', 'ink.glow.size'])
        expect(partOf(back, part)).toBeCloseTo(partOf(keyed, part) as number, 9);
    }),
  );
});

test('only pixels are scaled where a unit is told beside the number, and bounds hold', () => {
  const schema = z.strictObject({
    unit: z.enum(['px', 'share']),
    list: z.array(number({ name: 'Dash', unit: { field: 'unit' }, min: 0, max: 100, scales: 'size' })),
    keyed: keyedNumber({ name: 'Size', unit: 'px', min: -10, max: 10, scales: 'size' }).exactOptional(),
  });
  const at = { x: 0, y: 0 };
  expect(scaled(schema, { unit: 'px', list: [1, 60] }, 3, at)).toEqual({ unit: 'px', list: [3, 100] });
  const share = { unit: 'share' as const, list: [1, 60] };
  expect(scaled(schema, share, 3, at)).toBe(share);
  expect(scaled(schema, { ...share, keyed: -8 }, 2, at).keyed).toBe(-10);
  expect(propertyAt(schema, share, ['list', '0'])).toMatchObject({ unit: 'share' });
});

test('what is not spoken of stays the same object', () => {
  const schema = z.strictObject({
    a: z.strictObject({ id: z.string().register(FACTS, { kind: 'id' }) }),
    b: z.strictObject({ n: z.number() }),
  });
  const value = { a: { id: 'x' }, b: { n: 1 } };
  const renamed = mapKnown(schema, value, ['id'], (id) => `${String(id)}2`);
  expect(renamed).toEqual({ a: { id: 'x2' }, b: { n: 1 } });
  expect(renamed.b).toBe(value.b);
  expect(mapKnown(schema, value, ['id'], (id) => id)).toBe(value);
});
