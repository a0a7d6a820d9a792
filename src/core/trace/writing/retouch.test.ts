import { crossingsOf, cutAt, joinToNext, nextToJoin } from '..';
import {
  addLayers,
  newPiece,
  newStroke,
  onSpan,
  strokesOf,
  writeInSequence,
  type Piece,
  type Stroke,
} from '../../document';
import { corner, ellipseShape, measurePath, type Path } from '../../geometry';
import { widthShareAt } from '../../ink';

const INK = { width: 10, colour: '#ede6d8', opacity: 1, cap: 'round', join: 'round' } as const;
const line = (...places: [number, number][]): Path => ({
  closed: false,
  points: places.map(([x, y]) => corner(x, y)),
});
const pieceOf = (...strokes: Stroke[]): Piece =>
  writeInSequence(
    addLayers(newPiece('Retouched', { width: 400, height: 400 }), strokes),
    strokes.map(({ id }) => id),
    0,
    60,
  );
const ids = () => {
  let n = 0;
  return () => `new${n++}`;
};
const ends = ({ path }: Stroke) =>
  [path.points[0]!, path.points.at(-1)!].map(({ x, y }) => [Math.round(x), Math.round(y)]);

test('a stroke is cut where others cross it; its parts follow one another in order, in time and in width', () => {
  const widths = [
    { at: 0, scale: 1 },
    { at: 1, scale: 0.4 },
  ];
  const bar = { ...newStroke('bar', 'Bar', line([0, 100], [300, 100]), INK), ink: { ...INK, widths } };
  const piece = pieceOf(
    newStroke('a', 'A', line([100, 0], [100, 200]), INK),
    bar,
    newStroke('b', 'B', line([200, 0], [200, 200]), INK),
    // Hidden ones, and what touches at its very end, cut nothing.
    { ...newStroke('c', 'C', line([150, 0], [150, 200]), INK), hidden: true },
    newStroke('d', 'D', line([300, 0], [300, 200]), INK),
  );
  const at = crossingsOf(piece, 'bar');
  expect(at).toEqual([expect.closeTo(100, 6), expect.closeTo(200, 6)]);
  const cut = cutAt(piece, 'bar', at, ids());
  const parts = strokesOf(cut).filter(({ name }) => name.startsWith('Bar'));
  expect(parts.map(({ id, name }) => [id, name])).toEqual([
    ['bar', 'Bar'],
    ['new0', 'Bar, part 2'],
    ['new1', 'Bar, part 3'],
  ]);
  expect(parts.map(ends)).toEqual([
    [
      [0, 100],
      [100, 100],
    ],
    [
      [100, 100],
      [200, 100],
    ],
    [
      [200, 100],
      [300, 100],
    ],
  ]);
  const span = onSpan(strokesOf(piece).find(({ id }) => id === 'bar')!)!;
  const spans = parts.map((part) => onSpan(part)!);
  expect(spans[0]!.from).toBeCloseTo(span.from);
  expect(spans[2]!.to).toBeCloseTo(span.to);
  spans.slice(1).forEach((one, i) => expect(one.from).toBeCloseTo(spans[i]!.to));
  // Where a part begins it is as wide as the one before it ends.
  const wide = ({ ink }: Stroke, share: number) => (ink.width as number) * widthShareAt(ink.widths!, share);
  expect(wide(parts[1]!, 0)).toBeCloseTo(wide(parts[0]!, 1));
  expect(wide(parts[1]!, 0)).toBeCloseTo(10 * (1 - 0.6 / 3), 1);
});

test('what was cut is joined again to the line it was, in the time it had', () => {
  const piece = pieceOf(
    newStroke('bar', 'Bar', line([0, 100], [300, 100]), INK),
    newStroke('a', 'A', line([120, 0], [120, 200]), INK),
  );
  const before = strokesOf(piece)[0]!;
  const cut = cutAt(piece, 'bar', crossingsOf(piece, 'bar'), ids());
  expect(nextToJoin(cut, 'bar')!.id).toBe('new0');
  const again = joinToNext(cut, 'bar');
  expect(strokesOf(again).map(({ id }) => id)).toEqual(['bar', 'a']);
  const [after] = strokesOf(again);
  expect(measurePath(after!.path).length).toBeCloseTo(300);
  expect(onSpan(after!)!.from).toBeCloseTo(onSpan(before)!.from);
  expect(onSpan(after!)!.to).toBeCloseTo(onSpan(before)!.to);
});

test('a ring is opened where it is crossed; a loop is cut where it crosses itself; what is seen through a stroke is seen through its parts', () => {
  const ring = newStroke('ring', 'Ring', ellipseShape({ x: 100, y: 100 }, { x: 200, y: 200 }), INK);
  const loop = newStroke('loop', 'Loop', line([0, 300], [200, 300], [200, 390], [60, 390], [60, 210]), INK);
  const seen = {
    ...newStroke('seen', 'Seen', line([0, 10], [40, 10]), INK),
    reveal: { through: ['loop'], by: 'shape', inverted: false, feather: 0, shown: true, confined: false },
  } satisfies Stroke;
  const piece = pieceOf(ring, newStroke('a', 'A', line([150, 60], [150, 240]), INK), loop, seen);
  const rings = cutAt(piece, 'ring', crossingsOf(piece, 'ring'), ids());
  const parts = strokesOf(rings).filter(({ name }) => name.startsWith('Ring'));
  expect(parts.map(({ path }) => path.closed)).toEqual([false, false]);
  const whole = measurePath(ring.path).length;
  for (const { path } of parts) expect(measurePath(path).length).toBeCloseTo(whole / 2, 1);
  const at = crossingsOf(piece, 'loop');
  const loops = cutAt(piece, 'loop', at, ids());
  expect(at.length).toBe(2);
  const through = strokesOf(loops).find(({ id }) => id === 'seen')!.reveal!.through;
  expect(through).toEqual(['loop', 'new0', 'new1']);
  // Joined, what was seen through either is seen through the one.
  const again = strokesOf(joinToNext(loops, 'loop')).find(({ id }) => id === 'seen')!;
  expect(again.reveal!.through).toEqual(['loop', 'new1']);
  expect(nextToJoin(piece, 'ring')).toBeNull();
});

test('parts of a stroke that was kept to a text have ways of their own', () => {
  const fitted = { to: 'a', as: 'under', padX: 0, padY: 0, from: 'left', radius: 0 } as const;
  const rule = { ...newStroke('rule', 'Rule', line([0, 100], [300, 100]), INK), fitted };
  const piece = pieceOf(rule, newStroke('a', 'A', line([120, 0], [120, 200]), INK));
  const cut = strokesOf(cutAt(piece, 'rule', crossingsOf(piece, 'rule'), ids()));
  expect(cut.map((stroke) => stroke.fitted)).toEqual([undefined, undefined, undefined]);
});
