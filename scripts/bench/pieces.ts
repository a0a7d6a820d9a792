import { addLayers, applyManner, newPiece, newStroke, type Piece } from '../../src/core/document';
import { smooth } from '../../src/core/geometry';
import { seeded } from '../../src/core/testing/families';

/** A 1080p piece of n wavy strokes of five points that write on one after another and off again. */
export function waves(n: number, length = 100): Piece {
  const random = seeded(n);
  const strokes = Array.from({ length: n }, (_, i) => {
    const y = 80 + (920 * i) / n;
    const points = Array.from({ length: 5 }, (_, k) =>
      smooth(160 + k * 390, y + random() * 120 - 60, { x: 90 + random() * 60, y: random() * 120 - 60 }),
    );
    return newStroke(`s${i}`, `Wave ${i + 1}`, { closed: false, points });
  });
  const piece = addLayers(newPiece(`${n} waves`, undefined, undefined, length), strokes);
  return strokes.reduce(
    (result, stroke, i) =>
      applyManner(result, [stroke.id], {
        kind: 'both',
        from: 'start',
        onAt: Math.round((i / n) * 30),
        onFrames: 30,
        offAt: 70,
        offFrames: 20,
        landing: 0.75,
      }),
    piece,
  );
}
