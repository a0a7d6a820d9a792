import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import {
  addLayers,
  newPiece,
  newStroke,
  revealThrough,
  setInk,
  setReveal,
  type Art,
  type Piece,
  type Stroke,
} from '../document';
import {
  commandsOf,
  corner,
  distanceToStretch,
  transformCommands,
  transformPath,
  translation,
  type Point,
} from '../geometry';
import { paint, type MakeCanvas } from '../paint';
import { evaluate } from './evaluate';
import { heldOut } from './held-out';
import { times } from '../testing/cases';

const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;
const SIDE = 260;
const LONG = 90;

/** Two bars of a letter that part from one place: at which angle, turned how, how wide, and how much wider their pens are. */
const anglesOfLetters = fc.record({
  degrees: fc.integer({ min: 12, max: 80 }),
  turned: fc.integer({ min: 0, max: 359 }),
  wide: fc.integer({ min: 8, max: 22 }),
  wider: fc.integer({ min: 15, max: 60 }),
});

const from = (p: Point, degrees: number, by: number): Point => ({
  x: p.x + by * Math.cos((degrees * Math.PI) / 180),
  y: p.y + by * Math.sin((degrees * Math.PI) / 180),
});

/** A bar as a closed outline; all of them turn the same way. */
function bar(a: Point, b: Point, wide: number): string {
  const along = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  const corners = [from(a, along - 90, wide / 2), from(b, along - 90, wide / 2)];
  corners.push(from(b, along + 90, wide / 2), from(a, along + 90, wide / 2));
  return `M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
}

function letterOf({
  degrees,
  turned,
  wide,
  wider,
}: { [K in 'degrees' | 'turned' | 'wide' | 'wider']: number }) {
  const middle = { x: SIDE / 2, y: SIDE / 2 };
  const tip = from(middle, turned, -LONG / 2);
  const [a, b] = [from(tip, turned - degrees / 2, LONG), from(tip, turned + degrees / 2, LONG)];
  const data = bar(a, tip, wide) + bar(tip, b, wide);
  const art: Art = {
    type: 'art',
    id: 'letter',
    name: 'Letter',
    hidden: false,
    locked: false,
    opacity: 1,
    transform: [1, 0, 0, 1, 0, 0],
    shapes: [
      { data, fill: '#000000', fillOpacity: 1, rule: 'nonzero', line: null, transform: [1, 0, 0, 1, 0, 0] },
    ],
  };
  const line = (id: string, p: Point, q: Point): Stroke =>
    newStroke(id, id, { closed: false, points: [corner(p.x, p.y), corner(q.x, q.y)] });
  const drawn = addLayers(newPiece('Letter', { width: SIDE, height: SIDE }), [
    art,
    line('down', a, tip),
    line('up', tip, b),
  ]);
  const piece = setInk(drawn, ['down', 'up'], { width: wide * (1 + wider / 100), cap: 'round' });
  return { piece, data, tip, a, b };
}

/** Alpha of what is seen of the letter with so much of each stroke written. */
function alphaOf(piece: Piece, down: number, up: number, confined = true): Uint8Array {
  const layers = piece.layers.map((layer) =>
    layer.type === 'stroke'
      ? { ...layer, window: { ...layer.window, head: layer.id === 'down' ? down : up, tail: 0 } }
      : layer,
  );
  const seen = setReveal({ ...piece, layers }, ['letter'], revealThrough(['down', 'up'], { confined }));
  const context = createCanvas(SIDE, SIDE).getContext('2d');
  paint(evaluate(seen, 0), context, make);
  const { data } = context.getImageData(0, 0, SIDE, SIDE);
  return Uint8Array.from({ length: SIDE * SIDE }, (_, i) => data[4 * i + 3]!);
}

test('a pen that is wider than its bar shows nothing of the bar beside it before that is written', () => {
  let tempted = 0;
  const numRuns = times(15, 1200);
  fc.assert(
    fc.property(anglesOfLetters, (angle) => {
      const { piece, tip, a, b } = letterOf(angle);
      const alpha = alphaOf(piece, 1, 0);
      const half = (angle.wide * (1 + angle.wider / 100)) / 2;
      let early = 0;
      for (let i = 0; i < alpha.length; i++) {
        const p = { x: (i % SIDE) + 0.5, y: Math.floor(i / SIDE) + 0.5 };
        const [down, up] = [distanceToStretch(p, a, tip), distanceToStretch(p, tip, b)];
        // The other's ink and not its own, but for what both show of what lies between them.
        if (up > angle.wide / 2 - 1 || down < angle.wide / 2 + 2.5 || down - up < 3) continue;
        if (down < half - 1) tempted++;
        if (alpha[i]! > 0) early++;
      }
      return early === 0;
    }),
    { numRuns },
  );
  // There was ink that the pens lay over.
  expect(tempted).toBeGreaterThan(2 * numRuns);
});

test('where one leaves something to the other no seam is left: what both have written is as whole as with no such care', () => {
  fc.assert(
    fc.property(anglesOfLetters, (angle) => {
      const { piece } = letterOf(angle);
      // All but the last bit of it, so that both still leave to the other what is its own.
      const [careful, careless] = [alphaOf(piece, 1, 0.97), alphaOf(piece, 1, 0.97, false)];
      return careful.every((value, i) => Math.abs(value - careless[i]!) <= 1);
    }),
    { numRuns: times(15, 1200) },
  );
});

test('a letter that is moved leaves the same to its strokes, whether it was looked at before or not', () => {
  fc.assert(
    fc.property(
      anglesOfLetters,
      fc.integer({ min: -900, max: 900 }),
      fc.integer({ min: -900, max: 900 }),
      (angle, x, y) => {
        const { piece, data } = letterOf(angle);
        const strokes = piece.layers.filter((layer) => layer.type === 'stroke');
        const outline = commandsOf(data);
        const by = translation(x / 8, y / 8);
        const moved = transformCommands(outline, by);
        const carried = strokes.map((stroke) => ({ ...stroke, path: transformPath(stroke.path, by) }));
        const known = {};
        heldOut(outline, strokes, known, 0);
        const there = heldOut(moved, carried, known, 0);
        expect(there).toEqual(heldOut(moved, carried, {}, 0));
      },
    ),
    { numRuns: times(15, 1000) },
  );
});

test('what a stroke that does not cover its path would have to show is left to nobody', () => {
  const { piece, data } = letterOf({ degrees: 30, turned: 0, wide: 14, wider: 50 });
  const strokes = piece.layers.filter((layer) => layer.type === 'stroke');
  const outline = commandsOf(data);
  expect(heldOut(outline, strokes, {}, 0).every((held) => held !== null)).toBe(true);
  const tapered = setInk(piece, ['up'], {
    taper: { end: { length: 40, unit: 'px', over: 'whole' } },
  } as never);
  const [down] = heldOut(
    outline,
    tapered.layers.filter((layer) => layer.type === 'stroke'),
    {},
    0,
  );
  expect(down).toBeNull();
});
