import { corner, insertPoint, measurePath, pointAtLength, reversePath, smooth, type Path } from '../geometry';
import { seeded } from '../testing/families';
import {
  addLayers,
  applyManner,
  changeKey,
  duplicateLayers,
  keyedSpan,
  LIMITS,
  moveHandle,
  moveKeys,
  newPiece,
  newStroke,
  readPiece,
  removePoints,
  reorderLayers,
  setKey,
  shiftStrokes,
  stepLayers,
  strokesOf,
  toSmooth,
  type Piece,
} from '.';

const wave: Path = {
  closed: false,
  points: [
    smooth(0, 0, { x: 60, y: -40 }),
    smooth(200, 80, { x: 50, y: 70 }),
    smooth(400, 0, { x: 80, y: 0 }),
  ],
};
const piece = addLayers(
  newPiece('Tide'),
  ['a', 'b', 'c', 'd'].map((id) => newStroke(id, id.toUpperCase(), wave)),
);
const first = (p: Piece) => strokesOf(p)[0]!;
const order = (p: Piece) => p.layers.map((l) => l.id).join('');

/** Points evenly along the path, to compare two paths by alpha alone. */
const shape = (path: Path) => {
  const m = measurePath(path);
  return Array.from({ length: 41 }, (_, i) => pointAtLength(m, (m.length * i) / 40));
};
const apart = (p: Path, q: Path) =>
  Math.max(...shape(p).map((a, i) => Math.hypot(a.x - shape(q)[i]!.x, a.y - shape(q)[i]!.y)));

test('what is written is read back the same, and the reader names the place of every fault', () => {
  expect(readPiece(JSON.parse(JSON.stringify(piece)))).toEqual({ ok: true, piece });
  const faultAt = (path: string, value: unknown) => {
    const copy = JSON.parse(JSON.stringify(piece)) as Record<string, unknown>;
    const keys = path.split('.');
    const last = keys.pop()!;
    const parent = keys.reduce((o, key) => o[key] as Record<string, unknown>, copy);
    parent[last] = value;
    const result = readPiece(copy);
    return result.ok ? 'accepted' : result.faults.map((f) => f.path);
  };
  const point = wave.points[0]!;
  const bad: [string, unknown][] = [
    ['rate.numerator', 0],
    ['rate.denominator', -1],
    ['length', -5],
    ['length', 1.5],
    ['length', LIMITS.frames + 1],
    ['size.width', 1e9],
    ['name', ' '],
    ['name', 'a\u0000b'],
    ['name', 'x'.repeat(121)],
    ['over', 'red'],
    ['layers', {}],
    ['layers.1.type', 'picture'],
    ['layers.1.id', '../../etc'],
    ['layers.1.ink.width', NaN],
    ['layers.1.ink.width', Infinity],
    ['layers.1.ink.opacity', '1'],
    ['layers.1.path.points.2.x', null],
    ['layers.1.path.points', Array(10_000).fill(point)],
    ['layers.1.window.head', { keys: [] }],
    ['layers.1.window.head', 'full'],
    ['schemaVersion', 99],
  ];
  for (const [path, value] of bad) {
    const places = faultAt(path, value);
    expect([path, places]).toEqual([path, expect.arrayContaining([expect.stringContaining(path)])]);
  }
  expect(faultAt('layers.1.extra', 1)).toEqual(['layers.1']);
  expect(faultAt('layers.1.id', 'a')).toEqual(['layers.1.id']);
  const unordered = { keys: [5, 5].map((frame) => ({ frame, value: 0, easing: { type: 'linear' } })) };
  expect(faultAt('layers.0.window.tail', unordered)).toEqual(['layers.0.window.tail.keys']);
  for (const junk of [null, 3, 'x', [], {}]) expect(readPiece(junk).ok).toBe(false);
});

test('writing order: strokes move together, step by step and to a place, and nothing is lost', () => {
  expect(order(reorderLayers(piece, ['a', 'c'], 4))).toBe('bdac');
  expect(order(reorderLayers(piece, ['d'], 0))).toBe('dabc');
  expect(order(stepLayers(piece, ['b', 'c'], -1))).toBe('bcad');
  expect(order(stepLayers(piece, ['a', 'b'], -1))).toBe('abcd');
  expect(order(stepLayers(piece, ['c', 'd'], 1))).toBe('abcd');
  const copy = (of: Piece, id: string) => duplicateLayers(of, ['a'], () => id).piece;
  const twice = copy(copy(piece, 'x'), 'y');
  expect(twice.layers.map((l) => l.name)).toEqual(['A', 'A 3', 'A 2', 'B', 'C', 'D']);
  expect(twice.layers[0]).toBe(piece.layers[0]);
});

