import { BLENDS, type Blend, changedItems, inkBounds } from '../draw';
import { createCanvas } from '@napi-rs/canvas';
import {
  addLayers,
  addNested,
  addPin,
  contentOf,
  groupLayers,
  moveLayers,
  movePin,
  movePivot,
  newMask,
  newPiece,
  newStroke,
  canCarry,
  readPiece,
  revealThrough,
  setBlend,
  setKey,
  setMasks,
  setParent,
  setPlace,
  setReveal,
  settlePiece,
  strokeById,
  withPlacement,
  worldOf,
  type Art,
  type Mask,
  type MaskShape,
  type Piece,
} from '../document';
import { applyMatrix, lineShape, rectangleShape } from '../geometry';
import { paint, type MakeCanvas } from '../paint';
import { seeded } from '../testing/families';
import { LINEAR } from '../timing';
import { evaluate } from '.';
import { cases } from '../testing/cases';

const [W, H] = [120, 90];
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;

const box = (id: string, x: number, y: number, w: number, h: number, fill: string, opacity = 1): Art => ({
  type: 'art',
  id,
  name: id,
  hidden: false,
  locked: false,
  opacity,
  transform: [1, 0, 0, 1, 0, 0],
  shapes: [
    {
      data: `M${x} ${y}L${x + w} ${y}L${x + w} ${y + h}L${x} ${y + h}Z`,
      fill,
      fillOpacity: 1,
      rule: 'nonzero',
      line: null,
      transform: [1, 0, 0, 1, 0, 0],
    },
  ],
});
const pieceOf = (...layers: Piece['layers'][number][]): Piece =>
  addLayers(newPiece('Placed', { width: W, height: H }), layers);

/** Red, green, blue, alpha (0..255, unmultiplied) of every pixel. */
function pixels(piece: Piece, frame = 0): Uint8ClampedArray {
  const canvas = createCanvas(W, H);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, make);
  return context.getImageData(0, 0, W, H).data;
}
const at = (data: Uint8ClampedArray, x: number, y: number): number[] => [
  ...data.slice((y * W + x) * 4, (y * W + x) * 4 + 4),
];
const share = (data: Uint8ClampedArray): number => {
  let sum = 0;
  for (let i = 3; i < data.length; i += 4) sum += data[i]!;
  return sum / 255;
};

test('what is placed is what a canvas shows under the same transforms (translate, rotate, skew, scale about the pivot)', () => {
  const random = seeded(5);
  for (let i = 0; i < 12; i++) {
    const [x, y, rotation, sx, sy, kx] = [
      random() * 30,
      random() * 20,
      random() * 6,
      0.5 + random(),
      0.5 + random(),
      random() - 0.5,
    ];
    const pivot = { x: 40 + random() * 20, y: 40 };
    const made = withPlacement(pieceOf(box('a', 30, 25, 40, 30, '#ff6b3d')), 'a', 0, (place) => ({
      ...place,
      pivotX: pivot.x,
      pivotY: pivot.y,
    }));
    const piece = setPlace(made, 'a', 0, { x, y, rotation, scaleX: sx, scaleY: sy, skewX: kx });
    expect(readPiece(piece).ok).toBe(true);
    const canvas = createCanvas(W, H);
    const context = canvas.getContext('2d');
    context.translate(pivot.x + x, pivot.y + y);
    context.rotate(rotation);
    context.transform(1, 0, Math.tan(kx), 1, 0, 0);
    context.scale(sx, sy);
    context.translate(-pivot.x, -pivot.y);
    context.fillStyle = '#ff6b3d';
    context.fillRect(30, 25, 40, 30);
    const theirs = context.getImageData(0, 0, W, H).data;
    const ours = pixels(piece);
    let most = 0;
    for (let k = 3; k < ours.length; k += 4) most = Math.max(most, Math.abs(ours[k]! - theirs[k]!));
    // A rectangle filled as such and as a path round edges by a share of a pixel differently.
    expect([i, most < 40]).toEqual([i, true]);
    expect(Math.abs(share(ours) - share(theirs))).toBeLessThan(1);
  }
});

