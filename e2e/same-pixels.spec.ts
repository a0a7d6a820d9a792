import { BLENDS, type DrawList } from '../src/core/draw';
import { expect, test } from '@playwright/test';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { buildSync } from 'esbuild';
import { resolve } from 'node:path';
import { SAMPLE_PROJECT } from '../demo';
import {
  addEffect,
  addLayers,
  applyManner,
  groupLayers,
  newArt,
  newMask,
  newPiece,
  newStroke,
  readPiece,
  revealThrough,
  setBlend,
  setMasks,
  setPlace,
  setReveal,
  SHUTTER,
  type Art,
  type Ink,
  type MaskShape,
  type Piece,
} from '../src/core/document';
import { EFFECT_KINDS, newEffect } from '../src/core/effects';
import { readSvg } from '../src/core/formats';
import { corner, smooth, type PathPoint } from '../src/core/geometry';
import { END_SHAPES, WIDTH_PRESETS } from '../src/core/ink';
import { paint } from '../src/core/paint';
import { evaluate } from '../src/core/scene';
import { cubicBezier, CSS_EASE } from '../src/core/timing';
import { seeded } from '../src/core/testing/families';
import { hashOf } from './pixels';
import { SVG_CASES, svgCase } from './svg-cases';

/** The core's own painting code, made into one script for a bare page. */
const script = buildSync({
  stdin: {
    contents:
      "import { paint } from './src/core/paint'; globalThis.paintList = (list, context, scale) => paint(list, context, (w, h) => new OffscreenCanvas(w, h), scale);",
    resolveDir: resolve(import.meta.dirname, '..'),
  },
  bundle: true,
  write: false,
  format: 'iife',
}).outputFiles[0]!.text;

function onServer(list: DrawList, scale: number): Uint8ClampedArray {
  const canvas = createCanvas(Math.round(list.width * scale), Math.round(list.height * scale));
  paint(list, canvas.getContext('2d'), createCanvas, scale);
  return canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data;
}

