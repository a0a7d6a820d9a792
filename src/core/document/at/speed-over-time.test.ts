import { corner, ellipseShape, measurePath, type Path } from '../../geometry';
import { addLayers } from '../edits/layers';
import { applyManner } from '../edits/manner';
import { newPiece, newStroke } from '../schema/new-piece';
import { strokesOf, type Piece } from '../schema/piece';
import { speedOverTime } from './speed-over-time';

const line = (length: number): Path => ({ closed: false, points: [corner(0, 0), corner(length, 0)] });
const written = (piece: Piece, id: string, onAt: number, onFrames: number) =>
  applyManner(piece, [id], { kind: 'on', from: 'start', onAt, onFrames, easing: { type: 'linear' } });

test('at even speed it is length by time, and that of two strokes is the sum while both are written', () => {
  let piece = addLayers(newPiece('Speed', undefined, undefined, 100), [
    newStroke('a', 'A', line(500)),
    newStroke('b', 'B', line(100)),
  ]);
  piece = written(written(piece, 'a', 0, 25), 'b', 10, 10);
  const moments = speedOverTime(strokesOf(piece), 25);
  const at = (frame: number) => moments.find((moment) => moment.frame >= frame)!.speed;
  // 500 px in a second; 100 px in 0.4 s beside it from frame 10 to 20.
  expect(at(5)).toBeCloseTo(500, 6);
  expect(at(15)).toBeCloseTo(750, 6);
  expect(at(22)).toBeCloseTo(500, 6);
});

test('whatever the easing and the pace, speed by time is the way that was gone', () => {
  const ring = ellipseShape({ x: 0, y: 0 }, { x: 300, y: 120 });
  const made = addLayers(newPiece('Way', undefined, undefined, 200), [newStroke('r', 'R', ring)]);
  const easings = [
    { type: 'linear' },
    { type: 'minimum jerk' },
    { type: 'bezier', x1: 0.3, y1: 0, x2: 0.2, y2: 1 },
  ];
  for (const easing of easings) {
    for (const pace of [undefined, { kind: 'hand', strength: 1, soft: 0.6 } as const]) {
      const piece = applyManner(made, ['r'], {
        kind: 'on',
        from: 'start',
        onAt: 12,
        onFrames: 60,
        easing,
      } as never);
      const strokes = strokesOf(piece).map((stroke) => (pace ? { ...stroke, pace } : stroke));
      const moments = speedOverTime(strokes, 25);
      const step = moments[1]!.frame - moments[0]!.frame;
      const way = moments.reduce((sum, { speed }) => sum + (speed * step) / 25, 0);
      expect(way).toBeCloseTo(measurePath(ring).length, 3);
    }
  }
});

test('strokes that do not write themselves have no speed', () => {
  const still = addLayers(newPiece('Still'), [newStroke('s', 'S', line(100))]);
  expect(speedOverTime(strokesOf(still), 25)).toEqual([]);
});
