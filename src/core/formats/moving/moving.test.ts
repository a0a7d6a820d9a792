import fc from 'fast-check';
import { addLayers, newPiece, newStroke, windowAt, type Piece, type Stroke } from '../../document';
import { corner, IDENTITY, measurePath, smooth, type Path } from '../../geometry';
import { evaluate } from '../../scene';
import { seeded } from '../../testing/families';
import { CSS_EASE, valueAt, type Animated } from '../../timing';
import { isTimed, MotionError, readLottie } from '../lottie-reader';
import { writeLottie } from '../lottie';
import { readSvg, strokesFromShapes } from '../svg';
import { writeSvg } from '../svg-writer';
import { strokeOfMoving, windowAtRate } from '.';
import { cases, times } from '../../testing/cases';

const RATE = { numerator: 25, denominator: 1 };
const size = { width: 400, height: 300 };

/** Where one stroke ended, and was gone, just where the next one still was. */
const FAILED = [207890103];

/** A stroke that is written from one frame to another, and goes again. */
function written(id: string, path: Path, on: number, off: number, colour: string): Stroke {
  const key = (frame: number, value: number) => ({
    frame,
    value,
    easing: CSS_EASE.ease,
  });
  const ink = { width: 8, colour, opacity: 1, cap: 'round', join: 'round' } as const;
  return {
    ...newStroke(id, id, path, ink),
    window: {
      head: { keys: [key(on, 0), key(on + 10, 1)] },
      tail: { keys: [key(off, 0), key(off + 8, 1)] },
      slide: 0,
    },
  };
}

/** A piece of a few strokes at random places, written at random times. */
function randomPiece(seed: number): Piece {
  const random = seeded(seed);
  const n = (from: number, to: number) => Math.round(from + random() * (to - from));
  const strokes = Array.from({ length: 3 }, (_, i) => {
    const path: Path = {
      closed: false,
      points: [
        corner(n(20, 150), n(20, 280)),
        smooth(n(150, 250), n(20, 280), { x: n(10, 40), y: n(-40, 40) }),
        corner(n(260, 380), n(20, 280)),
      ],
    };
    return written(`s${i}`, path, n(1, 12), n(24, 30), ['#ff6b3d', '#43b3a0', '#ede6d8'][i]!);
  });
  return addLayers(newPiece('Random', size, RATE, 40), strokes);
}

/** What of a stroke is inked at a frame, as places along its path: from where to where, px; null where nothing is. */
function inked(stroke: Stroke, frame: number): [number, number] | null {
  const { head, tail } = windowAt(stroke, frame);
  const { length } = measurePath(stroke.path);
  const held = (share: number) => Math.min(1, Math.max(0, share)) * length;
  const [from, to] = [held(tail), held(head)];
  return to - from > 0.01 ? [from, to] : null;
}

/** Strokes that came back cover what those that went out did, at every frame, within so many px. */
function expectSame(sent: readonly Stroke[], got: readonly Stroke[], frames: number, within: number): void {
  expect(got).toHaveLength(sent.length);
  const faults: string[] = [];
  for (const [i, stroke] of sent.entries())
    for (let frame = 0; frame < frames; frame++) {
      const [a, b] = [inked(stroke, frame), inked(got[i]!, frame)];
      const off = a && b ? Math.max(Math.abs(a[0] - b[0]), Math.abs(a[1] - b[1])) : a || b ? Infinity : 0;
      // Where a stroke has hardly begun one may have nothing of it yet.
      const small = [a, b].every((one) => one === null || one[1] - one[0] < within);
      if (off > within && !small) faults.push(`${stroke.id} at ${frame}: ${String(a)} and ${String(b)}`);
    }
  expect(faults).toEqual([]);
}

test('strokes that left as Lottie come back with their timing, ink and order', () => {
  for (const seed of cases(6, 200, FAILED)) {
    const piece = randomPiece(seed);
    const lists = Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame));
    const read = readLottie(writeLottie({ name: 'x', lists, framesPerSecond: 25 }));
    expect(read).toMatchObject({ ...size, framesPerSecond: 25, frames: 40 });
    const got = read.strokes.map((stroke, i) => strokeOfMoving(`g${i}`, stroke, IDENTITY, 1));
    const sent = piece.layers as Stroke[];
    expect(got.map(({ ink }) => [ink.width, ink.colour, ink.cap, ink.join])).toEqual(
      sent.map(({ ink }) => [ink.width, ink.colour, ink.cap, ink.join]),
    );
    expect(read.strokes.every(isTimed)).toBe(true);
    expectSame(sent, got, piece.length, 1.5);
  }
});

