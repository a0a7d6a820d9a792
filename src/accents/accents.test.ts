import { createCanvas } from '@napi-rs/canvas';
import { SAMPLE_PROJECT } from '../../demo';
import {
  accentPlace,
  addLayers,
  groupLayers,
  insertAccent,
  newPiece,
  newRider,
  newStroke,
  partWithId,
  readPiece,
  riddenAt,
  setPlace,
  setRider,
  strokesOf,
  type Piece,
} from '../core/document';
import { inkBounds } from '../core/draw';
import { lineShape } from '../core/geometry';
import { paint } from '../core/paint';
import { evaluate } from '../core/scene';
import { ACCENTS, PENS } from '.';

const ids = () => {
  let count = 0;
  return () => `id-${count++}`;
};
const SCALE = 0.25;
/** How much ink a frame shows, in pixels of a quarter of the size. */
function inked(piece: Piece, frame: number): number {
  const { width, height } = piece.size;
  const canvas = createCanvas(width * SCALE, height * SCALE);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, createCanvas, SCALE);
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  let sum = 0;
  for (let i = 3; i < data.length; i += 4) sum += data[i]!;
  return sum / 255;
}

test.each(ACCENTS.map(({ id, piece }) => [id, piece] as const))(
  '%s can be kept, comes, and leaves without a crumb',
  (_, piece) => {
    expect(readPiece(JSON.parse(JSON.stringify(piece)))).toMatchObject({ ok: true });
    expect(inked(piece, piece.hold!.from)).toBeGreaterThan(60);
    expect(inked(piece, piece.length - 1)).toBe(0);
  },
);

test('an accent is an ordinary group at its place, frame and size; the piece stays as long as it was', () => {
  const burst = ACCENTS.find(({ id }) => id === 'burst')!.piece;
  for (const size of [
    { width: 1920, height: 1080 },
    { width: 720, height: 1280 },
  ]) {
    const empty = newPiece('Empty', size, { numerator: 50, denominator: 1 }, 300);
    const { piece, group } = insertAccent(empty, burst, 100, { x: 300, y: 400, scale: 0.5 }, ids());
    expect(piece).toMatchObject({ length: 300, fields: [] });
    expect(piece.hold).toBeUndefined();
    expect(partWithId(piece, group)).toMatchObject({ name: 'Burst' });
    expect(readPiece(piece)).toMatchObject({ ok: true });
    const shown = inkBounds(evaluate(piece, 112), size.width, size.height)!;
    expect((shown.left + shown.right) / 2).toBeCloseTo(300, -1);
    expect((shown.top + shown.bottom) / 2).toBeCloseTo(400, -1);
    expect(evaluate(piece, 99).items).toEqual([]);
  }
});

test.each(PENS.map(({ id, piece }) => [id, piece] as const))(
  'a %s writes a group of strokes with its tip',
  (_, pen) => {
    const strokes = [
      newStroke('a', 'A', lineShape({ x: 100, y: 100 }, { x: 900, y: 400 })),
      newStroke('b', 'B', lineShape({ x: 300, y: 800 }, { x: 1500, y: 700 })),
    ];
    const written = groupLayers(addLayers(newPiece('Written'), strokes), ['a', 'b'], { id: 'g', name: 'G' });
    const { piece, group } = insertAccent(written, pen, 0, { x: 960, y: 540, scale: 1 }, ids());
    const riding = setRider(piece, group, { ...newRider('g', 1), turned: false, at: 'point', point: 0.5 });
    expect(readPiece(riding)).toMatchObject({ ok: true });
    const { matrix } = riddenAt(riding, partWithId(riding, group)!.place!.rider!, 0)!;
    expect([matrix[4], matrix[5]]).toEqual([expect.closeTo(500, 6), expect.closeTo(250, 6)]);
    // The tip is the lowest and leftmost of it: it lies at the point.
    const pens = {
      ...riding,
      layers: riding.layers
        .filter((layer) => layer.type === 'art' || layer.id === 'a' || layer.id === 'b')
        .map((layer) => (layer.type === 'stroke' ? { ...layer, hidden: true } : layer)),
    };
    const box = inkBounds(evaluate(pens, 0), 1920, 1080)!;
    expect(box.left).toBeCloseTo(500, -1);
    expect(box.bottom).toBeCloseTo(250, -1);
  },
);

test.each(['Opening title', 'Lower third', 'Narrator’s signature', 'High water', 'Programme ident'])(
  '%s leaves cleanly: its last frame is empty',
  (name) => {
    const piece = SAMPLE_PROJECT.pieces.find((one) => one.name === name)!;
    expect(inked(piece, piece.length - 1)).toBe(0);
    expect(inked(piece, piece.length / 2)).toBeGreaterThan(100);
  },
);

test('the title is written once: what repeats it is its wake', () => {
  const [title] = SAMPLE_PROJECT.pieces;
  // Sixteen letters of at most four strokes, two on the average, and two flourishes.
  expect(strokesOf(title!).length).toBeLessThanOrEqual(34);
});

test('an accent goes about the middle of what is chosen, as it stands, and as wide; never tiny or huge', () => {
  const line = (id: string, x: number, length: number) =>
    newStroke(id, id, lineShape({ x, y: 500 }, { x: x + length, y: 500 }));
  const piece = addLayers(newPiece('Places'), [
    line('a', 400, 280),
    line('b', 1000, 280),
    line('long', 0, 1900),
  ]);
  const moved = setPlace(piece, 'a', 0, { x: 100, y: -200 });
  expect(accentPlace(piece, [], 0, 1)).toEqual({ x: 960, y: 540, scale: 1 });
  expect(accentPlace(piece, ['a'], 0, 1)).toMatchObject({ x: 540, y: 500 });
  expect(accentPlace(moved, ['a'], 0, 1)).toMatchObject({ x: 640, y: 300 });
  expect(accentPlace(piece, ['a', 'b'], 0, 1).x).toBeCloseTo((400 + 1280) / 2, 6);
  const wide = (ids: string[], size: number) => accentPlace(piece, ids, 0, size).scale;
  expect(wide(['a', 'b'], 1) / wide(['a'], 1)).toBeCloseTo(880 / 280, 1);
  expect(wide(['a'], 2)).toBeCloseTo(wide(['a'], 1) / 2, 1);
  expect([wide(['a'], 9), wide(['long'], 0.5)]).toEqual([0.25, 3]);
});
