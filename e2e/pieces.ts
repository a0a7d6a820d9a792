import { addLayers, applyManner, newPiece, newStroke, type Piece } from '../src/core/document';
import { corner, smooth } from '../src/core/geometry';

/** An empty piece. */
export const blank = (name: string): Piece =>
  newPiece(name, { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 100);

/** Three strokes: a curve, a bar and a closed triangle, the first two writing on and off. */
export function three(name: string): Piece {
  const piece = addLayers(blank(name), [
    newStroke('curve', 'Curve', {
      closed: false,
      points: [
        smooth(300, 700, { x: 200, y: -300 }),
        smooth(900, 500, { x: 200, y: 150 }),
        smooth(1500, 600, { x: 150, y: -200 }),
      ],
    }),
    newStroke('bar', 'Bar', { closed: false, points: [corner(400, 850), corner(1400, 850)] }),
    newStroke('triangle', 'Triangle', {
      closed: true,
      points: [corner(800, 200), corner(1000, 200), corner(900, 330)],
    }),
  ]);
  const manner = {
    kind: 'both',
    from: 'start',
    onAt: 10,
    onFrames: 20,
    offAt: 70,
    offFrames: 20,
  } as const;
  return applyManner(piece, ['curve', 'bar'], manner);
}