test('strokes that left as SVG come back with their timing', () => {
  for (const seed of cases(6, 200, FAILED)) {
    const piece = randomPiece(seed);
    const lists = Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame));
    const plays = seed % 2 ? ('again' as const) : ('once' as const);
    const text = writeSvg({ name: 'x', lists, framesPerSecond: 25, plays, still: 20, scale: 1 });
    const got = strokesFromShapes(readSvg(text), IDENTITY).map(({ path, ink, window }, i) => ({
      ...newStroke(`g${i}`, 'g', path, { ...ink }),
      ...(window && { window: windowAtRate(window, 25) }),
    }));
    expectSame(piece.layers as Stroke[], got, piece.length, 1.5);
  }
});

const svg = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100">${body}</svg>`;
/** The window of the only line of an SVG, its frames seconds. */
function only(body: string) {
  const read = readSvg(svg(body));
  const [stroke, ...more] = strokesFromShapes(read, IDENTITY);
  expect(more).toEqual([]);
  return { window: stroke!.window, leftOut: read.leftOut };
}
/** Head and tail at some moments, held to the path. */
const ends = (window: { head: Animated; tail: Animated }, moments: readonly number[]) =>
  moments.map((at) =>
    [window.head, window.tail].map(
      (end) => Math.round(Math.min(1, Math.max(0, valueAt(end, at))) * 100) / 100,
    ),
  );
const LINE = 'd="M0 50H100" fill="none" stroke="#f80" stroke-width="4"';

test('SMIL: dashes that grow or slide, splines, steps, key times, begins, pathLength, what holds and what falls back', () => {
  const slide = '<animate attributeName="stroke-dashoffset" from="100" to="0" dur="2s" fill="freeze"/>';
  expect(ends(only(`<path ${LINE} stroke-dasharray="100">${slide}</path>`).window!, [0, 1, 2, 3])).toEqual([
    [0, 0],
    [0.5, 0],
    [1, 0],
    [1, 0],
  ]);
  // Written off from the start, from its second on, by a spline; at its end it falls back.
  const off = only(
    `<path ${LINE} stroke-dasharray="100 100"><animate attributeName="stroke-dashoffset" values="0;-100" dur="1s" begin="1s" calcMode="spline" keySplines=".42 0 1 1"/></path>`,
  ).window!;
  expect(ends(off, [0, 1, 2.5])).toEqual([
    [1, 0],
    [1, 0],
    [1, 0],
  ]);
  // cubic-bezier(.42, 0, 1, 1) at a half is 0.3153568 (CSS Easing 1, ease-in; checked with bezier-easing elsewhere).
  expect(valueAt(off.tail, 1.5)).toBeCloseTo(0.3153568, 4);
  // The length counted as 1, in two parts of unequal time.
  const parts = only(
    `<path ${LINE} pathLength="1" stroke-dasharray="0 1"><animate attributeName="stroke-dasharray" values="0 1;.25 1;1 1" keyTimes="0;.5;1" dur="4" fill="freeze"/></path>`,
  ).window!;
  expect(ends(parts, [0, 1, 2, 3, 4])).toEqual([
    [0, 0],
    [0.13, 0],
    [0.25, 0],
    [0.63, 0],
    [1, 0],
  ]);
  const steps = only(
    `<path ${LINE} stroke-dasharray="100"><animate attributeName="stroke-dashoffset" values="100;50;0" calcMode="discrete" dur="300ms" fill="freeze"/></path>`,
  ).window!;
  expect(ends(steps, [0.05, 0.15, 0.25])).toEqual([
    [0, 0],
    [0.5, 0],
    [1, 0],
  ]);
});