test('a stroke with everything on it is scaled and turned as a whole: twice as large it covers four times as much', () => {
  const ink = {
    width: 6,
    colour: '#43b3a0',
    opacity: 1,
    cap: 'round',
    join: 'round',
    gradient: {
      along: 'whole',
      from: { x: 0, y: 0 },
      to: { x: 1, y: 0 },
      stops: [
        { at: 0, colour: '#ff0000', opacity: 1 },
        { at: 1, colour: '#0000ff', opacity: 1 },
      ],
    },
    dashes: {
      pattern: [2, 2],
      unit: 'widths',
      phase: 0,
      flow: 'stay',
      speed: { value: 0, unit: 'px', seamless: false },
      fit: false,
      corners: false,
      grow: 0,
    },
  } as const;
  const plain = pieceOf(newStroke('s', 'S', lineShape({ x: 20, y: 20 }, { x: 50, y: 34 }), ink));
  const large = setPlace(
    withPlacement(plain, 's', 0, (p) => ({ ...p, pivotX: 20, pivotY: 20 })),
    's',
    0,
    { scaleX: 2, scaleY: 2, rotation: 0.3 },
  );
  expect(share(pixels(large)) / share(pixels(plain))).toBeCloseTo(4, 1);
  // The far end keeps its colour.
  const end = applyMatrix(worldOf(large, large.layers[0]!, 0), { x: 46, y: 32 });
  const [r, , b] = at(pixels(large), Math.round(end.x), Math.round(end.y));
  expect(b! - r!).toBeGreaterThan(100);
});

test('groups place what they hold, groups in groups too; nothing is painted outside the bounds that are told', () => {
  for (const seed of cases(2, 100)) {
    const random = seeded(seed);
    let piece = pieceOf(
      box('a', 30, 20, 20, 20, '#ff0000'),
      box('b', 60, 40, 20, 20, '#00ff00'),
      newStroke('s', 'S', lineShape({ x: 30, y: 60 }, { x: 80, y: 66 })),
    );
    piece = groupLayers(piece, ['b', 's'], { id: 'in', name: 'In' });
    piece = groupLayers(piece, ['a', 'b', 's'], { id: 'out', name: 'Out' });
    expect(piece.groups.find((g) => g.id === 'in')!.group).toBe('out');
    piece = setPlace(piece, 'in', 0, { rotation: random() * 6, x: random() * 20 });
    piece = setPlace(piece, 'out', 0, { scaleX: 0.5 + random(), scaleY: 0.7, y: -8, opacity: 0.6 });
    piece = setMasks(piece, 'out', [
      newMask('m', { kind: 'ellipse', x: 60, y: 45, radiusX: 44, radiusY: 36 }),
    ]);
    expect(readPiece(piece).ok).toBe(true);
    const data = pixels(piece);
    const bounds = inkBounds(evaluate(piece, 0), W, H)!;
    for (let y = 0; y < H; y++)
      for (let x = 0; x < W; x++) {
        const alpha = data[(y * W + x) * 4 + 3]!;
        if (alpha === 0) continue;
        expect(x >= bounds.left && x < bounds.right && y >= bounds.top && y < bounds.bottom).toBe(true);
        // Faded as one: where two lie over one another nothing is doubled.
        expect(alpha).toBeLessThanOrEqual(Math.round(0.6 * 255) + 1);
      }
  }
});

test('the pivot moves without the picture; a placement that is taken away leaves it as it was made', () => {
  let piece = pieceOf(box('a', 30, 25, 40, 30, '#ff6b3d'));
  piece = setPlace(piece, 'a', 0, { rotation: 0.7, scaleX: 1.4, skewY: 0.2, x: 6 });
  const before = worldOf(piece, piece.layers[0]!, 0);
  const after = movePivot(piece, 'a', 0, { x: 71, y: 12 });
  worldOf(after, after.layers[0]!, 0).forEach((v, i) => expect(v).toBeCloseTo(before[i]!, 9));
});

