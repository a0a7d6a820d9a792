import {
  inkOf,
  addLayers,
  applyManner,
  changeEffects,
  newStroke,
  settlePiece,
  type MannerParts,
  type Piece,
  type Stroke,
} from '../src/core/document';
import type { Effect } from '../src/core/effects';
import type { Path } from '../src/core/geometry';
import { LINEAR } from '../src/core/timing';
import { twoLines } from '../src/layouts';
import { written, type PenPlace } from './written';

/** A tide wave under the rule: crests and troughs that grow smaller. */
function wave(x: number, y: number): Path {
  const places = Array.from({ length: 7 }, (_, i): PenPlace => [i * 40, (i % 2 ? 1 : -1) * (15 - i * 2), 0]);
  return written(places, { x, y, scale: 1 });
}

/** It passes under the name in a second and a half, a third of the line long. */
const COMET: MannerParts & { onAt: number } = {
  kind: 'pass',
  onAt: 26,
  onFrames: 42,
  length: { value: 560, unit: 'px' },
  easing: { type: 'bezier', x1: 0.35, y1: 0, x2: 0.3, y2: 1 },
};

/** A line of light that crosses under the name: a window of fixed length, bright at its head, gone at its tail. */
function comet(): Stroke {
  const look = inkOf(7, '#ffe9c9', {
    gradient: {
      along: 'visible',
      from: { x: 0, y: 0 },
      to: { x: 1920, y: 0 },
      stops: [
        { at: 0, colour: '#ff6b3d', opacity: 0 },
        { at: 0.6, colour: '#ff6b3d', opacity: 0.8 },
        { at: 1, colour: '#fff3dc', opacity: 1 },
      ],
    },
    taper: { start: { length: 0.9, unit: 'share', tip: 0, curve: LINEAR }, over: 'visible' },
    glow: { size: 26, gain: 1.5, colour: '#ff6b3d', opacity: 0.8 },
  });
  const path = written(
    [
      [120, -1000, 0],
      [700, -984, -2],
      [1800, -1002, 4],
    ],
    { x: 0, y: 0, scale: 1 },
  );
  return newStroke('comet', 'Comet line', path, look);
}

/** A highlight that passes over the name while it stands. */
const glint = (): Effect => ({
  on: true,
  is: {
    kind: 'glint',
    way: 'across',
    at: {
      keys: [
        { frame: 46, value: 0, easing: { type: 'minimum jerk' } },
        { frame: 74, value: 1, easing: LINEAR },
      ],
    },
    angle: Math.PI / 7,
    width: 150,
    softness: 1,
    strength: 0.9,
    colour: '#ff6b3d',
    lasts: 28,
  },
});

/** The lower third of an invented contributor: a rule opens, name and calling slide out of it, a light passes under them. */
export function lowerThird(): Piece {
  const piece = addLayers({ ...twoLines(), name: 'Lower third', over: '#2a3b34' }, [
    newStroke('wave', 'Tide wave', wave(204, 992), inkOf(5, '#43b3a0')),
    comet(),
  ]);
  const waved = applyManner(
    piece,
    ['wave'],
    { kind: 'both', from: 'start', onAt: 24, onFrames: 26, offAt: 96, offFrames: 14 },
    'On and off',
  );
  const passed = applyManner(waved, ['comet'], COMET, 'Passing light');
  return settlePiece(
    null,
    changeEffects(passed, ['name'], (effects) => [glint(), ...effects]),
  );
}