test('CSS: keyframes by class and by style, delays, fills, reverse, and what has no word here is named', () => {
  const css = `<style>@keyframes write { to { stroke-dashoffset: 0 } } .a { stroke-dasharray: 100; stroke-dashoffset: 100; animation: write 2s linear 1s forwards }</style>`;
  expect(ends(only(`${css}<path class="a" ${LINE}/>`).window!, [0, 1, 2, 3, 9])).toEqual([
    [0, 0],
    [0, 0],
    [0.5, 0],
    [1, 0],
    [1, 0],
  ]);
  const reversed = only(
    `<style>@keyframes gone { from { stroke-dashoffset: 0 } 50% { stroke-dashoffset: -20; animation-timing-function: linear } to { stroke-dashoffset: -100 } }</style>
     <path ${LINE} stroke-dasharray="100" style="animation-name: gone; animation-duration: 1s; animation-timing-function: linear; animation-direction: reverse; animation-fill-mode: both"/>`,
  ).window!;
  expect(ends(reversed, [0, 0.25, 0.5, 1])).toEqual([
    [1, 1],
    [1, 0.6],
    [1, 0.2],
    [1, 0],
  ]);
  const spins = '<style>@keyframes spin { to { transform: rotate(90deg) } }</style>';
  expect(only(`${spins}<path ${LINE} style="animation: spin 1s infinite"/>`)).toEqual({
    window: null,
    leftOut: ['animations'],
  });
  const marches =
    '<animate attributeName="stroke-dashoffset" from="20" to="0" dur="1s" repeatCount="indefinite"/>';
  expect(only(`<path ${LINE} stroke-dasharray="10 10">${marches}</path>`)).toEqual({
    window: null,
    leftOut: ['repeats of animations', 'dashes that move'],
  });
  const waits = '<animate attributeName="stroke-dashoffset" from="100" to="0" dur="1s" begin="click"/>';
  expect(only(`<path ${LINE} stroke-dasharray="100">${waits}</path>`).leftOut).toEqual([
    'animations that wait for something',
  ]);
});

/** A file of one layer of shapes. */
const lottie = (shapes: object[], more: object = {}, file: object = {}): string =>
  JSON.stringify({
    ...{ v: '5.7.0', fr: 30, ip: 0, op: 60, w: 400, h: 300 },
    layers: [{ ty: 4, ip: 0, op: 60, st: 0, ks: {}, shapes, ...more }],
    ...file,
  });
const bar = {
  ty: 'sh',
  ks: {
    a: 0,
    k: {
      c: false,
      v: [
        [0, 0],
        [100, 0],
      ],
      i: [
        [0, 0],
        [0, 0],
      ],
      o: [
        [0, 0],
        [0, 0],
      ],
    },
  },
};
const style = { ty: 'st', c: { a: 0, k: [1, 0.5, 0] }, w: { a: 0, k: 6 }, o: { a: 0, k: 80 }, lc: 2, lj: 2 };

test('Lottie: styles draw the paths before them, trims cut those, groups and parents place them', () => {
  const trim = {
    ty: 'tm',
    s: { a: 0, k: 0 },
    e: {
      a: 1,
      k: [
        { t: 10, s: [0], i: { x: [0.58], y: [1] }, o: { x: [0], y: [0] } },
        { t: 40, s: [100] },
      ],
    },
    o: { a: 0, k: 90 },
    m: 1,
  };
  const group = {
    ty: 'gr',
    nm: 'Reed',
    it: [
      bar,
      style,
      trim,
      { ty: 'tr', p: { a: 0, k: [50, 20] }, s: { a: 0, k: [200, 200] }, o: { a: 0, k: 50 } },
    ],
  };
  const parent = { ty: 3, ind: 7, ks: { p: { a: 0, k: [10, 5] }, r: { a: 0, k: 90 } } };
  const read = readLottie(
    lottie(
      [group],
      {},
      { layers: [{ ty: 4, ind: 1, parent: 7, ip: 0, op: 60, ks: {}, shapes: [group] }, parent] },
    ),
  );
  const [stroke] = read.strokes;
  expect(stroke).toMatchObject({
    name: 'Reed',
    ink: { width: 12, colour: '#ff8000', opacity: 0.4, cap: 'round' },
  });
  // Turned by 90° about the parent's place: right becomes down.
  expect(stroke!.path.points.map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
    [-10, 55],
    [-10, 255],
  ]);
  // ease-out at a half: 0.6846432 (the mirror of ease-in).
  expect(valueAt(stroke!.window.head, 25)).toBeCloseTo(0.6846432, 4);
  expect(stroke!.window).toMatchObject({ tail: 0, slide: 0.25 });
  // A rate of its own becomes the piece's.
  expect(strokeOfMoving('x', stroke!, IDENTITY, 25 / 30).window.head).toMatchObject({
    keys: [{ frame: 8.333 }, { frame: 33.333 }],
  });
  expect(read.leftOut).toEqual([]);
});