test('what is carried moves as its parent does, from how both stood when it was taken up; pins carry too', () => {
  let piece = pieceOf(box('a', 10, 10, 10, 10, '#ff0000'), box('b', 40, 10, 10, 10, '#00ff00'));
  piece = setPlace(piece, 'a', 0, { rotation: 0.5, x: 4 });
  const stood = worldOf(piece, piece.layers[1]!, 0);
  piece = setParent(piece, 'b', 'a', 0);
  worldOf(piece, piece.layers[1]!, 0).forEach((v, i) => expect(v).toBeCloseTo(stood[i]!, 9));
  const turned = setPlace(piece, 'a', 0, { rotation: 0.5 + Math.PI / 2 });
  const corner = { x: 40, y: 10 };
  const [was, now] = [
    applyMatrix(worldOf(piece, piece.layers[1]!, 0), corner),
    applyMatrix(worldOf(turned, turned.layers[1]!, 0), corner),
  ];
  const pivot = applyMatrix(worldOf(piece, piece.layers[0]!, 0), { x: 15, y: 15 });
  // A quarter of a turn about the parent's pivot.
  expect(now.x - pivot.x).toBeCloseTo(-(was.y - pivot.y), 6);
  expect(now.y - pivot.y).toBeCloseTo(was.x - pivot.x, 6);
  expect(canCarry(piece, 'b', 'a')).toBe(false);
  expect(readPiece(setParent(piece, 'a', 'b', 0)).ok).toBe(false);

  let pinned = addPin(pieceOf(box('c', 10, 10, 10, 10, '#ff0000')), { id: 'p', name: 'Pin', x: 30, y: 30 });
  pinned = setParent(pinned, 'c', 'p', 0);
  pinned = setKey(setKey(pinned, 'p', 'pin.x', 0, 30, LINEAR), 'p', 'pin.x', 10, 80);
  pinned = movePin(pinned, 'p', 10, { x: 80, y: 50 });
  expect(worldOf(pinned, pinned.layers[0]!, 5).slice(4)).toEqual([25, 20]);
  // A pin that is taken out carries nothing, and nothing falls apart.
  expect(worldOf({ ...pinned, pins: [] }, pinned.layers[0]!, 5).slice(4)).toEqual([0, 0]);
});

/** Separable blend modes by value: W3C Compositing and Blending Level 1, 9.1 (backdrop b, source s, both 0..1). */
const FORMULAS: Partial<Record<Blend, (b: number, s: number) => number>> = {
  multiply: (b, s) => b * s,
  screen: (b, s) => b + s - b * s,
  darken: Math.min,
  lighten: Math.max,
  difference: (b, s) => Math.abs(b - s),
  exclusion: (b, s) => b + s - 2 * b * s,
  'hard-light': (b, s) => (s <= 0.5 ? b * 2 * s : b + (2 * s - 1) - b * (2 * s - 1)),
  overlay: (b, s) => (b <= 0.5 ? s * 2 * b : s + (2 * b - 1) - s * (2 * b - 1)),
  'color-dodge': (b, s) => (b === 0 ? 0 : s === 1 ? 1 : Math.min(1, b / (1 - s))),
  'color-burn': (b, s) => (b === 1 ? 1 : s === 0 ? 0 : 1 - Math.min(1, (1 - b) / s)),
  'soft-light': (b, s) => {
    const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
    return s <= 0.5 ? b - (1 - 2 * s) * b * (1 - b) : b + (2 * s - 1) * (d - b);
  },
};

