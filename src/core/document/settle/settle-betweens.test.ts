import fc from 'fast-check';
import {
  addLayers,
  addPin,
  canCarry,
  newPiece,
  newRider,
  newStroke,
  readPiece,
  setBetween,
  setPlace,
  setRider,
  settlePiece,
  strokeAt,
  strokeById,
  worldOf,
  type Between,
  type Piece,
} from '..';
import { applyMatrix, corner, measurePath, pointAtLength } from '../../geometry';
import { LINEAR } from '../../timing';

const dot = (id: string, x: number, y: number) =>
  setPlace(addLayers(newPiece('P'), [newStroke(id, id, { closed: false, points: [corner(x, y)] })]), id, 0, {
    pivotX: x,
    pivotY: y,
  }).layers[0]!;

/** A line from a pin that moves to a stroke that is placed. */
function piece(between: Partial<Between> = {}): Piece {
  const keyed = (from: number, to: number) => ({
    keys: [
      { frame: 0, value: from, easing: LINEAR },
      { frame: 40, value: to, easing: LINEAR },
    ],
  });
  const made = addLayers(newPiece('Between', { width: 800, height: 600 }), [
    dot('to', 600, 300),
    newStroke('line', 'Line', { closed: false, points: [corner(0, 0), corner(1, 1)] }),
  ]);
  const pinned = addPin(made, { id: 'pin', name: 'Pin', x: keyed(100, 300), y: keyed(80, 500) });
  return setBetween(pinned, 'line', { from: 'pin', to: 'to', arch: 0, gap: 0, ...between });
}
const lineOf = (p: Piece) => strokeById(p, 'line')!;

test('it runs from one to the other at every frame, wherever it is placed itself; a gap is left at both ends', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -10, max: 60, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      (frame, rotation, gap) => {
        const placed = setPlace(setPlace(piece({ gap }), 'to', 0, { x: 40 }), 'line', 0, { rotation, y: 12 });
        const line = strokeAt(placed, lineOf(placed), frame);
        const world = worldOf(placed, line, frame);
        const [a, b] = [line.path.points[0]!, line.path.points.at(-1)!].map((p) => applyMatrix(world, p));
        const t = Math.min(1, Math.max(0, frame / 40));
        const pin = { x: 100 + 200 * t, y: 80 + 420 * t };
        expect(Math.hypot(a!.x - pin.x, a!.y - pin.y)).toBeCloseTo(gap, 6);
        expect(Math.hypot(b!.x - 640, b!.y - 300)).toBeCloseTo(gap, 6);
      },
    ),
  );
});

test('its middle stands off by the arch, to the left of its way; where gaps leave nothing it is not there', () => {
  for (const arch of [60, -90]) {
    const arched = piece({ arch });
    const { path } = strokeAt(arched, lineOf(arched), 0);
    const m = measurePath(path);
    const [middle, a, b] = [pointAtLength(m, m.length / 2), path.points[0]!, path.points.at(-1)!];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const left = { x: (b.y - a.y) / length, y: -(b.x - a.x) / length };
    const off = (middle.x - (a.x + b.x) / 2) * left.x + (middle.y - (a.y + b.y) / 2) * left.y;
    expect(off).toBeCloseTo(arch, 3);
  }
  expect(strokeAt(piece({ gap: 2000 }), lineOf(piece({ gap: 2000 })), 0).hidden).toBe(true);
});

test('while nothing moves it is the same stroke; what it ran to gone, it stays where it was', () => {
  const made = piece();
  expect(strokeAt(made, lineOf(made), 50)).toBe(strokeAt(made, lineOf(made), 60));
  const alone = { ...made, layers: made.layers.filter(({ id }) => id !== 'to') };
  expect(strokeAt(alone, lineOf(alone), 5)).toBe(lineOf(alone));
  // What looks at no frame sees it as it opens.
  expect(lineOf(settlePiece(null, made)).path.points[0]).toMatchObject({ x: 100, y: 80 });
});

test('nothing that it runs to can ride on it', () => {
  const made = piece();
  expect(canCarry(made, 'line', 'to')).toBe(false);
  expect(readPiece(made)).toMatchObject({ ok: true });
  expect(readPiece(setRider(made, 'to', newRider('line', 1)))).toMatchObject({ ok: false });
});
