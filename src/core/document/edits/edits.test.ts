import fc from 'fast-check';
import {
  addLayers,
  alignPoints,
  applyManner,
  averagePoints,
  distributePoints,
  greatestDeviation,
  inSequence,
  joinStrokes,
  keyedSpan,
  levelHandles,
  levelPoints,
  meetEnds,
  nearEnds,
  newPiece,
  newStroke,
  readPiece,
  removePoints,
  renameStrokes,
  simplifyPath,
  simplifyPreview,
  straighten,
  strokesOf,
  toSymmetric,
  writeAsWritten,
  writeInSequence,
} from '..';
import {
  corner,
  distance,
  ellipseShape,
  lineShape,
  measurePath,
  nearestPlace,
  pointAtLength,
  smooth,
  splitPath,
  type Path,
} from '../../geometry';
import { times } from '../../testing/cases';
import { arrivalFrame } from '../at/arrival-frame';

const wave: Path = {
  closed: false,
  points: [
    smooth(0, 0, { x: 60, y: -40 }),
    smooth(150, 30, { x: 40, y: 50 }),
    smooth(300, 60, { x: 60, y: -60 }),
    smooth(460, 20, { x: 50, y: 10 }),
  ],
};
const samples = (path: Path, n = 60) => {
  const m = measurePath(path);
  return Array.from({ length: n + 1 }, (_, i) => pointAtLength(m, (m.length * i) / n));
};
const piece = addLayers(
  newPiece('Order'),
  ['a', 'b', 'c', 'd'].map((id, i) =>
    newStroke(id, id, lineShape({ x: i * 50, y: 0 }, { x: i * 50, y: 90 })),
  ),
);

test('deleting points bends what is left to where the line was', () => {
  const left = removePoints(wave, [1])!;
  expect(left.points).toHaveLength(3);
  // Far nearer than what the neighbours' handles alone would give.
  const bare: Path = { closed: false, points: [wave.points[0]!, wave.points[2]!, wave.points[3]!] };
  expect(greatestDeviation(left, samples(wave))).toBeLessThan(0.5 * greatestDeviation(bare, samples(wave)));
  const ring = ellipseShape({ x: 0, y: 0 }, { x: 200, y: 200 });
  expect(greatestDeviation(removePoints(ring, [2])!, samples(ring))).toBeLessThan(5);
  expect(removePoints(ring, [0, 1, 2])).toMatchObject({ closed: false });
});

test('simplifying stays within its tolerance, says what it did, and never adds points', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: -40, max: 40 }), fc.integer({ min: -60, max: 60 })), {
        minLength: 4,
        maxLength: 14,
      }),
      fc.constantFrom(0.5, 2, 10),
      (offsets, tolerance) => {
        const path: Path = {
          closed: false,
          points: offsets.map(([dx, dy], i) => smooth(i * 60, dy, { x: 20 + dx / 4, y: dx / 2 })),
        };
        const found = simplifyPreview([newStroke('s', 'S', path)], tolerance);
        expect(found.after).toBeLessThanOrEqual(found.before);
        expect(greatestDeviation(simplifyPath(path, tolerance), samples(path, 80))).toBeLessThan(
          tolerance * 1.15 + 0.05,
        );
      },
    ),
    { numRuns: times(15, 1000) },
  );
});

test('levelled, what lies between points that follow one another is a straight line; the rest keeps its shape', () => {
  const path: Path = {
    closed: false,
    points: [
      corner(0, 0),
      smooth(100, 40, { x: 30, y: 12 }),
      { ...corner(200, 10), in: { x: -20, y: 9 }, out: { x: 20, y: -7 } },
      corner(300, 90),
    ],
  };
  const level = levelPoints(path, [1, 2], 'y');
  const [first, a, b, last] = level.points;
  expect([a!.y, b!.y]).toEqual([25, 25]);
  expect([a!.out.y, b!.in.y]).toEqual([0, 0]);
  // The smooth point stays smooth; the corner's other handle, and what was not chosen, is as it was.
  expect(a!.in).toEqual({ x: -Math.hypot(30, 12), y: 0 });
  expect(b!.out).toEqual({ x: 20, y: -7 });
  expect([first, last]).toEqual([path.points[0], path.points[3]]);
  // Points that do not follow one another are levelled, and keep their handles.
  const apart = levelPoints(path, [1, 3], 'y');
  expect(apart.points[1]).toMatchObject({ y: 65, in: path.points[1]!.in, out: path.points[1]!.out });
});

test('level, upright, spaced, averaged, straightened, symmetric: by value', () => {
  expect(
    new Set(
      alignPoints(wave, [0, 1, 2], 'y', 'mean')
        .points.slice(0, 3)
        .map((p) => p.y),
    ),
  ).toEqual(new Set([30]));
  expect(alignPoints(wave, [0, 1], 'x', 'most').points[0]!.x).toBe(150);
  expect(distributePoints(wave, [0, 1, 2, 3], 'x').points.map((p) => Math.round(p.x))).toEqual([
    0, 153, 307, 460,
  ]);
  expect(averagePoints(wave, [0, 1]).points[1]).toMatchObject({ x: 75, y: 15 });
  const straight = straighten(wave, [0, 3]);
  expect(straight.points).toHaveLength(2);
  expect(measurePath(straight).length).toBeCloseTo(Math.hypot(460, 20), 9);
  const even = toSymmetric(wave, [1]).points[1]!;
  expect(Math.hypot(even.in.x, even.in.y)).toBeCloseTo(Math.hypot(even.out.x, even.out.y), 9);
  expect(levelHandles(wave, [1], 'y').points[1]!.out.y).toBe(0);
});