test('blend modes are those of W3C Compositing and Blending, by value, also where the source is translucent', () => {
  const [back, source] = ['#b4643c', '#5ac8a0'];
  const channels = (colour: string) => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16) / 255);
  for (const blend of BLENDS) {
    const formula = FORMULAS[blend];
    for (const alpha of [1, 0.6]) {
      const piece = setBlend(
        pieceOf(box('a', 0, 0, W, H, back), box('b', 0, 0, W, H, source, alpha)),
        ['b'],
        blend,
      );
      const got = at(pixels(piece), 60, 45);
      if (blend === 'xor') {
        // Porter & Duff: over an opaque ground only what the source does not cover is left.
        expect(got[3]).toBe(Math.round(255 * (1 - alpha)));
        continue;
      }
      expect(got[3]).toBe(255);
      if (!formula) continue;
      channels(back).forEach((b, i) => {
        const s = channels(source)[i]!;
        const want = (1 - alpha) * b + alpha * formula(b, s);
        expect([blend, Math.abs(got[i]! - want * 255) <= 2.5]).toEqual([blend, true]);
      });
    }
  }
});

test('a text and a box that knock one another out do so within their group alone', () => {
  let piece = pieceOf(
    box('ground', 0, 0, W, H, '#0000ff'),
    box('box', 20, 20, 60, 40, '#ff0000'),
    box('text', 40, 10, 20, 60, '#ffffff'),
  );
  piece = setBlend(groupLayers(piece, ['box', 'text'], { id: 'g', name: 'G' }), ['text'], 'xor');
  const data = pixels(piece);
  expect(at(data, 50, 40)).toEqual([0, 0, 255, 255]);
  expect(at(data, 50, 14)).toEqual([255, 255, 255, 255]);
  expect(at(data, 30, 40)).toEqual([255, 0, 0, 255]);
});

const masked = (...masks: Mask[]): Uint8ClampedArray =>
  pixels(setMasks(pieceOf(box('a', 0, 0, W, H, '#ffffff')), 'a', masks));
const rect = (x: number, y: number, width: number, height: number): MaskShape => ({
  kind: 'rectangle',
  x,
  y,
  width,
  height,
  radius: 0,
});

test('masks are combined as sets are: added, taken away, met, turned inside out', () => {
  const random = seeded(31);
  for (let i = 0; i < 20; i++) {
    const all = Array.from({ length: 3 }, () => ({
      r: [
        Math.floor(random() * 60),
        Math.floor(random() * 40),
        20 + Math.floor(random() * 40),
        20 + Math.floor(random() * 40),
      ] as const,
      how: (['add', 'subtract', 'intersect'] as const)[Math.floor(random() * 3)]!,
      inverted: random() < 0.3,
    }));
    const data = masked(
      ...all.map(({ r, how, inverted }) => ({ ...newMask('m', rect(...r), how), inverted })),
    );
    for (let k = 0; k < 60; k++) {
      const [x, y] = [Math.floor(random() * W), Math.floor(random() * H)];
      const want = all.reduce((seen, { r, how, inverted }, n) => {
        const within = (x >= r[0] && x < r[0] + r[2] && y >= r[1] && y < r[1] + r[3]) !== inverted;
        // The first of them takes away from everything.
        const before = n === 0 && how !== 'add' ? true : seen;
        return how === 'add' ? before || within : how === 'subtract' ? before && !within : before && within;
      }, false);
      expect([i, x, y, at(data, x, y)[3]]).toEqual([i, x, y, want ? 255 : 0]);
    }
  }
});

test('expansion and a soft edge: the area grows by its rim, a blurred edge keeps it', () => {
  const hard = share(masked(newMask('m', rect(30, 25, 60, 40))));
  expect(hard).toBeCloseTo(2400, 0);
  const wider = share(masked({ ...newMask('m', rect(30, 25, 60, 40)), expansion: 5 }));
  // Steiner: area + rim × perimeter + π r².
  expect(Math.abs(wider - (2400 + 5 * 200 + Math.PI * 25))).toBeLessThan(8);
  const narrower = share(masked({ ...newMask('m', rect(30, 25, 60, 40)), expansion: -5 }));
  expect(Math.abs(narrower - 50 * 30)).toBeLessThan(4);
  const soft = masked({ ...newMask('m', rect(30, 25, 60, 40)), feather: 8 });
  expect(Math.abs(share(soft) - 2400)).toBeLessThan(30);
  // On the edge it is half there.
  expect(Math.abs(at(soft, 30, 45)[3]! - 140)).toBeLessThan(25);
});

