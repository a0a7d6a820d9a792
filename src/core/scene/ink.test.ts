import { createCanvas } from '@napi-rs/canvas';
import { oklabOf, rampAt } from '../colour';
import {
  addLayers,
  DEFAULT_INK,
  newPiece,
  newStroke,
  reverseStrokes,
  type Gradient,
  type Ink,
  type Piece,
  type Stroke,
} from '../document';
import { corner, measurePath, pointAtLength, smooth, type Path, type PathPoint } from '../geometry';
import { END_SHAPES, WIDTH_PRESETS, type Dashes } from '../ink';
import { paint } from '../paint';
import { seeded } from '../testing/families';
import { LINEAR } from '../timing';
import { evaluate } from './evaluate';

const SIZE = { width: 320, height: 200 };
const line: Path = { closed: false, points: [corner(40, 100), corner(280, 100)] };

function pieceOf(path: Path, ink: Partial<Ink>, window: Partial<Stroke['window']> = {}): Piece {
  const stroke = newStroke('s', 'S', path, { ...DEFAULT_INK, ...ink });
  return addLayers(newPiece('Ink', SIZE), [{ ...stroke, window: { ...stroke.window, ...window } }]);
}

function shown(piece: Piece, frame = 0, scale = 1) {
  const [width, height] = [SIZE.width * scale, SIZE.height * scale];
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, createCanvas, scale);
  const { data } = context.getImageData(0, 0, width, height);
  const at = (x: number, y: number) => [
    ...data.slice(
      4 * (Math.floor(y) * width + Math.floor(x)),
      4 * (Math.floor(y) * width + Math.floor(x)) + 4,
    ),
  ];
  return {
    data,
    at,
    alpha: (x: number, y: number) => at(x, y)[3]!,
    area: () => data.reduce((sum, v, i) => sum + (i % 4 === 3 ? v / 255 : 0), 0),
  };
}

const dashes = (part: Partial<Dashes> = {}): Dashes => ({
  pattern: [24, 12],
  unit: 'px',
  phase: 0,
  flow: 'stay',
  speed: { value: 0, unit: 'px', seamless: false },
  fit: false,
  corners: false,
  grow: 0,
  ...part,
});

const gradient = (
  along: Gradient['along'],
  ...stops: [at: number, colour: string, opacity: number][]
): Gradient => ({
  along,
  from: { x: 0, y: 0 },
  to: { x: 320, y: 0 },
  stops: stops.map(([at, colour, opacity]) => ({ at, colour, opacity })),
});

function randomPath(random: () => number): Path {
  const points = Array.from({ length: 3 + Math.floor(random() * 3) }, (): PathPoint => {
    const [x, y] = [40 + random() * 240, 40 + random() * 120];
    return random() < 0.3
      ? corner(x, y)
      : smooth(x, y, { x: random() * 140 - 70, y: random() * 140 - 70 }, random() * 70);
  });
  return { closed: random() < 0.25, points };
}

/** Every shape a line can have. */
const SHAPES: Partial<Ink>[] = [
  { width: 14 },
  { width: 18, join: 'miter', cap: 'square' },
  { width: 16, widths: WIDTH_PRESETS.brush },
  { width: 16, taper: { start: { length: 0.5, unit: 'share', tip: 0, curve: LINEAR }, over: 'visible' } },
  { width: 8, dashes: dashes() },
  { width: 5, line: { kind: 'double', distance: 14 } },
  { width: 16, line: { kind: 'hollow', thickness: 3 } },
];

test('colour along a stroke has no seams: in one colour it is the plain stroke, translucent and crossing itself too', () => {
  const random = seeded(3);
  let worst = 0;
  for (let k = 0; k < 8; k++) {
    const path = randomPath(random);
    for (const shape of SHAPES) {
      for (const opacity of [1, 0.5]) {
        // A share of opacity so small that no pixel shows it keeps the gradient from being one of even opacity.
        const stops = gradient('whole', [0, '#ff6b3d', opacity], [1, '#ff6b3d', opacity - 1e-4]);
        const ours = shown(pieceOf(path, { ...shape, gradient: stops }));
        const plain = shown(pieceOf(path, { ...shape, colour: '#ff6b3d', opacity }));
        let [off, most] = [0, 0];
        for (let i = 3; i < ours.data.length; i += 4) {
          const d = Math.abs(ours.data[i]! - plain.data[i]!);
          most = Math.max(most, d);
          if (d > 3) off++;
        }
        worst = Math.max(worst, most);
        expect([k, shape, opacity, off]).toEqual([k, shape, opacity, 0]);
      }
    }
  }
  expect(worst).toBeLessThanOrEqual(3);
});