test('a split leaves the line as it was, a join makes one of two, ends that nearly meet are found and meet', () => {
  const m = measurePath(wave);
  const [first, second] = splitPath(wave, nearestPlace(wave, pointAtLength(m, 0.37 * m.length))!);
  expect(measurePath(first!).length + measurePath(second!).length).toBeCloseTo(m.length, 4);
  expect(splitPath(ellipseShape({ x: 0, y: 0 }, { x: 9, y: 9 }), { segment: 1, t: 0.5 })).toMatchObject([
    { closed: false },
  ]);
  const two = addLayers(newPiece('Two'), [
    newStroke('w', 'Wave', first!),
    newStroke('x', 'Wave, part 2', second!),
  ]);
  const one = strokesOf(joinStrokes(two, 'w', 'x'));
  expect(one).toHaveLength(1);
  expect(measurePath(one[0]!.path).length).toBeCloseTo(m.length, 4);

  const gapped = addLayers(newPiece('Gap'), [
    newStroke('h', 'H', lineShape({ x: 0, y: 0 }, { x: 100, y: 0 })),
    newStroke('k', 'K', lineShape({ x: 105, y: 3 }, { x: 200, y: 90 })),
    newStroke('t', 'T', lineShape({ x: 50, y: 4 }, { x: 50, y: 90 })),
  ]);
  const ends = nearEnds(strokesOf(gapped), 8);
  expect(ends.map((e) => `${e.stroke} ${e.end}`).sort()).toEqual(['h end', 'k start', 't start']);
  const met = meetEnds(gapped, ends);
  const [h, k, t] = strokesOf(met).map((s) => s.path);
  expect(distance(h!.points[1]!, k!.points[0]!)).toBeLessThan(1e-9);
  expect(nearestPlace(h!, t!.points[0]!)!.distance).toBeLessThan(1e-6);
  expect(nearEnds(strokesOf(met), 8)).toEqual([]);
});

test('reordering carries the timing along: starts keep their places in the order, durations their strokes', () => {
  let timed = piece;
  ['a', 'b', 'c', 'd'].forEach((id, i) => {
    const manner = { kind: 'on', from: 'start' } as const;
    timed = applyManner(timed, [id], { ...manner, onAt: i * 20, onFrames: 5 + i });
  });
  const turned = inSequence(timed, ['d', 'a', 'c', 'b']);
  expect(strokesOf(turned).map((s) => [s.id, keyedSpan(s)!.first, keyedSpan(s)!.last])).toEqual([
    ['d', 0, 8],
    ['a', 20, 25],
    ['c', 40, 47],
    ['b', 60, 66],
  ]);
  expect(inSequence(timed, ['a', 'b', 'c', 'd'])).toEqual(timed);
});

test('names by a pattern; strokes one after another; a hand’s own pace becomes keys', () => {
  expect(strokesOf(renameStrokes(piece, ['b', 'c'], 'Reed ##')).map((s) => s.name)).toEqual([
    'a',
    'Reed 01',
    'Reed 02',
    'd',
  ]);
  const written = writeInSequence(piece, ['a', 'b', 'c', 'd'], 10, 50);
  const spans = strokesOf(written).map((s) => keyedSpan(s)!);
  expect(spans[0]!.first).toBe(10);
  expect(spans.at(-1)!.last).toBe(50);
  spans.slice(1).forEach((span, i) => expect(span.first).toBe(spans[i]!.last));
  const hand = {
    seconds: 2,
    pace: [
      { at: 0, time: 0 },
      { at: 0.8, time: 0.5 },
      { at: 1, time: 1 },
    ],
  };
  const byHand = addLayers(newPiece('Hand'), [
    { ...newStroke('h', 'H', wave), hand },
    newStroke('n', 'N', wave),
  ]);
  const [h, n] = strokesOf(writeAsWritten(byHand, ['h', 'n'], 4));
  expect(h!.window.head).toMatchObject({
    keys: [
      { frame: 4, value: 0 },
      { frame: 54, value: 1 },
    ],
  });
  // Half of the time is four fifths of the way, as it was written.
  expect(h!.pace).toEqual({ kind: 'written' });
  expect(arrivalFrame(h!, 'head', 0.8)).toBeCloseTo(29, 6);
  expect(n!.window.head).toBe(1);
  expect(readPiece(JSON.parse(JSON.stringify(writeAsWritten(byHand, ['h'], 0))))).toMatchObject({ ok: true });
});

test('a document of the first version is read in today’s form', () => {
  const { underlays, guides, ...old } = newPiece('Old');
  expect([underlays, guides]).toEqual([[], []]);
  expect(readPiece({ ...old, schemaVersion: 1 })).toEqual({ ok: true, piece: newPiece('Old') });
  const odd = {
    ...newPiece('Odd'),
    layers: [
      {
        ...newStroke('s', 'S', { closed: false, points: [corner(0, 0)] }),
        traced: { from: '../x', mark: 'm' },
      },
    ],
  };
  expect(readPiece(odd)).toMatchObject({ ok: false, faults: [{ path: 'layers.0.traced.from' }] });
});