test('wipes uncover the share they say: in a line, from a point, round a clock from any angle and either way', () => {
  for (const part of [0, 0.25, 0.5, 0.9, 1]) {
    const line = share(
      masked(newMask('m', { kind: 'linear wipe', from: { x: 0, y: 0 }, to: { x: W, y: 0 }, share: part })),
    );
    expect(Math.abs(line - part * W * H)).toBeLessThan(2);
    const soft = share(
      masked({
        ...newMask('m', { kind: 'linear wipe', from: { x: 20, y: 0 }, to: { x: 100, y: 0 }, share: part }),
        feather: 20,
      }),
    );
    // The soft edge runs on at both ends: nothing of its way at 0, all of it at 1.
    const edge = 20 + part * 100 - 10;
    expect(Math.abs(soft - Math.min(W, Math.max(0, edge)) * H)).toBeLessThan(H * 0.6);
    const disc = share(
      masked(newMask('m', { kind: 'radial wipe', centre: { x: 60, y: 45 }, reach: 40, share: part })),
    );
    expect(Math.abs(disc - Math.PI * (40 * part) ** 2)).toBeLessThan(12);
    for (const anticlockwise of [false, true])
      for (const angle of [-Math.PI / 2, 0.4, 2]) {
        const clock = share(
          masked(
            newMask('m', {
              kind: 'clock wipe',
              centre: { x: 60, y: 45 },
              reach: 40,
              angle,
              share: part,
              anticlockwise,
            }),
          ),
        );
        expect(Math.abs(clock - part * Math.PI * 1600)).toBeLessThan(30);
      }
  }
  // From straight up, clockwise: the right half first.
  const half = masked(
    newMask('m', {
      kind: 'clock wipe',
      centre: { x: 60, y: 45 },
      reach: 40,
      angle: -Math.PI / 2,
      share: 0.5,
      anticlockwise: false,
    }),
  );
  expect([at(half, 75, 45)[3], at(half, 45, 45)[3]]).toEqual([255, 0]);
});

test('a hold-out follows its keys; frames between which nothing moves give the very same list', () => {
  const path = (x: number) => rectangleShape({ x, y: 20 }, { x: x + 30, y: 70 });
  const keys = [10, 20].map((frame, i) => ({ frame, value: path(i * 60 + 10), easing: LINEAR }));
  // A shape that stays needs no keys.
  const still = masked(newMask('m', { kind: 'path', path: path(30) }));
  expect([at(still, 45, 45)[3], at(still, 64, 45)[3]]).toEqual([255, 0]);
  const piece = setMasks(pieceOf(box('a', 0, 0, W, H, '#ffffff')), 'a', [
    newMask('hold-out', { kind: 'path', path: { keys } }, 'subtract'),
  ]);
  expect(readPiece(piece).ok).toBe(true);
  for (const [frame, left] of [
    [0, 10],
    [10, 10],
    [15, 40],
    [20, 70],
    [40, 70],
  ] as const) {
    const data = pixels(piece, frame);
    expect([frame, at(data, left + 15, 45)[3], at(data, left + 34, 45)[3]]).toEqual([frame, 0, 255]);
  }
  expect(changedItems(evaluate(piece, 30).items, evaluate(piece, 35).items).came).toEqual([]);
  expect(changedItems(evaluate(piece, 12).items, evaluate(piece, 13).items).came).not.toEqual([]);
});

