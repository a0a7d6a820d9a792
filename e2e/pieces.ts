import { addLayers, applyManner, newLettering, newPiece, newStroke, type Piece } from '../src/core/document';
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

/** A piece with one lettering, whose shapes are given so that no face is needed. */
export function sampleText(name: string): Piece {
  const setting = {
    text: 'Ebb',
    face: { id: 'sacramento', weight: 400 },
    ...{ size: 300, tracking: 0, leading: 1.2, align: 'left' as const },
  };
  const set = {
    outlines: { '1': 'M0 0L300 0L300 -400L0 -400Z' },
    glyphs: [0, 1, 2].map((i) => ({ outline: '1', x: i * 400, y: 0, cluster: i })),
    ...{ scale: 1, missing: [] },
  };
  return addLayers(blank(name), [newLettering('text', 'Ebb', setting, set, { x: 300, y: 700 })]);
}
