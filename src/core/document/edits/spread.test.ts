import { corner, measurePath, smooth, type Path } from '../../geometry';
import { seeded } from '../../testing/families';
import { keysOf, landingEasing, valueAt } from '../../timing';
import { arrivalFrame } from '../at/arrival-frame';
import { onSpan, withOnSpan } from '../keys/on-span';
import { updateStrokes } from '../parts/update';
import { readPiece } from '../read/read-piece';
import { newPiece, newStroke } from '../schema/new-piece';
import { strokeById, strokesOf, type Piece } from '../schema/piece';
import { settleCues } from '../settle/settle-cues';
import { cueFault, cueStrokes, cueTo, cueToFault, cutCues, leadersOf, tieCues } from './cues';
import { groupLayers } from './groups';
import { shiftStrokes } from './keys';
import { addLayers, removeLayers } from './layers';
import { applyManner } from './manner';
import { inSpreadOrder, spreadStrokes, type Spread, type SpreadOrder } from './spread';

const line = (x: number, y: number, length: number): Path => ({
  closed: false,
  points: [corner(x, y), corner(x + length, y)],
});
const manner = {
  kind: 'both',
  from: 'start',
  onAt: 5,
  onFrames: 12,
  offAt: 400,
  offFrames: 10,
  easing: landingEasing(0.7),
} as const;

/** Two lines of strokes, of lengths that differ. */
function many(n = 10, seed = 2): Piece {
  const random = seeded(seed);
  const strokes = Array.from({ length: n }, (_, i) =>
    newStroke(
      `s${i}`,
      `S ${i}`,
      line((i % 5) * 200 + random() * 20, i < n / 2 ? 100 : 300, 40 + random() * 140),
    ),
  );
  const piece = addLayers(newPiece('Many', undefined, undefined, 500), strokes);
  return strokes.reduce(
    (p, s, i) => applyManner(p, [s.id], { ...manner, onAt: 5 + i * 3, onFrames: 6 + (i % 4) * 3 }),
    piece,
  );
}

const base: Spread = {
  order: 'writing',
  seed: 1,
  step: { by: 'frames', frames: 4 },
  each: { by: 'own' },
  total: null,
  handOver: false,
};
const ids = (p: Piece) => strokesOf(p).map((s) => s.id);
const spans = (p: Piece, order: SpreadOrder = 'writing') =>
  inSpreadOrder(strokesOf(p), order, 1).map((s) => onSpan(s)!);
const ORDERS: SpreadOrder[] = [
  'writing',
  'reading',
  'shortest first',
  'longest first',
  'from the middle',
  'left to right',
  'top to bottom',
  'random',
];

test('a fixed step: every stroke begins so many frames after the one before it, in every order, and keeps its own length', () => {
  for (const order of ORDERS) {
    const p = many();
    const spread = spreadStrokes(p, ids(p), { ...base, order });
    const after = spans(spread, order);
    after.forEach((span, i) => expect(span.from).toBe(5 + i * 4));
    for (const s of strokesOf(p)) {
      const [before, now] = [onSpan(s)!, onSpan(strokeById(spread, s.id)!)!];
      expect(now.to - now.from).toBe(before.to - before.from);
    }
    // Done again it changes nothing; writing off stays where it was.
    expect(spreadStrokes(spread, ids(p), { ...base, order })).toEqual(spread);
    expect(keysOf(strokeById(spread, 's3')!.window.tail).map((k) => k.frame)).toEqual([400, 410]);
  }
});

