import {
  inkOf,
  addLayers,
  applyManner,
  changeEffects,
  newPiece,
  newStroke,
  type Piece,
} from '../src/core/document';
import type { Effect } from '../src/core/effects';
import { smooth, type Path } from '../src/core/geometry';

/** A long swell from beyond one side of the picture to beyond the other. */
function swell(y: number, height: number): Path {
  const points = Array.from({ length: 6 }, (_, i) =>
    smooth(-160 + i * 448, y + (i % 2 ? height : -height), { x: 190, y: 0 }),
  );
  return { closed: false, points };
}

const fluid = (runniness: number, tension: number, seed: number): Effect => ({
  on: true,
  is: { kind: 'fluid ink', runniness, tension, wiggle: 0.5, drops: true, highlights: true, seed },
});

/** High water: a line of liquid crosses the picture, a lesser one behind it; both leave nothing behind. */
export function highWater(): Piece {
  const start: Piece = {
    ...newPiece('High water', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 110),
    over: '#12303a',
  };
  let piece = addLayers(start, [
    newStroke('ebb', 'Ebb', swell(650, 46), inkOf(26, '#2f7f72')),
    newStroke('flood', 'Flood', swell(540, 70), inkOf(52, '#43b3a0')),
  ]);
  const pass = (onAt: number, onFrames: number, value: number) =>
    ({
      kind: 'pass',
      onAt,
      onFrames,
      length: { value, unit: 'px' },
      easing: { type: 'bezier', x1: 0.4, y1: 0.15, x2: 0.55, y2: 0.9 },
    }) as const;
  piece = applyManner(piece, ['flood'], pass(2, 84, 940), 'Passing light');
  piece = applyManner(piece, ['ebb'], pass(18, 78, 620), 'Passing light');
  piece = changeEffects(piece, ['flood'], () => [fluid(0.7, 16, 4)]);
  return changeEffects(piece, ['ebb'], () => [fluid(0.6, 10, 9)]);
}