test('Lottie: ellipses and rectangles begin where the format says, and go with the clock unless it says otherwise', () => {
  const at = (shape: object) =>
    readLottie(lottie([{ ...shape, p: { a: 0, k: [100, 100] }, s: { a: 0, k: [60, 40] } }, style]))
      .strokes[0]!.path;
  const corners = (path: Path) => path.points.slice(0, 3).map(({ x, y }) => [Math.round(x), Math.round(y)]);
  expect(corners(at({ ty: 'el' }))).toEqual([
    [100, 80],
    [130, 100],
    [100, 120],
  ]);
  expect(corners(at({ ty: 'rc', r: { a: 0, k: 0 } }))).toEqual([
    [130, 80],
    [130, 120],
    [70, 120],
  ]);
  expect(corners(at({ ty: 'rc', r: { a: 0, k: 0 }, d: 3 }))[1]).toEqual([70, 120]);
  // Ramanujan's approximation of the circumference of an ellipse of 30 and 20: 158.654 (from memory; exact to 1e-3 here).
  expect(measurePath(at({ ty: 'el' })).length).toBeCloseTo(158.65, 1);
});

test('Lottie: what can’t come in is named, and files that are none are refused in words', () => {
  const read = readLottie(
    lottie([bar, { ty: 'rp' }, { ...style, ty: 'gs', g: { k: { a: 0, k: [0, 1, 0, 0] } } }, { ty: 'fl' }], {
      ks: {
        r: {
          a: 1,
          k: [
            { t: 0, s: [0] },
            { t: 9, s: [90] },
          ],
        },
      },
      op: 30,
    }),
  );
  expect(read.strokes).toHaveLength(1);
  expect(read.leftOut).toEqual(
    expect.arrayContaining([
      'movement, turning and growing of layers',
      'shapes that are repeated',
      'gradients along strokes',
    ]),
  );
  for (const [text, words] of [
    ['', /not readable JSON/],
    ['{"layers": [', /not readable JSON/],
    ['[]', /no vector animation/],
    ['{"layers": []}', /size and rate/],
    [lottie([{ ty: 'gr', it: Array.from({ length: 2001 }, () => bar) }, style]), /more than 2000 strokes/],
  ] as const)
    expect(() => readLottie(text)).toThrow(words);
  // Compositions that hold themselves come to an end.
  const itself = { id: 'a', layers: [{ ty: 0, refId: 'a', ip: 0, op: 9 }] };
  expect(() => readLottie(lottie([], {}, { layers: [{ ty: 0, refId: 'a' }], assets: [itself] }))).toThrow(
    /deep/,
  );
});

test('whatever is in a file, it is read or refused, never anything else', () => {
  const word = fc.constantFrom(
    'ty',
    'k',
    's',
    'e',
    't',
    'i',
    'o',
    'x',
    'y',
    'v',
    'c',
    'it',
    'gr',
    'sh',
    'st',
    'tm',
    'tr',
    'a',
  );
  const { tree } = fc.letrec<{ tree: unknown }>((tie) => ({
    tree: fc.oneof(
      { maxDepth: 5 },
      fc.integer({ min: -9, max: 99 }),
      word,
      fc.constant(null),
      fc.array(tie('tree'), { maxLength: 4 }),
      fc.dictionary(word, tie('tree'), { maxKeys: 5 }),
    ),
  }));
  fc.assert(
    fc.property(fc.array(tree, { maxLength: 4 }), fc.array(tree, { maxLength: 3 }), (shapes, keys) => {
      const trim = { ty: 'tm', s: { a: 1, k: keys }, e: { k: shapes[0] } };
      try {
        readLottie(lottie([bar, ...(shapes as object[]), style, trim]));
        return true;
      } catch (error) {
        return error instanceof MotionError;
      }
    }),
    { numRuns: times(400, 8000) },
  );
});
