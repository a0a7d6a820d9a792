// Everything that the schema takes must open: numbers at their ends, at nought and at next to nothing give a picture made of a bounded
// number of commands and pixels. Counted, not timed.
import { createCanvas } from '@napi-rs/canvas';
import {
  addEffect,
  addLayers,
  applyManner,
  newPiece,
  newStroke,
  readPiece,
  settlePiece,
  type Piece,
} from '../document';
import { commandsIn } from '../draw';
import { EFFECT_KINDS, newEffect } from '../effects';
import { corner, smooth } from '../geometry';
import { NEW_DASHES } from '../ink';
import { paint, type MakeCanvas, type PaintContext } from '../paint';
import { seeded } from '../testing/families';
import { randomEffects, randomPiece, randomPlaced, randomReveals } from '../testing/random-pieces';
import { SAMPLE_PROJECT } from '../../../demo';
import { evaluate } from './evaluate';
import { posterFrame } from './poster-frame';
import { cases } from '../testing/cases';

/** Commands of paths, moments each by themselves: a piece of 300 strokes in full ink has some hundred thousand. */
const MOST_COMMANDS = 3_000_000;
/** Pixels of all canvases that are made for a picture of this many, once over for each item that needs one of its own. */
const PICTURE = { width: 160, height: 90 };
const MOST_PIXELS = 160 * 90 * 4000;

/** How much a piece takes at a frame. */
function costOf(piece: Piece, frame: number): { commands: number; pixels: number } {
  const list = evaluate(piece, frame);
  let pixels = 0;
  const make = ((width: number, height: number) => {
    pixels += width * height;
    return createCanvas(width, height);
  }) as unknown as MakeCanvas;
  const context = createCanvas(PICTURE.width, PICTURE.height).getContext('2d') as unknown as PaintContext;
  paint(list, context, make, PICTURE.width / piece.size.width);
  return { commands: commandsIn(list.items), pixels };
}

/** What is wrong with a document that the schema takes; null for nothing. */
function faultOf(data: unknown): string | null {
  const read = readPiece(data);
  if (!read.ok) return null;
  const piece = settlePiece(null, read.piece);
  for (const frame of new Set([Math.min(8, piece.length - 1), posterFrame(piece)])) {
    const { commands, pixels } = costOf(piece, frame);
    if (commands > MOST_COMMANDS) return `${commands} commands at ${frame}`;
    if (pixels > MOST_PIXELS) return `${pixels} pixels at ${frame}`;
  }
  return null;
}

type Way = readonly (string | number)[];
/** The ways to all numbers of a value. */
const numbersIn = (value: unknown, way: Way = []): Way[] =>
  typeof value === 'number'
    ? [way]
    : typeof value === 'object' && value !== null
      ? Object.entries(value).flatMap(([key, inner]) =>
          numbersIn(inner, [...way, Array.isArray(value) ? Number(key) : key]),
        )
      : [];
function put(value: unknown, way: Way, number: number): unknown {
  const [key, ...rest] = way;
  if (key === undefined) return number;
  const copy = Array.isArray(value) ? [...value] : { ...(value as object) };
  (copy as Record<string | number, unknown>)[key] = put(
    (value as Record<string | number, unknown>)[key],
    rest,
    number,
  );
  return copy;
}

/** Numbers that strain a document; the schema says which of them a place takes. */
const STRAINING = [0, 1e-9, -1e-9, 1e-3, 0.1, 1, 240, 4000, 8192, 1e5, -1e5, 1e6, -1e6];

const effectOf = (name: string) =>
  newEffect(
    EFFECT_KINDS.find((kind) => kind.name === name)!,
    1,
  );

/** A long stroke with what is asked for. */
function stroked(width: number, more: (piece: Piece) => Piece = (piece) => piece): Piece {
  const path = {
    closed: false,
    points: [smooth(0, 300, { x: 300, y: -500 }), smooth(900, 700, { x: 300, y: 60 }), corner(1900, 200)],
  };
  const piece = addLayers(newPiece('Extreme'), [
    { ...newStroke('s', 'S', path), ink: { ...newStroke('s', 'S', path).ink, width } },
  ]);
  const manner = { kind: 'both', from: 'start', onAt: 0, onFrames: 20, offAt: 21, offFrames: 20 } as const;
  return more(applyManner(piece, ['s'], manner));
}
const withInk = (piece: Piece, ink: object): Piece => ({
  ...piece,
  layers: piece.layers.map((layer) =>
    layer.type === 'stroke' ? { ...layer, ink: { ...layer.ink, ...ink } } : layer,
  ),
});
const far = (piece: Piece, by: number): Piece => ({
  ...piece,
  layers: piece.layers.map((layer) =>
    layer.type === 'stroke'
      ? {
          ...layer,
          path: {
            ...layer.path,
            points: layer.path.points.map((p, i) => (i === 1 ? { ...p, x: by, y: -by } : p)),
          },
        }
      : layer,
  ),
});

test.each([
  ['fluid ink', (width: number) => stroked(width, (piece) => addEffect(piece, ['s'], effectOf('Fluid ink')))],
  ['dashes in widths', (width: number) => withInk(stroked(width), { dashes: NEW_DASHES })],
])('%s of a line of next to no width', (_, make) => {
  for (const width of [0, 1e-9, 1e-3, 0.01, 1]) {
    const piece = make(width);
    const first = costOf(piece, 25);
    expect([width, first.commands < 200_000]).toEqual([width, true]);
  }
});

test.each([
  [
    'a pattern of next to nothing',
    () => withInk(stroked(4), { dashes: { ...NEW_DASHES, unit: 'px', pattern: [1e-9, 1e-9], phase: 1e6 } }),
  ],
  [
    'a pattern of nothing',
    () => withInk(stroked(4), { dashes: { ...NEW_DASHES, unit: 'px', pattern: [0, 1e-300], phase: 1e6 } }),
  ],
  [
    'rough edges of a line to far beyond',
    () =>
      far(
        stroked(9, (piece) => addEffect(piece, ['s'], effectOf('Rough edge'))),
        1e6,
      ),
  ],
  [
    'a stroke to far beyond, with every point an extreme',
    () =>
      far(withInk(stroked(4000), { dashes: { ...NEW_DASHES, unit: 'px', pattern: [1, 1], phase: 0 } }), 1e6),
  ],
])('%s', (_, make) => {
  expect(faultOf(make())).toBeNull();
});

const BASES: readonly (() => Piece)[] = [
  ...[1, 2].flatMap((seed) => [() => randomPiece(seed), () => randomReveals(seed), () => randomPlaced(seed)]),
  ...[1, 2, 3, 4].map((seed) => () => randomEffects(seed)),
  ...[0, 1, 3, 6].map((i) => () => SAMPLE_PROJECT.pieces[i]!),
];
test('numbers of all kinds at their ends, alone and in pairs', () => {
  const documents = BASES.map((make) => {
    const piece = make();
    return { piece, ways: numbersIn(piece) };
  });
  for (const seed of cases(8, 1000)) {
    const random = seeded(seed);
    const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
    const { piece, ways } = pick(documents);
    let data: unknown = piece;
    const strained: string[] = [];
    for (let k = 0; k < 1 + (seed % 2); k++) {
      const way = pick(ways);
      const takes = STRAINING.filter((value) => readPiece(put(data, way, value)).ok);
      if (takes.length === 0) continue;
      const value = pick(takes);
      data = put(data, way, value);
      strained.push(`${way.join('.')} = ${value}`);
    }
    expect([piece.name, strained, faultOf(data)]).toEqual([piece.name, strained, null]);
  }
});
