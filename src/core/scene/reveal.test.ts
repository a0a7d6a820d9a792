import { createCanvas } from '@napi-rs/canvas';
import {
  addLayers,
  groupLayers,
  newPiece,
  newStroke,
  readPiece,
  revealFault,
  revealThrough,
  setReveal,
  type Art,
  type Piece,
  type Reveal,
} from '../document';
import { corner } from '../geometry';
import { paint, type MakeCanvas } from '../paint';
import { changedItems } from '../draw';
import { evaluate } from '.';

const [W, H] = [40, 24];
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;

/** A filled rectangle as art. */
const box = (id: string, left: number, width: number, colour: string, opacity = 1): Art => ({
  type: 'art',
  id,
  name: id,
  hidden: false,
  locked: false,
  opacity,
  transform: [1, 0, 0, 1, 0, 0],
  shapes: [
    {
      data: `M${left} 0L${left + width} 0L${left + width} ${H}L${left} ${H}Z`,
      fill: colour,
      fillOpacity: 1,
      rule: 'nonzero',
      line: null,
      transform: [1, 0, 0, 1, 0, 0],
    },
  ],
});
const pieceOf = (...layers: Piece['layers'][number][]): Piece => ({
  ...addLayers(newPiece('Reveal', { width: W, height: H }), layers),
});
/** Red, green, blue, alpha (0..255, unmultiplied) in the middle of a column. */
function pixel(piece: Piece, x: number): number[] {
  const canvas = createCanvas(W, H);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, 0), context, make);
  return [...context.getImageData(x, H / 2, 1, 1).data];
}
const near = (got: number[], want: number[], by = 2) =>
  got.forEach((value, i) => expect(Math.abs(value - want[i]!)).toBeLessThanOrEqual(by));

const reveal = (piece: Piece, id: string, through: string[], part: Partial<Reveal> = {}) =>
  setReveal(piece, [id], revealThrough(through, part));

test('what is revealed has the alpha of both, by Porter and Duff: in by shape, out inverted', () => {
  // Compositing by value: αin = αs·αb, αout = αs·(1 − αb) (Porter & Duff 1984).
  for (const [art, veil] of [
    [1, 1],
    [0.6, 1],
    [1, 0.4],
    [0.7, 0.5],
  ] as const) {
    const piece = pieceOf(box('art', 0, 40, '#c06020', art), box('veil', 10, 10, '#000000', veil));
    const shown = reveal(piece, 'art', ['veil']);
    near(pixel(shown, 15), [0xc0, 0x60, 0x20, Math.round(255 * art * veil)]);
    expect(pixel(shown, 30)[3]).toBe(0);
    const out = reveal(piece, 'art', ['veil'], { inverted: true });
    near(pixel(out, 15).slice(3), [Math.round(255 * art * (1 - veil))]);
    near(pixel(out, 30), [0xc0, 0x60, 0x20, Math.round(255 * art)]);
    // Shown, the veil lies over what it uncovers.
    if (veil === 1) near(pixel(reveal(piece, 'art', ['veil'], { shown: true }), 15), [0, 0, 0, 255]);
  }
});

test('brightness reveals by luma, whatever the alpha', () => {
  for (const [colour, luma] of [
    ['#ffffff', 1],
    ['#000000', 0],
    ['#ff0000', 0.2126],
    ['#00ff00', 0.7152],
    ['#0000ff', 0.0722],
    ['#808080', 128 / 255],
  ] as const) {
    const piece = pieceOf(box('art', 0, 40, '#123456'), box('veil', 10, 10, colour, 0.5));
    near(pixel(reveal(piece, 'art', ['veil'], { by: 'brightness' }), 15).slice(3), [255 * 0.5 * luma]);
    const inverted = reveal(piece, 'art', ['veil'], { by: 'brightness', inverted: true });
    near(pixel(inverted, 15).slice(3), [255 * (1 - 0.5 * luma)]);
  }
});

test('several reveal together, chains and groups go to their end, hidden ones still do their work', () => {
  const piece = pieceOf(
    box('art', 0, 40, '#ffffff'),
    { ...box('a', 4, 8, '#000000'), hidden: true },
    box('b', 20, 8, '#000000'),
    box('c', 22, 4, '#000000'),
  );
  const both = reveal(piece, 'art', ['a', 'b']);
  expect([6, 14, 24, 34].map((x) => pixel(both, x)[3])).toEqual([255, 0, 255, 0]);
  // b is itself seen only through c.
  const chain = reveal(both, 'b', ['c']);
  expect([6, 21, 25, 34].map((x) => pixel(chain, x)[3])).toEqual([255, 0, 255, 0]);
  const grouped = groupLayers(piece, ['a', 'b'], { id: 'g', name: 'G' });
  expect([6, 14, 24].map((x) => pixel(reveal(grouped, 'art', ['g']), x)[3])).toEqual([255, 0, 255]);
  const whole = setReveal(
    groupLayers(piece, ['art', 'b'], { id: 'g', name: 'G' }),
    ['g'],
    revealThrough(['c']),
  );
  expect([6, 21, 25].map((x) => pixel(whole, x)[3])).toEqual([0, 0, 255]);
});