test('a hold-out that stands in the picture stays there, however what it holds out moves, in a group or seen through strokes', () => {
  const shape: MaskShape = { kind: 'path', path: rectangleShape({ x: 40, y: 20 }, { x: 60, y: 70 }) };
  const held = (mask: Mask) => setMasks(pieceOf(box('a', 0, 0, W, H, '#ffffff')), 'a', [mask]);
  const mask: Mask = { ...newMask('hold-out', shape, 'subtract'), stands: 'picture' };
  const pen = newStroke('pen', 'Pen', lineShape({ x: 0, y: 45 }, { x: W, y: 45 }), {
    width: 2 * H,
    colour: '#000000',
    opacity: 1,
    cap: 'round',
    join: 'round',
  });
  const uncovered = (p: Piece, confined: boolean) =>
    setReveal(addLayers(p, [pen]), ['a'], revealThrough(['pen'], { confined }));
  const ways: ((p: Piece) => Piece)[] = [
    (p) => p,
    (p) => setPlace(p, 'a', 0, { x: 15, y: 4 }),
    (p) => setPlace(p, 'a', 0, { rotation: 0.2, scaleX: 1.3 }),
    (p) =>
      setPlace(groupLayers(p, ['a'], { id: 'g', name: 'G' }), 'g', 0, { x: -12, scaleX: 1.5, scaleY: 1.5 }),
    (p) => moveLayers(p, ['a'], { x: 9, y: 0 }),
    (p) => uncovered(setPlace(p, 'a', 0, { x: 15, y: 4 }), false),
    (p) => uncovered(setPlace(p, 'a', 0, { x: 15, y: 4 }), true),
  ];
  for (const way of ways) {
    const piece = way(held(mask));
    expect(readPiece(piece).ok).toBe(true);
    const data = pixels(piece);
    expect([at(data, 50, 45)[3], at(data, 42, 45)[3], at(data, 66, 45)[3]]).toEqual([0, 0, 255]);
  }
  // One that does not stand in the picture goes along.
  const along = pixels(setPlace(held(newMask('hold-out', shape, 'subtract')), 'a', 0, { x: 15 }));
  expect([at(along, 42, 45)[3], at(along, 65, 45)[3]]).toEqual([255, 0]);
});

test('a piece within a piece shows its own frames, cut off at its own edge, whatever the rates', () => {
  const inner = {
    ...newPiece('Inner', { width: 60, height: 45 }, { numerator: 50, denominator: 1 }, 20),
    layers: [
      newStroke('s', 'S', lineShape({ x: -20, y: 22 }, { x: 80, y: 22 }), {
        width: 10,
        colour: '#ffffff',
        opacity: 1,
        cap: 'flat',
        join: 'miter',
      }),
    ],
  };
  const moving = setKey(setKey(inner, 's', 'head', 0, 0, LINEAR), 's', 'head', 19, 1);
  const outer = settlePiece(
    null,
    addNested(
      newPiece('Outer', { width: W, height: H }, { numerator: 25, denominator: 1 }, 60),
      'n',
      moving,
      { piece: '00000000-0000-4000-8000-000000000000', revision: 1 },
      10,
    ),
  );
  expect(readPiece(JSON.parse(JSON.stringify(outer))).ok).toBe(true);
  expect(share(pixels(outer, 9))).toBe(0);
  // Three frames of the outer piece are six of the inner: head at 6/19 of 100 px, from −20.
  const seen = share(pixels(outer, 13));
  expect(seen).toBeCloseTo((100 * (6 / 19) - 20) * 10, -1);
  // Its own picture is 60 wide, and stands in the middle.
  expect(share(pixels(outer, 19))).toBeCloseTo(60 * 10, -1);
  expect(share(pixels(outer, 21))).toBe(0);
  const again = { ...outer, layers: outer.layers.map((l) => ({ ...l, after: 'again' as const })) };
  expect(share(pixels(again as Piece, 23))).toBeCloseTo(seen, 0);
  expect(contentOf(outer.layers[0] as never).name).toBe('Inner');
  expect(strokeById(outer, 's')).toBeUndefined();
  // Too deep is said with its place.
  let deep: Piece = moving;
  for (let i = 0; i < 6; i++)
    deep = addNested(
      newPiece('Outer', { width: W, height: H }),
      'n',
      deep,
      { piece: '00000000-0000-4000-8000-000000000000', revision: 1 },
      0,
    );
  const read = readPiece(deep);
  expect(
    !read.ok && read.faults.some((fault) => fault.path.endsWith('content') && /deep/.test(fault.message)),
  ).toBe(true);
});