test('colours lie where arc length puts them, over the whole stroke and over what shows', () => {
  const random = seeded(14);
  const stops = [
    { at: 0, colour: '#43b3a0', opacity: 1 },
    { at: 0.4, colour: '#ff6b3d', opacity: 1 },
    { at: 1, colour: '#ffe9c9', opacity: 1 },
  ];
  for (const along of ['whole', 'visible'] as const) {
    const bend: Path = {
      closed: false,
      points: [smooth(30, 150, { x: 60, y: -120 }), smooth(290, 60, { x: 90, y: -20 })],
    };
    const m = measurePath(bend);
    const window = { tail: 0.1, head: 0.9 };
    const picture = shown(
      pieceOf(
        bend,
        {
          width: 12,
          gradient: gradient(along, ...stops.map((s): [number, string, number] => [s.at, s.colour, 1])),
        },
        window,
      ),
    );
    for (let k = 0; k < 60; k++) {
      const share = 0.12 + random() * 0.76;
      const p = pointAtLength(m, share * m.length);
      const place = along === 'whole' ? share : (share - 0.1) / 0.8;
      const want = rampAt(stops, place).colour;
      const got = picture.at(p.x, p.y);
      [1, 3, 5].forEach((from, c) => {
        expect(Math.abs(got[c]! - Number.parseInt(want.slice(from, from + 2), 16))).toBeLessThan(7);
      });
    }
  }
});

test('round a closed path colours begin where they end: at its first point, wherever its ink begins', () => {
  const stops = [
    { at: 0, colour: '#43b3a0', opacity: 1 },
    { at: 1, colour: '#ff6b3d', opacity: 1 },
  ];
  const ring: Path = {
    closed: true,
    points: [
      smooth(160, 30, { x: 70, y: 0 }),
      smooth(270, 100, { x: 0, y: 40 }),
      smooth(160, 170, { x: -70, y: 0 }),
      smooth(50, 100, { x: 0, y: -40 }),
    ],
  };
  const m = measurePath(ring);
  for (const slide of [0, 0.3, 0.77]) {
    const ink = gradient(
      'visible',
      ...stops.map((s): [number, string, number] => [s.at, s.colour, s.opacity]),
    );
    const picture = shown(pieceOf(ring, { width: 24, gradient: ink }, { tail: 0, head: 1, slide }));
    for (let share = 0.01; share < 1; share += 0.02) {
      const p = pointAtLength(m, ((share + slide) % 1) * m.length);
      const want = rampAt(stops, share).colour;
      const got = picture.at(p.x, p.y);
      [1, 3, 5].forEach((from, c) => {
        expect(Math.abs(got[c]! - Number.parseInt(want.slice(from, from + 2), 16))).toBeLessThan(7);
      });
    }
  }
});

test('between two stops lightness runs evenly (OKLab), and a transparent stop lends no colour', () => {
  const stops = [
    { at: 0, colour: '#000000', opacity: 1 },
    { at: 1, colour: '#ffffff', opacity: 1 },
  ];
  for (const at of [0.25, 0.5, 0.75]) expect(oklabOf(rampAt(stops, at).colour).l).toBeCloseTo(at, 2);
  const fading = [
    { at: 0, colour: '#00ff00', opacity: 0 },
    { at: 1, colour: '#ff6b3d', opacity: 1 },
  ];
  expect(rampAt(fading, 0.5)).toEqual({ at: 0.5, colour: '#ff6b3d', opacity: 0.5 });
});

test('a translucent stroke of changing width is nowhere doubled, in tight bends, cusps and crossings', () => {
  const random = seeded(40);
  for (let k = 0; k < 25; k++) {
    const { data } = shown(
      pieceOf(randomPath(random), { width: 30, opacity: 0.5, widths: WIDTH_PRESETS.bead, join: 'miter' }),
    );
    expect(Math.max(...data.filter((_, i) => i % 4 === 3))).toBeLessThanOrEqual(128);
  }
});

test('two rails leave the middle open, to their very ends; a hollow stroke is closed all round', () => {
  const double = shown(pieceOf(line, { width: 6, cap: 'flat', line: { kind: 'double', distance: 30 } }));
  for (const x of [41, 100, 279]) {
    expect(double.alpha(x, 100)).toBe(0);
    expect([double.alpha(x, 85), double.alpha(x, 115)]).toEqual([255, 255]);
  }
  const hollow = shown(pieceOf(line, { width: 30, cap: 'flat', line: { kind: 'hollow', thickness: 4 } }));
  expect([42, 160, 278].map((x) => hollow.alpha(x, 100))).toEqual([255, 0, 255]);
});

