import { expect, type Page } from './test';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { Piece } from '../src/core/document';
import type { DrawList } from '../src/core/draw';
import { writeLottie, writeSvg } from '../src/core/formats';
import { paint } from '../src/core/paint';
import { evaluate } from '../src/core/scene';
import { framesPerSecond } from '../src/core/timing';

/** Structural similarity of brightness over mid grey, in windows of 8 px (Wang, Bovik, Sheikh & Simoncelli 2004). */
function similarity(a: Uint8ClampedArray, b: Uint8ClampedArray, width: number, height: number): number {
  const luma = (pixels: Uint8ClampedArray) =>
    Float64Array.from({ length: width * height }, (_, i) => {
      const alpha = pixels[4 * i + 3]! / 255;
      const y = 0.2126 * pixels[4 * i]! + 0.7152 * pixels[4 * i + 1]! + 0.0722 * pixels[4 * i + 2]!;
      return y * alpha + 128 * (1 - alpha);
    });
  const [x, y] = [luma(a), luma(b)];
  const [c1, c2, n] = [(0.01 * 255) ** 2, (0.03 * 255) ** 2, 64];
  let [sum, windows] = [0, 0];
  for (let top = 0; top + 8 <= height; top += 8) {
    for (let left = 0; left + 8 <= width; left += 8) {
      let [sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0];
      for (let k = 0; k < n; k++) {
        const at = (top + (k >> 3)) * width + left + (k & 7);
        const [p, q] = [x[at]!, y[at]!];
        sx += p;
        sy += q;
        sxx += p * p;
        syy += q * q;
        sxy += p * q;
      }
      const [mx, my] = [sx / n, sy / n];
      const [vx, vy, both] = [sxx / n - mx * mx, syy / n - my * my, sxy / n - mx * my];
      sum += ((2 * mx * my + c1) * (2 * both + c2)) / ((mx * mx + my * my + c1) * (vx + vy + c2));
      windows++;
    }
  }
  return sum / windows;
}

/** Share of the picture that ink counts as at least: of a fine line its rim alone would be much. */
const LEAST_INK = 0.02;

/** How what a page shows compares with what we paint of a frame. */
export async function compared(page: Page, piece: Piece, frame: number) {
  const { width, height } = piece.size;
  const seen = createCanvas(width, height).getContext('2d');
  seen.drawImage(await loadImage(await page.screenshot({ omitBackground: true })), 0, 0);
  const own = createCanvas(width, height).getContext('2d');
  paint(evaluate(piece, frame), own, createCanvas);
  const [got, want] = [seen, own].map((context) => context.getImageData(0, 0, width, height).data);
  let [inked, off] = [0, 0];
  for (let i = 0; i < want!.length; i += 4) {
    const [a, b] = [got![i + 3]!, want![i + 3]!];
    if (a === 0 && b === 0) continue;
    inked++;
    let worst = Math.abs(a - b);
    for (let c = i; c < i + 3; c++) worst = Math.max(worst, Math.abs(got![c]! * a - want![c]! * b) / 255);
    if (worst > 32) off++;
  }
  return {
    similar: similarity(got!, want!, width, height),
    off: off / Math.max(inked, LEAST_INK * width * height),
  };
}

/** What plays a piece in a page, frame by frame. */
export interface VectorPlayer {
  /** How many of the inked pixels may be off: 0..1. */
  readonly most: (piece: Piece) => number;
  readonly load: (page: Page, piece: Piece, lists: readonly DrawList[]) => Promise<void>;
  readonly show: (page: Page, piece: Piece, frame: number) => Promise<void>;
}

/** An animated SVG of a film's frames; of one frame, a still. */
export const animatedSvgText = ({ name, rate }: Piece, lists: readonly DrawList[]): string =>
  writeSvg({ name, lists, framesPerSecond: framesPerSecond(rate), plays: 'once', still: 0, scale: 1 });

export const animatedSvg: VectorPlayer = {
  // Chromium strokes some curves a fifth of a pixel beside where its own canvas does: on thin rings that alone is two in a hundred.
  most: ({ name }) => ({ 'Tide ring': 0.02, 'Programme ident': 0.025 })[name] ?? 0.01,
  async load(page, piece, lists) {
    await page.setContent(`<body style="margin:0">${animatedSvgText(piece, lists)}</body>`);
  },
  show: (page, piece, frame) =>
    page.evaluate(
      (at) => {
        const svg = document.querySelector('svg')!;
        svg.pauseAnimations();
        svg.setCurrentTime(at);
      },
      (frame + 0.0005) / framesPerSecond(piece.rate),
    ),
};

const validLottie = new Ajv2020({ strict: false }).compile(
  JSON.parse(
    readFileSync(
      resolve('node_modules/@lottie-animation-community/lottie-specs/src/data/lottie.schema.json'),
      'utf8',
    ),
  ),
);

/** One of the renderers of lottie-web. */
export const lottieWeb = (renderer: 'svg' | 'canvas'): VectorPlayer => ({
  most: ({ name }) => (name === 'Programme ident' ? 0.015 : 0.01),
  async load(page, piece, lists) {
    const { width, height } = piece.size;
    const data = JSON.parse(
      writeLottie({ name: piece.name, lists, framesPerSecond: framesPerSecond(piece.rate) }),
    );
    // By the published schema of the specification.
    expect(validLottie(data), JSON.stringify(validLottie.errors)).toBe(true);
    await page.setContent(
      `<body style="margin:0"><div style="width:${width}px;height:${height}px"></div></body>`,
    );
    await page.addScriptTag({ path: resolve('node_modules/lottie-web/build/player/lottie.js') });
    await page.evaluate(
      ([animationData, how]) => {
        const { lottie } = globalThis as unknown as { lottie: { loadAnimation(options: object): object } };
        const container = document.querySelector('div')!;
        const options = { container, renderer: how, loop: false, autoplay: false, animationData };
        Object.assign(globalThis, { film: lottie.loadAnimation(options) });
      },
      [data, renderer] as const,
    );
  },
  show: (page, _, frame) =>
    page.evaluate((at) => {
      (
        globalThis as unknown as { film: { goToAndStop(frame: number, isFrame: true): void } }
      ).film.goToAndStop(at, true);
    }, frame),
});
