import { inkBounds } from '../draw';
import { createCanvas } from '@napi-rs/canvas';
import {
  addLayers,
  newPiece,
  newStroke,
  readPiece,
  setInk,
  setKey,
  type Piece,
  type Stroke,
} from '../document';
import { corner, measurePath, smooth, type Path } from '../geometry';
import { paint } from '../paint';
import { seeded } from '../testing/families';
import { evaluate } from '.';

const line: Path = { closed: false, points: [corner(20, 50), corner(180, 50)] };
const ring: Path = {
  closed: true,
  points: [
    smooth(100, 20, { x: 17, y: 0 }),
    smooth(130, 50, { x: 0, y: 17 }),
    smooth(100, 80, { x: -17, y: 0 }),
    smooth(70, 50, { x: 0, y: -17 }),
  ],
};
const ink = { width: 10, colour: '#ff0000', opacity: 1, cap: 'flat', join: 'round' } as const;
const pieceOf = (...strokes: Stroke[]): Piece =>
  addLayers(newPiece('Test', { width: 200, height: 100 }), strokes);
const stroke = (path: Path, window: Partial<Stroke['window']> = {}): Stroke => {
  const made = newStroke('s', 'S', path, ink);
  return { ...made, window: { ...made.window, ...window } };
};

function pixels(
  piece: Piece,
  frame = 0,
  scale = 1,
): { alpha: (x: number, y: number) => number; data: Uint8ClampedArray } {
  const canvas = createCanvas(200 * scale, 100 * scale);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, createCanvas, scale);
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return { alpha: (x, y) => data[(y * canvas.width + x) * 4 + 3]!, data };
}

test('ink lies between tail and head and nowhere else', () => {
  const p = pixels(pieceOf(stroke(line, { head: 0.75, tail: 0.25 })));
  expect([55, 61, 100, 139, 145].map((x) => p.alpha(x, 50))).toEqual([0, 255, 255, 255, 0]);
  expect(p.alpha(100, 44)).toBe(0);
  for (const [head, tail] of [
    [0.5, 0.5],
    [0.2, 0.6],
    [-1, -2],
    [3, 2],
  ] as const) {
    expect(evaluate(pieceOf(stroke(line, { head, tail })), 0).items).toEqual([]);
  }
});

test('slide turns the window round a closed path and runs it off an open one', () => {
  const on = (slide: number) => pixels(pieceOf(stroke(ring, { head: 0.25, tail: 0, slide })));
  const quarters = (p: { alpha: (x: number, y: number) => number }) =>
    [
      [121, 29],
      [121, 71],
      [79, 71],
      [79, 29],
    ].map(([x, y]) => p.alpha(x!, y!) > 128);
  expect([0, 0.25, 0.5, 0.75, 1, -0.25].map((s) => quarters(on(s)).indexOf(true))).toEqual([
    0, 1, 2, 3, 0, 3,
  ]);
  // Across the first point: half of the last and half of the first quarter, in one piece.
  expect(
    evaluate(pieceOf(stroke(ring, { head: 0.25, tail: 0, slide: 0.875 })), 0).items.flatMap((item) =>
      item.kind === 'group' ? [] : item.path.filter((c) => c[0] === 'M'),
    ),
  ).toHaveLength(1);
  expect(evaluate(pieceOf(stroke(line, { head: 0.25, tail: 0, slide: 1 })), 0).items).toEqual([]);
});

test('a stroke without length shows its cap alone (SVG 2, 13.5.4), and only while it is inked', () => {
  const dot: Path = { closed: false, points: [corner(100, 50)] };
  const area = (cap: 'flat' | 'round' | 'square', head = 1) => {
    const p = setInk(pieceOf(stroke(dot, { head })), ['s'], { cap, width: 20 });
    return pixels(p).data.reduce((sum, v, i) => sum + (i % 4 === 3 ? v / 255 : 0), 0);
  };
  expect(area('round')).toBeGreaterThan(Math.PI * 100 * 0.99);
  expect(area('round')).toBeLessThan(Math.PI * 100 * 1.01);
  expect(area('square')).toBeCloseTo(400, 0);
  expect(area('flat')).toBe(0);
  expect(area('round', 0)).toBe(0);
});

test('the same document and frame give the same list, also after a trip through JSON', () => {
  let piece = pieceOf(stroke(ring), { ...stroke(line), id: 't' });
  piece = setKey(setKey(piece, 't', 'head', 0, 0), 't', 'head', 40, 1, { type: 'linear' });
  const again = readPiece(JSON.parse(JSON.stringify(piece)));
  if (!again.ok) throw new Error('not read');
  for (const frame of [0, 0.5, 17, 40, 99]) {
    expect(evaluate(again.piece, frame)).toEqual(evaluate(piece, frame));
    expect(JSON.parse(JSON.stringify(evaluate(piece, frame)))).toEqual(evaluate(piece, frame));
  }
});

test('translucent ink that crosses itself is not doubled, and hidden ink is not drawn', () => {
  const cross: Path = {
    closed: false,
    points: [corner(40, 20), corner(160, 80), corner(160, 20), corner(40, 80)],
  };
  const p = setInk(pieceOf(stroke(cross)), ['s'], { opacity: 0.5 });
  expect(Math.abs(pixels(p).alpha(100, 50) - 128)).toBeLessThanOrEqual(1);
  expect(evaluate(pieceOf({ ...stroke(cross), hidden: true }), 0).items).toEqual([]);
});

test('no ink lies outside the bounds reckoned for it, whatever the stroke, and they are not wasteful', () => {
  for (let i = 0; i < 60; i++) {
    const random = seeded(i);
    const points = Array.from({ length: 2 + Math.floor(random() * 4) }, () => {
      const [x, y] = [random() * 220 - 10, random() * 120 - 10];
      return random() < 0.5 ? corner(x, y) : smooth(x, y, { x: random() * 80 - 40, y: random() * 80 - 40 });
    });
    const made = {
      ...stroke({ closed: random() < 0.3, points }),
      window: { head: random(), tail: 0, slide: 0 },
    };
    const cap = (['flat', 'round', 'square'] as const)[i % 3]!;
    const join = (['miter', 'round', 'bevel'] as const)[i % 2]!;
    const piece = setInk(pieceOf(made), ['s'], { width: 1 + random() * 30, cap, join });
    const scale = [1, 0.5, 2][i % 3]!;
    const bounds = inkBounds(evaluate(piece, 0), 200 * scale, 100 * scale, scale);
    const p = pixels(piece, 0, scale);
    for (let y = 0; y < 100 * scale; y++) {
      for (let x = 0; x < 200 * scale; x++) {
        if (p.alpha(x, y) === 0) continue;
        if (!bounds || x < bounds.left || x >= bounds.right || y < bounds.top || y >= bounds.bottom) {
          throw new Error(`case ${i}: ink at ${x},${y} outside ${JSON.stringify(bounds)}`);
        }
      }
    }
  }
  const straight = inkBounds(evaluate(pieceOf(stroke(line)), 0), 200, 100)!;
  expect(straight.bottom - straight.top).toBeLessThan(20);
  expect(measurePath(line).length).toBe(160);
});