test('a point put on a path leaves its shape, and taking it out again restores it', () => {
  const random = seeded(3);
  for (let i = 0; i < 30; i++) {
    const path = { ...wave, closed: i % 2 === 0 };
    const place = { segment: Math.floor(random() * (path.closed ? 3 : 2)), t: 0.1 + 0.8 * random() };
    const more = insertPoint(path, place);
    expect(apart(path, more)).toBeLessThan(1e-3);
    expect(apart(path, removePoints(more, [place.segment + 1])!)).toBeLessThan(1e-3);
  }
  expect(removePoints({ closed: false, points: [corner(1, 1)] }, [0])).toBeNull();
  expect(removePoints({ ...wave, closed: true }, [0, 1])).toMatchObject({ closed: false });
});

test('reversing runs the same shape backward; twice is the path itself', () => {
  for (const closed of [false, true]) {
    const path = { ...wave, closed };
    const back = reversePath(path);
    expect(back.points[0]).toMatchObject(closed ? { x: 0, y: 0 } : { x: 400, y: 0 });
    expect(shape(back).reverse()).toEqual(
      shape(path).map(({ x, y }) => ({ x: expect.closeTo(x, 3), y: expect.closeTo(y, 3) })),
    );
    expect(reversePath(back)).toEqual(path);
  }
});

test('the handles of a smooth point stay in one line until they are broken', () => {
  const turned = moveHandle(wave, 1, 'out', { x: 0, y: 100 }).points[1]!;
  expect(turned.in.x).toBeCloseTo(0);
  expect(turned.in.y).toBeCloseTo(-Math.hypot(50, 70));
  expect(moveHandle(wave, 1, 'out', { x: 0, y: 100 }, true).points[1]).toMatchObject({
    kind: 'corner',
    in: wave.points[1]!.in,
  });
  const rounded = toSmooth(
    { closed: false, points: [corner(0, 0), corner(30, 0), corner(30, 30)] },
    [0, 1, 2],
  );
  const p = rounded.points[1]!;
  expect(p.in.x * p.out.y - p.in.y * p.out.x).toBeCloseTo(0);
  expect(rounded.points[0]!.in).toEqual({ x: 0, y: 0 });
});

test('manners key head and tail so that ink comes from and leaves to where they say', () => {
  const base = { onAt: 10, onFrames: 20, offAt: 80, offFrames: 10 } as const;
  const manner = (kind: 'on' | 'off' | 'both', from: 'start' | 'middle' | 'end') =>
    first(applyManner(piece, ['a'], { ...base, kind, from }));
  expect(manner('both', 'start').window).toMatchObject({
    head: {
      keys: [
        { frame: 10, value: 0 },
        { frame: 30, value: 1 },
      ],
    },
    tail: {
      keys: [
        { frame: 80, value: 0 },
        { frame: 90, value: 1 },
      ],
    },
  });
  expect(manner('on', 'end').window).toMatchObject({ head: 1, tail: { keys: [{ value: 1 }, { value: 0 }] } });
  expect(manner('off', 'start').window).toMatchObject({
    head: 1,
    tail: { keys: [{ value: 0 }, { value: 1 }] },
  });
  expect(manner('both', 'middle').window.head).toMatchObject({
    keys: [0.5, 1, 1, 0.5].map((value) => expect.objectContaining({ value })),
  });
  expect(keyedSpan(manner('both', 'end'))).toEqual({ first: 10, last: 90 });
  for (const kind of ['on', 'off', 'both'] as const) {
    for (const from of ['start', 'middle', 'end'] as const) {
      // Writing off that begins before writing on is done still gives a readable document.
      const clash = applyManner(piece, ['a'], { ...base, kind, from, offAt: 15 });
      expect(readPiece(clash)).toMatchObject({ ok: true });
    }
  }
});

test('keys are set, changed and moved by reference, and a whole stroke by its keys', () => {
  const keyed = setKey(setKey(piece, 'a', 'head', 0, 0), 'a', 'head', 10, 1);
  const ref = { stroke: 'a', part: 'head', index: 1 } as const;
  expect(first(moveKeys(keyed, [ref], 5)).window.head).toMatchObject({
    keys: [{ frame: 0 }, { frame: 15 }],
  });
  expect(first(changeKey(keyed, [ref], { value: 0.5 })).window.head).toMatchObject({
    keys: [{}, { value: 0.5 }],
  });
  expect(keyedSpan(first(shiftStrokes(keyed, ['a', 'b'], -4)))).toEqual({ first: -4, last: 6 });
  expect(shiftStrokes(keyed, ['b'], 3).layers[0]).toBe(keyed.layers[0]);
});
