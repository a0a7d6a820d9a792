import fc from 'fast-check';
import { corner, smooth } from '../../geometry';
import { addLayers } from '../edits/layers';
import { movedLayer, scaledLayer } from '../edits/placing';
import { readPiece } from '../read/read-piece';
import { newArt, newPiece, newStroke } from '../schema/new-piece';
import type { Layer, Lettering, Nested } from '../schema/piece';
import { kindOf } from '.';

const outline = 'M0 0L500 0L500 700L0 700Z';
const lettering: Lettering = {
  type: 'lettering',
  id: 'text',
  name: 'Text',
  hidden: false,
  locked: false,
  opacity: 1,
  colour: '#ede6d8',
  x: 100,
  y: 300,
  setting: {
    text: 'II',
    face: { id: 'sacramento', weight: 400 },
    size: 100,
    tracking: 0,
    leading: 1.2,
    align: 'left',
  },
  set: {
    outlines: { 1: outline },
    glyphs: [
      { outline: '1', x: 0, y: 0, cluster: 0 },
      { outline: '1', x: 60, y: 0, cluster: 1 },
    ],
    scale: 0.1,
    missing: [],
    capitals: 70,
  },
};
const nested: Nested = {
  type: 'piece',
  id: 'inner',
  name: 'Inner',
  hidden: false,
  locked: false,
  opacity: 1,
  start: 12,
  after: 'nothing',
  content: newPiece('Inner', { width: 400, height: 200 }),
};
const shape = {
  data: 'M10 20L110 20L110 80L10 80Z',
  fill: '#c03000',
  fillOpacity: 1,
  rule: 'nonzero' as const,
  line: null,
  transform: [1, 0, 0, 1, 0, 0] as const,
};
const LAYERS: readonly Layer[] = [
  newStroke('stroke', 'Stroke', {
    closed: false,
    points: [smooth(40, 60, { x: 30, y: -20 }), corner(200, 90)],
  }),
  newArt('art', 'Art', { shapes: [shape], groups: [] }, [1, 0, 0, 1, 5, 6]),
  lettering,
  nested,
];
const boxOf = (layer: Layer) => kindOf(layer).box(layer)!;
const anywhere = fc.double({ min: -500, max: 500, noNaN: true });

describe.each(LAYERS.map((layer) => [layer.type, layer] as const))('%s', (type, layer) => {
  test('moved there and back it is where it was, and its box goes along', () => {
    fc.assert(
      fc.property(anywhere, anywhere, (x, y) => {
        const there = movedLayer(layer, { x, y });
        const back = movedLayer(there, { x: -x, y: -y });
        const [a, b, c] = [boxOf(layer), boxOf(there), boxOf(back)];
        // A nested piece is moved by its placement: what it is made of stays.
        const by = type === 'piece' ? { x: 0, y: 0 } : { x, y };
        expect(b.left - a.left).toBeCloseTo(by.x, 6);
        expect(b.top - a.top).toBeCloseTo(by.y, 6);
        expect(c.left).toBeCloseTo(a.left, 6);
        expect(there.type).toBe(type);
      }),
    );
  });

  test('scaled about a corner of its box it keeps that corner and grows by the factor', () => {
    if (type === 'piece') {
      expect(scaledLayer(layer, 2, { x: 0, y: 0 }).place).toMatchObject({ scaleX: 2, scaleY: 2 });
      return;
    }
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 5, noNaN: true }), (factor) => {
        const a = boxOf(layer);
        const b = boxOf(scaledLayer(layer, factor, { x: a.left, y: a.top }));
        expect(b.left).toBeCloseTo(a.left, 5);
        expect(b.top).toBeCloseTo(a.top, 5);
        expect(b.right - b.left).toBeCloseTo((a.right - a.left) * factor, 5);
      }),
    );
  });

  test('a colour given to it is its colour, and all of it can be kept', () => {
    const { ownColour, recoloured, retimed } = kindOf(layer);
    const red = recoloured(layer, '#ff0000');
    if (ownColour(layer) === null) expect(red).toBe(layer);
    else expect(ownColour(red)).toBe('#ff0000');
    const later = retimed(red, (frame) => frame * 2, 2);
    if (later.type === 'piece') expect(later.start).toBe(24);
    expect(readPiece(addLayers(newPiece('All'), [later]))).toMatchObject({ ok: true });
  });
});

test('what may be filled in: texts without a number’s place, numbers, images', () => {
  const fields = (layer: Layer) => kindOf(layer).fields(layer);
  expect(LAYERS.map(fields)).toEqual([[], ['image'], ['text'], []]);
  const counting: Lettering = {
    ...lettering,
    setting: { ...lettering.setting, text: '# m' },
    count: { value: 3, places: 0 },
  };
  expect(fields(counting)).toEqual(['number']);
});
