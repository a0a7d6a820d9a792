import { createCanvas } from '@napi-rs/canvas';
import { flatMattes, type DrawItem } from '.';
import { FEATURES, pieceWith } from '../testing/feature-pieces';
import { randomPlaced, randomReveals } from '../testing/random-pieces';
import { cases } from '../testing/cases';
import { paint } from '../paint';
import { evaluate } from '../scene';

const painted = (items: readonly DrawItem[], { width, height }: { width: number; height: number }) => {
  const context = createCanvas(width, height).getContext('2d');
  paint({ width, height, items }, context, createCanvas);
  return context.getImageData(0, 0, width, height).data;
};

/** Mattes within mattes. */
const depth = (items: readonly DrawItem[], isInMatte = false): number =>
  items.reduce((sum, item) => {
    const isMatte = item.operator === 'keep' || item.operator === 'erase';
    const inner = item.kind === 'group' ? depth(item.items, isInMatte || isMatte) : 0;
    return sum + inner + (isMatte && isInMatte ? 1 : 0);
  }, 0);

test('mattes said without mattes in them show the same, and no mask of a piece needs one', () => {
  const pieces = [
    ...FEATURES.map((feature) => pieceWith(feature)),
    ...[...cases(4, 200, [207890115])].flatMap((seed) => [randomPlaced(seed), randomReveals(seed)]),
  ];
  for (const piece of pieces) {
    const { items } = evaluate(piece, 24);
    const flat = flatMattes(items);
    if (piece.name.includes('mask')) expect([piece.name, depth(flat)]).toEqual([piece.name, 0]);
    const [a, b] = [painted(items, piece.size), painted(flat, piece.size)];
    let off = 0;
    // Premultiplied: of what can hardly be seen the colour is rounded.
    for (let i = 0; i < a.length; i++) {
      const [p, q] = i % 4 === 3 ? [255, 255] : [a[i | 3]!, b[i | 3]!];
      if (Math.abs(a[i]! * p - b[i]! * q) > 4 * 255) off++;
    }
    // Canvases smooth edges of shapes that reach far out otherwise where they cut a canvas of their own: 1 of 4,000 samples, seen. A wrong matte is off
    // by 1 of 200 and more.
    expect([piece.name, off / a.length < 0.0005]).toEqual([piece.name, true]);
  }
});
