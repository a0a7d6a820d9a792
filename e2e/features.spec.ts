// Every feature of a piece through the vector formats, judged by independent players against our own picture. What the dialog says a format
// loses is let go; all else must agree.
import { expect, test } from './test';
import { readFileSync } from 'node:fs';
import { notCarried, wholeSettings, type FormatId } from '../src/contract';
import { changed, type Piece } from '../src/core/document';
import { evaluate } from '../src/core/scene';
import { cases, someOf, times } from '../src/core/testing/cases';
import { WRITE } from '../src/server/exports/formats';
import { anyPair, FEATURES, pieceWith } from '../src/core/testing/feature-pieces';
import { animatedSvg, animatedSvgText, compared, lottieWeb, type VectorPlayer } from './vector-players';

interface Judge {
  readonly name: string;
  readonly format: FormatId;
  readonly player: VectorPlayer;
  /** Inked pixels that may be off by more than 32 of 255: 0..1. */
  readonly most: number;
  /** What the player itself does not show (docs/exports.md). */
  readonly lacks?: RegExp;
}

const JUDGES: readonly Judge[] = [
  { name: 'animated SVG in Chromium', format: 'svg', player: animatedSvg, most: 0.01 },
  // Edges of mattes lie within a pixel.
  {
    ...{ name: 'Lottie in lottie-web, SVG', format: 'lottie', player: lottieWeb('svg'), most: 0.05 },
    lacks: /outside brightness|xor/,
  },
  {
    ...{ name: 'Lottie in lottie-web, canvas', format: 'lottie', player: lottieWeb('canvas'), most: 0.05 },
    lacks: /brightness|translucent/,
  },
];

/** Whether all that a piece shows is in a file by what the dialog says. */
const isWhole = (piece: Piece, format: FormatId): boolean =>
  notCarried(piece, wholeSettings({ format, scale: 1, first: 0, last: piece.length - 1 })).every(
    ({ lack }) => lack === undefined,
  );

/** Some are tried together, so that two workers share them. */
const LOT = 16;

for (const { name, format, player, most, lacks } of JUDGES) {
  const pieces = [
    ...someOf(FEATURES, 9).map((feature) => pieceWith(feature)),
    ...[...cases(2, 60)].map((seed) => pieceWith(...anyPair(seed))),
  ].filter((piece) => isWhole(piece, format) && !lacks?.test(piece.name));
  for (let from = 0; from < pieces.length; from += LOT)
    test(`${name}: what is not said to be lost is shown as we paint it, from ${from}`, async ({ page }) => {
      const off: string[] = [];
      for (const piece of pieces.slice(from, from + LOT)) {
        const shown = changed<Piece>(piece, { shutter: undefined });
        const lists = Array.from({ length: piece.length }, (_, frame) => evaluate(shown, frame));
        await page.setViewportSize(piece.size);
        await player.load(page, shown, lists);
        const count = times(2, 12);
        for (let k = 0; k < count; k++) {
          const frame = Math.round(((k + 0.5) * (piece.length - 1)) / count);
          await player.show(page, shown, frame);
          const found = await compared(page, shown, frame);
          if (found.similar < 0.98 || found.off > most)
            off.push(`${piece.name}, frame ${frame}: ${found.similar.toFixed(3)} ${found.off.toFixed(3)}`);
        }
      }
      expect(off).toEqual([]);
    });
}

test('a still of SVG with motion blur is the sum that we paint, in a small file', async ({ page }, info) => {
  const piece = pieceWith('motion blur', 'placed and keyed');
  const file = info.outputPath('still.svg');
  const settings = wholeSettings({ format: 'still-svg', scale: 1, first: 10, last: 10 });
  await WRITE['still-svg']({ piece, settings, stem: 'Still', file, progress: () => true });
  const svg = readFileSync(file, 'utf8');
  expect(svg.length).toBeLessThan(500_000);
  await page.setViewportSize(piece.size);
  await page.setContent(`<body style="margin:0">${svg}</body>`);
  const { similar, off } = await compared(page, piece, 10);
  expect(similar).toBeGreaterThan(0.98);
  expect(off).toBeLessThan(0.01);
});

test('two files of SVG in one page each have masks of their own', async ({ page }) => {
  const pieces = ['mask: ellipse', 'mask: rectangle'].map((feature) => pieceWith(feature));
  const size = pieces[0]!.size;
  await page.setViewportSize(size);
  const files = pieces.map((piece) => animatedSvgText(piece, [evaluate(piece, 24)]));
  for (const [i, piece] of pieces.entries()) {
    const shown = files.map(
      (svg, k) => `<div style="${k === i ? '' : 'height:0;overflow:hidden'}">${svg}</div>`,
    );
    await page.setContent(`<body style="margin:0">${shown.join('')}</body>`);
    const { off } = await compared(page, piece, 24);
    expect([piece.name, off < 0.01]).toEqual([piece.name, true]);
  }
});
