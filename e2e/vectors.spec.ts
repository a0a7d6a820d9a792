import { expect, test } from './test';
import { SAMPLE_PROJECT } from '../demo';
import { changed, type Piece } from '../src/core/document';
import { readSvg, writeSvg } from '../src/core/formats';
import { evaluate } from '../src/core/scene';
import { pieceWith } from '../src/core/testing/feature-pieces';
import { someOf, times } from '../src/core/testing/cases';
import { animatedSvg, compared, lottieWeb } from './vector-players';

/** Pieces that Lottie has words for, and that its player builds within seconds. */
const SAYABLE = ['Tide ring', 'Chapter card', 'Programme ident'];

for (const [name, player, frames, pieces, few] of [
  ['animated SVG', animatedSvg, times(2, 8), SAMPLE_PROJECT.pieces, 3],
  [
    'Lottie in lottie-web',
    lottieWeb('svg'),
    times(1, 6),
    SAMPLE_PROJECT.pieces.filter((piece) => SAYABLE.includes(piece.name)),
    1,
  ],
] as const) {
  for (const sample of someOf(pieces, few)) {
    test(`${name}: “${sample.name}” plays as we paint it`, async ({ page }) => {
      const piece = changed<Piece>(sample, { shutter: undefined });
      const lists = Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame));
      await page.setViewportSize(piece.size);
      await player.load(page, piece, lists);
      for (let k = 0; k < frames; k++) {
        const frame = Math.round(((k + 0.6) * piece.length) / (frames + 0.4));
        await player.show(page, piece, frame);
        const { similar, off } = await compared(page, piece, frame);
        expect(similar, `frame ${frame}`).toBeGreaterThan(0.98);
        expect(off, `frame ${frame}`).toBeLessThan(player.most(piece));
      }
    });
  }
}

test('an animated SVG stands at its still where motion is to be reduced, and is read back as if that were not there', async ({
  page,
}) => {
  const piece = pieceWith('seen through strokes');
  const { name } = piece;
  const lists = Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame));
  const still = piece.length - 1;
  const text = writeSvg({ name, lists, framesPerSecond: 25, plays: 'again', still, scale: 1 });
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.setViewportSize(piece.size);
  await page.setContent(`<body style="margin:0">${text}</body>`);
  await animatedSvg.show(page, piece, 3);
  expect((await compared(page, piece, still)).off).toBeLessThan(0.01);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  expect((await compared(page, piece, 3)).off).toBeLessThan(0.01);
  const { shapes, leftOut } = readSvg(text);
  expect([shapes.length > 0, leftOut]).toEqual([true, []]);
});