test('ends: the tip lies at the head, the stroke stays inside, and they grow with it from nothing', () => {
  for (const shape of END_SHAPES) {
    const ink: Partial<Ink> = { width: 6, ends: { head: { shape, size: 4 } } };
    const plain = shown(pieceOf(line, { width: 6, cap: 'flat' }));
    const ended = shown(pieceOf(line, ink));
    const middle = ['dot', 'ring', 'diamond', 'bar'].includes(shape);
    // Beyond the shape there is nothing: no cap pokes through.
    expect(ended.alpha(280 + (middle ? 13 : 2), 100)).toBe(0);
    if (shape === 'ring') expect(ended.alpha(280, 100)).toBe(0);
    expect(ended.area()).toBeGreaterThan(plain.area());
    let before = 0;
    for (const head of [0.01, 0.02, 0.05, 0.1, 0.2]) {
      const area = shown(pieceOf(line, ink, { head })).area();
      expect(area).toBeGreaterThan(before);
      expect(head > 0.01 || area < 20).toBe(true);
      before = area;
    }
  }
});

test('an end looks along the chord over its own length: a small bend does not turn it', () => {
  const bent: Path = { closed: false, points: [corner(40, 100), corner(278, 100), corner(280, 96)] };
  const tip = evaluate(
    pieceOf(bent, { width: 6, ends: { head: { shape: 'solid arrow', size: 5 } } }),
    0,
  ).items.at(-1)!;
  if (tip.kind !== 'fill') throw new Error('an arrow is filled');
  const [, back, other] = tip.path.map((c) =>
    c[0] === 'M' || c[0] === 'L' ? { x: c[1], y: c[2] } : { x: 0, y: 0 },
  );
  // The back of the arrow stands across the way it points.
  const lean = Math.atan2(back!.x - other!.x, back!.y - other!.y);
  expect(Math.abs(lean)).toBeLessThan(0.25);
});

test('a marching loop closes: the frame after the last is the first, also on a closed path that is fitted', () => {
  const ring: Path = {
    closed: true,
    points: [corner(60, 40), corner(260, 40), corner(260, 160), corner(60, 160)],
  };
  for (const value of [37, -90, 400]) {
    const piece = pieceOf(ring, {
      width: 6,
      dashes: dashes({ flow: 'march', fit: true, speed: { value, unit: 'px', seamless: true } }),
    });
    expect(Buffer.from(shown(piece, piece.length).data).equals(Buffer.from(shown(piece, 0).data))).toBe(true);
    expect(Buffer.from(shown(piece, 1).data).equals(Buffer.from(shown(piece, 0).data))).toBe(false);
  }
});

test('dashes without length show their caps: round ones as dots, square ones turned along the stroke', () => {
  const slant: Path = { closed: false, points: [corner(40, 40), corner(240, 160)] };
  const dots = (cap: Ink['cap'], more: Partial<Ink> = {}) =>
    shown(pieceOf(slant, { width: 10, cap, dashes: dashes({ pattern: [0, 40] }), ...more })).area() / 6;
  // 233 px of path hold six dots (SVG 2, 13.5.4 and 13.5.6).
  expect(Math.abs(dots('round') - Math.PI * 25)).toBeLessThan(2);
  expect(Math.abs(dots('square') - 100)).toBeLessThan(1.5);
  expect(dots('flat')).toBe(0);
  expect(Math.abs(dots('round', { widths: [{ at: 0, scale: 1 }] }) - Math.PI * 25)).toBeLessThan(2);
});

test('keyed ink changes with the frame; what is not keyed paints the very same items', () => {
  const keyed = pieceOf(line, {
    width: {
      keys: [
        { frame: 0, value: 4, easing: LINEAR },
        { frame: 10, value: 24, easing: LINEAR },
      ],
    },
    colour: {
      keys: [
        { frame: 0, value: '#000000', easing: LINEAR },
        { frame: 10, value: '#ffffff', easing: LINEAR },
      ],
    },
  });
  expect(
    [0, 5, 10].map((f) => [110, 107, 103, 101].filter((y) => shown(keyed, f).alpha(160, y) > 0).length),
  ).toEqual([1, 2, 4].map((n) => Math.min(n, 4)));
  expect(
    oklabOf(
      `#${shown(keyed, 5)
        .at(160, 100)
        .slice(0, 3)
        .map((v) => v.toString(16).padStart(2, '0'))
        .join('')}`,
    ).l,
  ).toBeCloseTo(0.5, 1);
  const still = pieceOf(line, {
    dashes: dashes(),
    gradient: gradient('whole', [0, '#ff0000', 1], [1, '#0000ff', 1]),
  });
  expect(evaluate(still, 3).items[0]).toBe(evaluate(still, 4).items[0]);
});