test('nothing is shown through itself, by whatever way; what it was seen through gone, it is seen', () => {
  const piece = reveal(pieceOf(box('art', 0, 40, '#ffffff'), box('a', 4, 8, '#000000')), 'art', ['a']);
  expect(revealFault(piece, ['a'], ['a'])).toContain('itself');
  expect(revealFault(piece, ['a'], ['art'])).toContain('seen through it already');
  expect(revealFault(piece, ['art'], [])).toContain('Choose');
  expect(revealFault(piece, ['art'], ['a'])).toBeNull();
  expect(readPiece(reveal(piece, 'a', ['art']))).toMatchObject({
    ok: false,
    faults: [{ message: 'is shown through itself' }],
  });
  const inGroup = groupLayers(piece, ['art', 'a'], { id: 'g', name: 'G' });
  expect(readPiece(reveal(inGroup, 'a', ['g']))).toMatchObject({ ok: false });
  const gone = { ...piece, layers: piece.layers.filter((layer) => layer.id !== 'a') };
  expect(readPiece(gone)).toMatchObject({ ok: true });
  expect(pixel(gone, 30)[3]).toBe(255);
});

test('a stroke uncovers as it is written, feathered if asked; a frame that changes nothing is the same list', () => {
  const pen = newStroke(
    'pen',
    'Pen',
    { closed: false, points: [corner(0, 12), corner(40, 12)] },
    {
      width: 30,
      colour: '#ff0000',
      opacity: 1,
      cap: 'flat',
      join: 'round',
    },
  );
  const half = { ...pen, window: { ...pen.window, head: 0.5 } };
  const piece = reveal(pieceOf(box('art', 0, 40, '#ffffff'), half), 'art', ['pen']);
  expect([10, 30].map((x) => pixel(piece, x)[3])).toEqual([255, 0]);
  const soft = reveal(piece, 'art', ['pen'], { feather: 8 });
  const edge = pixel(soft, 20)[3]!;
  expect(edge).toBeGreaterThan(60);
  expect(edge).toBeLessThan(200);
  expect(changedItems(evaluate(piece, 3).items, evaluate(piece, 9).items).came).toEqual([]);
});

test('a soft matte that reaches beyond what is seen through it, and beyond the picture, leaves no rim there', () => {
  const pen = newStroke(
    'pen',
    'pen',
    { closed: false, points: [corner(-90, 12), corner(130, 12)] },
    { width: 120, colour: '#000000', opacity: 1, cap: 'round', join: 'round' },
  );
  for (const by of ['shape', 'brightness'] as const) {
    const white = { ...pen, ink: { ...pen.ink, colour: '#ffffff' } };
    for (const [left, width] of [
      [10, 20],
      [-5, 50],
    ] as const) {
      const soft = reveal(pieceOf(box('art', left, width, '#ffffff'), white), 'art', ['pen'], {
        feather: 8,
        by,
      });
      const columns = [Math.max(0, left), 20, Math.min(W, left + width) - 1];
      expect(columns.map((x) => pixel(soft, x)[3])).toEqual([255, 255, 255]);
    }
  }
});

test('confined, each letter is uncovered only by strokes that run along it', () => {
  const at = (id: string, y: number, width: number, x0: number, x1: number) =>
    newStroke(
      id,
      id,
      { closed: false, points: [corner(x0, y), corner(x1, y)] },
      {
        width,
        colour: '#000000',
        opacity: 1,
        cap: 'flat',
        join: 'round',
      },
    );
  const two: Art = {
    ...box('two', 2, 8, '#ffffff'),
    shapes: [...box('', 2, 8, '#ffffff').shapes, ...box('', 14, 8, '#00ff00').shapes],
  };
  // The first stroke is so wide that it reaches far into the second shape.
  const piece = pieceOf(two, at('first', 12, 60, 2, 18), {
    ...at('second', 12, 60, 14, 22),
    window: { head: 0, tail: 0, slide: 0 },
  });
  const loose = reveal(piece, 'two', ['first', 'second']);
  expect([6, 16].map((x) => pixel(loose, x)[3])).toEqual([255, 255]);
  const confined = reveal(piece, 'two', ['first', 'second'], { confined: true });
  expect(pixel(confined, 6)[3]).toBe(255);
  expect(pixel(confined, 20)[3]).toBe(0);
  // What is no stroke uncovers every letter; where there are no strokes at all, that alone decides.
  const veiled = { ...piece, layers: [...piece.layers, box('veil', 20, 2, '#000000')] };
  const mixed = reveal(veiled, 'two', ['first', 'second', 'veil'], { confined: true });
  expect([6, 19, 21].map((x) => pixel(mixed, x)[3])).toEqual([255, 0, 255]);
  const alone = reveal(veiled, 'two', ['veil'], { confined: true });
  expect([19, 21].map((x) => pixel(alone, x)[3])).toEqual([0, 255]);
});
