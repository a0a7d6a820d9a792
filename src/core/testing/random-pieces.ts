// Random pieces that hold all there is: every kind of ink, window, matte, mask, placement, blend and effect.
import {
  addEffect,
  addLayers,
  applyManner,
  groupLayers,
  newMask,
  newPiece,
  newStroke,
  revealThrough,
  setBlend,
  setMasks,
  setPlace,
  setReveal,
  SHUTTER,
  type Ink,
  type MaskShape,
  type Piece,
} from '../document';
import { BLENDS } from '../draw';
import { EFFECT_KINDS, newEffect } from '../effects';
import { corner, smooth, type PathPoint } from '../geometry';
import { END_SHAPES, WIDTH_PRESETS } from '../ink';
import { CSS_EASE } from '../timing';
import { seeded } from './families';

const pick = <T>(random: () => number, all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
export const anyColour = (random: () => number): string =>
  `#${Math.floor(random() * 0xffffff)
    .toString(16)
    .padStart(6, '0')}`;

/** A random ink; each of what it may have is there in some of them. */
function randomInk(random: () => number): Ink {
  const some = (share: number) => random() < share;
  const taper = () =>
    ({ length: random(), unit: 'share', tip: random() * 0.3, curve: CSS_EASE.ease }) as const;
  const light = () => ({
    // Some reach so far that they are blurred on a smaller picture.
    size: some(0.3) ? 90 + random() * 900 : 2 + random() * 20,
    gain: 0.4 + random() * 2,
    colour: anyColour(random),
    opacity: random(),
  });
  return {
    width: 0.5 + random() * 40,
    colour: anyColour(random),
    opacity: some(0.5) ? 1 : random(),
    cap: pick(random, ['flat', 'round', 'square']),
    join: pick(random, ['miter', 'round', 'bevel']),
    ...(some(0.3) && { miterLimit: 1 + random() * 8 }),
    ...(some(0.3) && {
      widths: pick(
        random,
        Object.values(WIDTH_PRESETS).filter((w) => w !== null),
      ),
    }),
    ...(some(0.3) && { taper: { start: taper(), end: taper(), over: pick(random, ['whole', 'visible']) } }),
    ...(some(0.25) && {
      line: pick(random, [
        { kind: 'double', distance: random() * 30 },
        { kind: 'hollow', thickness: 1 + random() * 5 },
      ] as const),
    }),
    ...(some(0.35) && {
      dashes: {
        pattern: Array.from({ length: 1 + Math.floor(random() * 4) }, () => random() * 40),
        unit: 'px',
        phase: random() * 200 - 100,
        flow: pick(random, ['stay', 'ride', 'march']),
        speed: { value: random() * 200, unit: 'px', seamless: some(0.5) },
        fit: some(0.5),
        corners: some(0.3),
        grow: some(0.3) ? random() * 1.6 - 0.8 : 0,
      } as const,
    }),
    ...(some(0.3) && {
      ends: {
        head: { shape: pick(random, END_SHAPES), size: 1 + random() * 4 },
        tail: { shape: pick(random, END_SHAPES), size: 1 + random() * 4, colour: anyColour(random) },
      },
    }),
    ...(some(0.35) && {
      gradient: {
        along: pick(random, ['whole', 'visible', 'picture']),
        from: { x: random() * 640, y: random() * 360 },
        to: { x: random() * 640, y: random() * 360 },
        stops: Array.from({ length: 1 + Math.floor(random() * 4) }, () => ({
          at: random(),
          colour: anyColour(random),
          opacity: some(0.5) ? 1 : random(),
        })),
      },
    }),
    ...(some(0.15) && { glow: light() }),
    ...(some(0.15) && { innerGlow: light() }),
    ...(some(0.15) && {
      shadow: {
        x: random() * 9,
        y: random() * 9,
        blur: some(0.3) ? 80 + random() * 400 : random() * 16,
        colour: anyColour(random),
        opacity: random(),
      },
    }),
    ...(some(0.15) && {
      shadowLine: {
        x: random() * 9,
        y: random() * 9,
        aside: random() * 20 - 10,
        width: random() * 1.5,
        colour: anyColour(random),
        opacity: random(),
      },
    }),
  };
}

/** Random strokes with every kind of ink, window and point. */
export function randomPiece(seed: number): Piece {
  const random = seeded(seed);
  const strokes = Array.from({ length: 12 }, (_, i) => {
    const points = Array.from({ length: 1 + Math.floor(random() * 5) }, (): PathPoint => {
      const [x, y] = [random() * 640, random() * 360];
      return random() < 0.4
        ? corner(x, y)
        : smooth(x, y, { x: random() * 200 - 100, y: random() * 200 - 100 }, random() * 90);
    });
    const closed = random() < 0.3 && points.length > 1;
    const made = newStroke(`s${i}`, `S ${i}`, { closed, points }, randomInk(random));
    const travel = { length: random() * 0.6, unit: 'share' } as const;
    return {
      ...made,
      window: {
        head: 0.3 + random() * 0.7,
        tail: random() * 0.3,
        slide: random(),
        ...(random() < 0.2 && { outside: true as const }),
        ...(random() < 0.2 && { travel }),
      },
    };
  });
  return addLayers(newPiece(`Random ${seed}`, { width: 640, height: 360 }), strokes);
}

/** A random piece in which every third stroke is seen through one or two before it. */
export function randomReveals(seed: number): Piece {
  const random = seeded(1000 + seed);
  const piece = randomPiece(200 + seed);
  return piece.layers.reduce((result, layer, i) => {
    if (i % 3 < 2) return result;
    const through = [piece.layers[i - 1]!.id, ...(random() < 0.5 ? [piece.layers[i - 2]!.id] : [])];
    const reveal = revealThrough(through, {
      by: pick(random, ['shape', 'brightness']),
      inverted: random() < 0.4,
      feather: random() < 0.4 ? random() * 30 : 0,
      shown: random() < 0.3,
    });
    return setReveal(result, [layer.id], reveal);
  }, piece);
}

/** A random piece in which strokes are masked, placed, blended and grouped, one group within another. */
export function randomPlaced(seed: number): Piece {
  const random = seeded(3000 + seed);
  const r = (least: number, most: number): number => least + random() * (most - least);
  const shape = (): MaskShape =>
    pick(random, [
      {
        kind: 'rectangle',
        x: r(0, 300),
        y: r(0, 200),
        width: r(50, 400),
        height: r(50, 250),
        radius: r(0, 40),
      },
      { kind: 'ellipse', x: r(100, 500), y: r(80, 280), radiusX: r(30, 260), radiusY: r(30, 200) },
      {
        kind: 'linear wipe',
        from: { x: r(0, 200), y: r(0, 300) },
        to: { x: r(400, 640), y: r(0, 300) },
        share: random(),
      },
      {
        kind: 'clock wipe',
        centre: { x: 320, y: 180 },
        reach: 300,
        angle: r(0, 6),
        share: random(),
        anticlockwise: random() < 0.5,
      },
    ] as const);
  const mask = () => ({
    ...newMask('m', shape(), pick(random, ['add', 'subtract', 'intersect'])),
    inverted: random() < 0.3,
    feather: random() < 0.4 ? r(0, 30) : 0,
    expansion: random() < 0.3 ? r(-15, 15) : 0,
  });
  let piece = randomPiece(400 + seed);
  const ids = piece.layers.map((layer) => layer.id);
  piece = groupLayers(piece, ids.slice(0, 4), { id: 'in', name: 'In' });
  piece = groupLayers(piece, ids.slice(0, 7), { id: 'out', name: 'Out' });
  for (const id of ['in', 'out', ...ids.slice(5)]) {
    if (random() < 0.5)
      piece = setPlace(piece, id, 0, {
        x: r(-60, 60),
        y: r(-40, 40),
        rotation: r(-0.6, 0.6),
        scaleX: r(0.6, 1.4),
        scaleY: r(0.6, 1.4),
        skewX: random() < 0.4 ? r(-0.5, 0.5) : 0,
        opacity: random() < 0.5 ? 1 : random(),
      });
    if (random() < 0.3) piece = setMasks(piece, id, [mask(), mask()]);
    if (random() < 0.4) piece = setBlend(piece, [id], pick(random, BLENDS));
  }
  return piece;
}

/** A random piece of a few strokes that write on, with effects on some of them and on a group; every third is blurred by its motion. */
export function randomEffects(seed: number): Piece {
  const random = seeded(5000 + seed);
  const few = { ...randomPiece(600 + seed), layers: randomPiece(600 + seed).layers.slice(0, 4) };
  const ids = few.layers.map((layer) => layer.id);
  const manner = { kind: 'both', from: 'start', onAt: 0, onFrames: 20, offAt: 30, offFrames: 20 } as const;
  let piece = groupLayers(applyManner(few, ids, manner), ids.slice(0, 2), { id: 'g', name: 'G' });
  for (const id of ['g', ...ids.slice(2)]) {
    const kinds = [pick(random, EFFECT_KINDS), pick(random, EFFECT_KINDS)];
    for (const kind of kinds) piece = addEffect(piece, [id], newEffect(kind, 0.3 + random()));
  }
  return seed % 3 === 0 ? { ...piece, shutter: SHUTTER } : piece;
}