test('glow, shadow and shadow line lie where they are told, and the shadow line follows the path', () => {
  const shadow = shown(
    pieceOf(line, { width: 6, shadow: { x: 0, y: 30, blur: 0, colour: '#00ff00', opacity: 1 } }),
  );
  expect(shadow.at(160, 130)).toEqual([0, 255, 0, 255]);
  expect(shadow.at(160, 100)).toEqual([237, 230, 216, 255]);
  const glow = shown(pieceOf(line, { width: 6, glow: { size: 20, gain: 1, colour: '#ff0000', opacity: 1 } }));
  expect(glow.alpha(160, 110)).toBeGreaterThan(glow.alpha(160, 118));
  expect(glow.alpha(160, 118)).toBeGreaterThan(0);
  const inner = shown(
    pieceOf(line, { width: 40, innerGlow: { size: 6, gain: 2, colour: '#ff0000', opacity: 1 } }),
  );
  expect(inner.at(160, 82)[1]!).toBeLessThan(140);
  expect(inner.at(160, 100)[1]!).toBeGreaterThan(220);
  expect(inner.alpha(160, 70)).toBe(0);
  const aside = { x: 0, y: 0, aside: 25, width: 1, colour: '#0000ff', opacity: 1 };
  for (const y of [60, 100, 140]) {
    const moved: Path = { closed: false, points: [corner(40, y), corner(280, y)] };
    expect(shown(pieceOf(moved, { width: 6, shadowLine: aside })).at(160, y + 25)).toEqual([0, 0, 255, 255]);
  }
});

const CAPS = ['flat', 'round', 'square'] as const;

test('each end has its own cap: on its side the line is what it is with that cap at both ends', () => {
  const inks: Partial<Ink>[] = [
    { width: 30 },
    {
      width: 30,
      widths: [
        { at: 0, scale: 0.6 },
        { at: 1, scale: 1 },
      ],
    },
    { width: 12, line: { kind: 'double', distance: 24 } },
    { width: 30, line: { kind: 'hollow', thickness: 6 } },
    { width: 20, dashes: dashes({ pattern: [60, 40] }) },
  ];
  for (const ink of inks) {
    for (const cap of CAPS) {
      for (const endCap of CAPS) {
        const own = shown(pieceOf(line, { ...ink, cap, endCap }));
        const [start, end] = [cap, endCap].map((both) => shown(pieceOf(line, { ...ink, cap: both })));
        let off = 0;
        own.data.forEach((value, i) => {
          const x = (i >> 2) % SIZE.width;
          // At the ends alone: between them each dash has both.
          if (i % 4 < 3 || (x >= 56 && x < 264)) return;
          off += Math.abs(value - (x < 160 ? start! : end!).data[i]!) / 255;
        });
        // Another cap would be off by fifty square px and more.
        expect([ink, cap, endCap, off < 8]).toEqual([ink, cap, endCap, true]);
      }
    }
  }
});

test('a stroke that is reversed leaves the same line, with the same ends and widths', () => {
  const random = seeded(7);
  const curve: Path = {
    closed: false,
    points: [[40, 140, 60, -80] as const, [160, 60, 70, 0] as const, [280, 120, 40, 60] as const].map(
      ([x, y, u, v]) => smooth(x, y, { x: u, y: v }),
    ),
  };
  for (let i = 0; i < 12; i++) {
    const ink: Partial<Ink> = {
      width: 10 + 20 * random(),
      cap: CAPS[i % 3]!,
      ...(i % 2 === 0 && { endCap: CAPS[(i + 1) % 3]! }),
      ...(i % 4 < 3 && {
        widths: [
          { at: 0, scale: random(), out: { at: 0.2, scale: 0.3 * random() } },
          { at: 0.3 + 0.3 * random(), scale: 1 },
          { at: 1, scale: random() },
        ],
      }),
    };
    const piece = pieceOf(curve, ink);
    // Enlarged: a canvas cuts curves into lines from where they begin, up to a quarter of a pixel off.
    const [was, is] = [shown(piece, 0, 4), shown(reverseStrokes(piece, ['s']), 0, 4)];
    let off = 0;
    for (let k = 3; k < was.data.length; k += 4) off += Math.abs(was.data[k]! - is.data[k]!) / 255;
    expect([i, off / was.area() < 0.01]).toEqual([i, true]);
  }
});