test('overlap, equal durations, equal speed and a total come out as asked', () => {
  const p = many();
  const equal = spreadStrokes(p, ids(p), {
    ...base,
    each: { by: 'frames', frames: 20 },
    step: { by: 'overlap', share: 0.25 },
  });
  spans(equal).forEach((span, i) => expect(span).toEqual({ from: 5 + i * 15, to: 25 + i * 15 }));
  const speed = spreadStrokes(p, ids(p), { ...base, each: { by: 'speed', speed: 10 } });
  for (const s of strokesOf(speed)) {
    const { from, to } = onSpan(s)!;
    expect(Math.abs(to - from - measurePath(s.path).length / 10)).toBeLessThanOrEqual(1);
  }
  for (const total of [30, 90, 240]) {
    const fitted = spans(spreadStrokes(p, ids(p), { ...base, total }));
    expect(Math.min(...fitted.map((s) => s.from))).toBe(5);
    expect(Math.abs(Math.max(...fitted.map((s) => s.to)) - 5 - total)).toBeLessThanOrEqual(1);
  }
});

test('a hand-over waits for the stroke that ends where this one begins', () => {
  const strokes = [
    newStroke('a', 'A', line(0, 0, 100)),
    newStroke('b', 'B', line(300, 0, 50)),
    newStroke('c', 'C', line(101, 1, 80)),
  ];
  let p = addLayers(newPiece('Hand', undefined, undefined, 500), strokes);
  p = applyManner(p, ids(p), { ...manner, onAt: 0, onFrames: 10 });
  const { from } = onSpan(strokeById(spreadStrokes(p, ids(p), { ...base, handOver: true }), 'c')!)!;
  expect(from).toBe(10);
});

test('reading order goes by lines, and a seed decides chance', () => {
  const p = many(10);
  expect(inSpreadOrder([...strokesOf(p)].reverse(), 'reading', 1).map((s) => s.id)).toEqual(ids(p));
  const order = (seed: number) =>
    inSpreadOrder(strokesOf(p), 'random', seed)
      .map((s) => s.id)
      .join();
  expect(order(4)).toBe(order(4));
  expect(new Set([1, 2, 3, 4, 5].map(order)).size).toBeGreaterThan(2);
});

test('stretching a stroke’s writing keeps its curve, and pushes what would be run into', () => {
  const stroke = strokesOf(
    applyManner(many(1), ['s0'], { ...manner, onAt: 10, onFrames: 20, offAt: 40 }),
  )[0]!;
  const longer = withOnSpan(stroke, { from: 10, to: 50 });
  for (let k = 0; k <= 10; k++) {
    expect(valueAt(longer.window.head, 10 + 4 * k)).toBeCloseTo(valueAt(stroke.window.head, 10 + 2 * k), 9);
  }
  expect(keysOf(longer.window.tail).map((k) => k.frame)).toEqual([51, 61]);
});

/** A main stroke with two accents along it, the second cued to the first. */
function cued(): Piece {
  const main: Path = {
    closed: false,
    points: [smooth(0, 200, { x: 200, y: -150 }), smooth(800, 200, { x: 200, y: 100 })],
  };
  let p = addLayers(newPiece('Cues', undefined, undefined, 300), [
    newStroke('main', 'Main', main),
    newStroke('one', 'One', line(400, 190, 60)),
    newStroke('two', 'Two', line(430, 190, 60)),
  ]);
  p = applyManner(p, ['main'], { ...manner, onAt: 20, onFrames: 40, offAt: 250 });
  p = applyManner(p, ['one', 'two'], { ...manner, onAt: 0, onFrames: 8, offAt: 260 });
  return cueStrokes(cueStrokes(p, ['one'], 'main'), ['two'], 'one', { at: 1, offset: 2 });
}
const start = (p: Piece, id: string) => onSpan(strokeById(p, id)!)!.from;