const pick = <T>(random: () => number, all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
const anyColour = (random: () => number): string =>
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
function randomPiece(seed: number): Piece {
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
function randomReveals(seed: number): Piece {
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
function randomPlaced(seed: number): Piece {
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
function randomEffects(seed: number): Piece {
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

type Case = [name: string, list: DrawList, scale: number];

const many = (name: string, count: number, make: (seed: number) => Piece): Case[] =>
  Array.from({ length: count }, (_, i): Case => [`${name} ${i}`, evaluate(make(i), 0), [1, 0.5, 2][i % 3]!]);

/** What is painted in both, in lots that two workers can share. */
const LOTS: { name: string; cases: () => Case[] }[] = [
  ...[0, 1].map((half) => ({
    name: `the sample pieces, ${half === 0 ? 'coming' : 'leaving'}`,
    cases: () =>
      SAMPLE_PROJECT.pieces.flatMap((piece) =>
        [0.1, 0.35, 0.6, 0.9].slice(half * 2, half * 2 + 2).map((part, i): Case => {
          const frame = Math.floor(piece.length * part);
          return [`${piece.name} ${frame}`, evaluate(piece, frame), [1, 0.5, 1, 2][half * 2 + i]!];
        }),
      ),
  })),
  { name: 'random inks', cases: () => many('random', 30, randomPiece) },
  { name: 'random reveals', cases: () => many('reveal', 12, randomReveals) },
  ...[0, 3, 6, 9].map((from) => ({
    name: `random effects from ${from}`,
    cases: () =>
      Array.from({ length: 3 }, (_, k): Case => {
        const i = from + k;
        return [`effects ${i}`, evaluate(randomEffects(i), 4 + 3.5 * i, 6), [1, 0.5, 2][i % 3]!];
      }),
  })),
  { name: 'random placements, masks and blends', cases: () => many('placed', 16, randomPlaced) },
  {
    name: 'art of SVG files',
    cases: () =>
      SVG_CASES.map((one): Case => {
        const art = newArt('art', one[0], readSvg(svgCase(one)), [0.9, 0.1, -0.2, 1.1, 20, 4]);
        const piece = addLayers(newPiece(one[0], { width: 128, height: 128 }), [art]);
        // What is painted is what can be kept.
        expect(readPiece(piece)).toMatchObject({ ok: true });
        return [one[0], evaluate(piece, 0), 1];
      }),
  },
];

for (const { name: lot, cases } of LOTS) {
  test(`browser and server paint the same draw list to the last bit, at every export size: ${lot}`, async ({
    page,
  }) => {
    await page.goto('about:blank');
    await page.addScriptTag({ content: script });
    await page.addScriptTag({ content: `globalThis.hashOf = ${hashOf.toString()}` });
    for (const [name, list, scale] of cases()) {
      const inBrowser = await page.evaluate(
        ({ list, scale }) => {
          const canvas = document.createElement('canvas');
          [canvas.width, canvas.height] = [Math.round(list.width * scale), Math.round(list.height * scale)];
          const context = canvas.getContext('2d', { willReadFrequently: true })!;
          (globalThis as unknown as { paintList: (l: unknown, c: unknown, s: number) => void }).paintList(
            list,
            context,
            scale,
          );
          return (globalThis as unknown as { hashOf: (p: unknown) => string }).hashOf(
            context.getImageData(0, 0, canvas.width, canvas.height).data,
          );
        },
        { list, scale },
      );
      expect([name, inBrowser]).toEqual([name, hashOf(onServer(list, scale))]);
    }
  });
}

/** Random circles and boxes as one piece of art, and the same as an SVG file. */
function randomArt(id: string, random: () => number, count: number): { art: Art; svg: string } {
  const shapes = Array.from({ length: count }, () => {
    const [x, y, w, h] = [random() * 240, random() * 140, 20 + random() * 90, 20 + random() * 70];
    return {
      data: `M${x} ${y}L${x + w} ${y}L${x + w * random()} ${y + h}Z`,
      fill: anyColour(random),
      fillOpacity: 0.3 + random() * 0.7,
      rule: 'nonzero' as const,
      line: null,
      transform: [1, 0, 0, 1, 0, 0] as const,
    };
  });
  const paths = shapes
    .map((s) => `<path d="${s.data}" fill="${s.fill}" fill-opacity="${s.fillOpacity}"/>`)
    .join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="320" height="200" viewBox="0 0 320 200">${paths}</svg>`;
  const art: Art = {
    type: 'art',
    id,
    name: id,
    hidden: false,
    locked: false,
    opacity: 1,
    transform: [1, 0, 0, 1, 0, 0],
    shapes,
  };
  return { art, svg };
}

test('what is revealed is what CSS masks of Chromium show: by alpha and by luminance (CSS Masking Level 1)', async ({
  page,
}) => {
  await page.setViewportSize({ width: 320, height: 200 });
  for (let i = 0; i < 8; i++) {
    const random = seeded(60 + i);
    const [seen, veil] = [randomArt('seen', random, 9), randomArt('veil', random, 7)];
    const by = i % 2 ? 'brightness' : 'shape';
    const piece = addLayers(newPiece('Mask', { width: 320, height: 200 }), [seen.art, veil.art]);
    const list = evaluate(setReveal(piece, ['seen'], revealThrough(['veil'], { by })), 0);
    const url = (svg: string) => `url('data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}')`;
    await page.setContent(
      `<body style="margin:0;background:transparent"><div style="width:320px;height:200px;background:${url(seen.svg).replaceAll('"', '')};mask:${url(veil.svg)};mask-mode:${by === 'shape' ? 'alpha' : 'luminance'}"></div>`,
    );
    const shot = await loadImage(await page.screenshot({ omitBackground: true }));
    const canvas = createCanvas(320, 200);
    canvas.getContext('2d').drawImage(shot, 0, 0);
    const theirs = canvas.getContext('2d').getImageData(0, 0, 320, 200).data;
    const ours = onServer(list, 1);
    let [sum, most, ink] = [0, 0, 0];
    for (let k = 3; k < ours.length; k += 4) {
      const off = Math.abs(ours[k]! - theirs[k]!);
      sum += off;
      most = Math.max(most, off);
      ink += theirs[k]!;
    }
    expect(ink).toBeGreaterThan(0);
    // Edges are smoothed once by us and once more by the picture of the mask; everywhere else they agree to rounding.
    expect([i, sum / (320 * 200) < 0.3]).toEqual([i, true]);
    expect([i, most < 40]).toEqual([i, true]);
  }
});

test('easing is what Chromium’s own animations do', async ({ page }) => {
  await page.goto('about:blank');
  const random = seeded(21);
  const curves = [
    ...Object.values(CSS_EASE).map((e) => [e.x1, e.y1, e.x2, e.y2] as [number, number, number, number]),
    [0.3, 0, 0.25, 1] as [number, number, number, number],
    ...Array.from({ length: 20 }, (): [number, number, number, number] => [
      random(),
      random() * 2 - 0.5,
      random(),
      random() * 2 - 0.5,
    ]),
  ];
  const theirs = await page.evaluate((all) => {
    const element = document.body.appendChild(document.createElement('div'));
    return all.map((curve) => {
      const animation = element.animate([{ marginLeft: '0px' }, { marginLeft: '1000px' }], {
        duration: 1000,
        easing: `cubic-bezier(${curve.join(',')})`,
        fill: 'both',
      });
      animation.pause();
      return Array.from({ length: 21 }, (_, i) => {
        animation.currentTime = i * 50;
        return animation.effect!.getComputedTiming().progress as number;
      });
    });
  }, curves);
  curves.forEach((curve, k) => {
    const ours = cubicBezier(...curve);
    theirs[k]!.forEach((value, i) => expect(Math.abs(ours(i / 20) - value)).toBeLessThan(1e-5));
  });
});