test('a cued stroke begins when the head passes nearest to its first point, and follows when that is retimed', () => {
  let p = cued();
  const { at } = strokeById(p, 'one')!.cue!;
  expect(at).toBeGreaterThan(0.4);
  const passes = (q: Piece) => arrivalFrame(strokeById(q, 'main')!, 'head', at)!;
  expect(start(p, 'one')).toBe(Math.round(passes(p)));
  expect(start(p, 'two')).toBe(start(p, 'one') + 8 + 2);
  const before = p;
  p = settleCues(before, shiftStrokes(before, ['main'], 30));
  expect(start(p, 'one')).toBe(Math.round(passes(p)));
  expect(start(p, 'two') - start(before, 'two')).toBe(30);
  // The pace of the leader counts too.
  const paced = settleCues(
    p,
    updateStrokes(p, ['main'], (s) => ({ ...s, pace: { kind: 'hand', strength: 1, soft: 1 } })),
  );
  expect(Math.abs(start(paced, 'one') - passes(paced))).toBeLessThanOrEqual(0.5);
  expect(settleCues(paced, paced)).toBe(paced);
});

test('moving a cued stroke by hand changes its offset; cutting it or losing the leader leaves it', () => {
  const p = cued();
  const moved = settleCues(p, shiftStrokes(p, ['one'], 5));
  expect(start(moved, 'one')).toBe(start(p, 'one') + 5);
  expect(strokeById(moved, 'one')!.cue!.offset).toBe(5);
  const later = settleCues(moved, shiftStrokes(moved, ['main'], 10));
  expect(start(later, 'one')).toBe(start(p, 'one') + 15);
  const cut = cutCues(later, ['one']);
  expect(start(settleCues(cut, shiftStrokes(cut, ['main'], 50)), 'one')).toBe(start(later, 'one'));
  expect(start(settleCues(later, removeLayers(later, ['main'])), 'one')).toBe(start(later, 'one'));
});

test('circles of cues are refused in words, and by the reader', () => {
  const p = cued();
  expect(cueFault(p, ['main'], 'two')).toMatch(/none of them would ever begin/);
  expect(cueFault(p, ['two'], 'main')).toBeNull();
  const round = updateStrokes(p, ['main'], (s) => ({
    ...s,
    cue: { to: 'two', part: 'head', at: 0, offset: 0 },
  }));
  const read = readPiece(round);
  expect(read.ok === false && read.faults[0]).toMatchObject({ path: 'layers.0.cue' });
});

test('strokes wait for a stroke, or each for the nearest stroke of a group, and keep time by start or arrival', () => {
  const word = addLayers(cutCues(cued(), ['one', 'two']), [
    newStroke('far', 'Far', line(0, 900, 100)),
    newStroke('near', 'Near', line(380, 190, 60)),
  ]);
  const timed = applyManner(word, ['far', 'near'], { ...manner, onAt: 40, onFrames: 10, offAt: 260 });
  const grouped = groupLayers(timed, ['far', 'near'], { id: 'w', name: 'Word' });
  const { groups, strokes } = leadersOf(grouped, ['one', 'two']);
  expect(groups.map(({ id }) => id)).toEqual(['w']);
  expect(strokes.map(({ id }) => id).sort()).toEqual(['far', 'main', 'near']);
  // A group all of whose strokes are to wait leads none of them.
  expect(leadersOf(grouped, ['far', 'near']).groups).toEqual([]);
  expect(cueToFault(grouped, ['one', 'two'], 'w')).toBeNull();
  const waiting = cueTo(grouped, ['one', 'two'], 'w');
  expect(['one', 'two'].map((id) => strokeById(waiting, id)!.cue!.to)).toEqual(['near', 'near']);
  expect(['one', 'two'].map((id) => strokeById(cueTo(grouped, ['one', 'two'], 'main'), id)!.cue!.to)).toEqual(
    ['main', 'main'],
  );
  // Whose leaders wait for them already are told so, and nothing is made of it.
  expect(cueToFault(waiting, ['near'], 'one')).toMatch(/none of them would ever begin/);
  const tied = tieCues(waiting, ['one', 'far'], 'arrival');
  expect(strokeById(tied, 'one')!.cue!.ties).toBe('arrival');
  expect(strokeById(tied, 'far')).toBe(strokeById(waiting, 'far'));
  expect(strokeById(tieCues(tied, ['one'], 'start'), 'one')!.cue).toEqual(strokeById(waiting, 'one')!.cue);
});
