import {
  applyManner,
  groupLayers,
  newPiece,
  newStroke,
  type Ink,
  type MannerParts,
  type MannerTimes,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { corner, type Path } from '../src/core/geometry';
import { LINEAR } from '../src/core/timing';
import { ink } from './ink';
import { CAPITALS } from './letters';
import { at, written, type PenPlace } from './written';

const line = (x0: number, y: number, x1: number): Path => ({
  closed: false,
  points: [corner(x0, y), corner(x1, y)],
});
/** A tide wave under the rule: crests and troughs that grow smaller. */
function wave(x: number, y: number): Path {
  const places = Array.from({ length: 7 }, (_, i): PenPlace => [i * 40, (i % 2 ? 1 : -1) * (15 - i * 2), 0]);
  return written(places, { x, y, scale: 1 });
}

/** Words in plain capitals, a stroke a pen movement. */
function capitals(text: string, x: number, y: number, size: number): [string, Path][] {
  let dx = 0;
  return [...text].flatMap((letter): [string, Path][] => {
    if (letter === ' ') {
      dx += 62;
      return [];
    }
    const { width, strokes } = CAPITALS[letter as keyof typeof CAPITALS];
    const made = strokes.map((places: readonly PenPlace[]): [string, Path] => [
      letter,
      written(at(dx, places), { x, y, scale: size / 100 }),
    ]);
    dx += width + 40;
    return made;
  });
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
  const look = ink(7, '#ffe9c9', {
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

/** The lower third of an invented contributor: a rule grows from its middle, the name is written above it. */
export function lowerThird(): Piece {
  const layers: Stroke[] = [];
  const manners: [string, MannerParts & MannerTimes][] = [];
  const add = (
    id: string,
    name: string,
    path: Path,
    look: Ink,
    manner: Partial<MannerParts & MannerTimes>,
  ) => {
    layers.push(newStroke(id, name, path, look));
    manners.push([
      id,
      {
        kind: 'both',
        from: 'start',
        onAt: 0,
        onFrames: 18,
        offAt: 102,
        offFrames: 14,
        ...manner,
      },
    ]);
  };
  add('rule', 'Rule', line(200, 900, 1010), ink(6, '#ff6b3d', { cap: 'flat' }), {
    from: 'middle',
    onAt: 2,
    onFrames: 20,
    offAt: 104,
  });
  capitals('ALMA CLAMAN', 204, 866, 62).forEach(([letter, path], i) => {
    add(`name-${i + 1}`, `Name, ${letter}`, path, ink(8, '#f4eee1'), {
      onAt: 12 + i * 2,
      onFrames: 11,
      offAt: 92 + Math.floor(i / 2),
      offFrames: 9,
    });
  });
  add('wave', 'Tide wave', wave(204, 944), ink(5, '#43b3a0'), { onAt: 20, onFrames: 26, offAt: 96 });
  layers.push(comet());
  const piece: Piece = {
    ...newPiece('Lower third', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 120),
    over: '#2a3b34',
    layers,
  };
  const name = (id: string): string =>
    id.startsWith('name-') ? 'Name, letter by letter' : id === 'rule' ? 'Opening rule' : 'On and off';
  const written = manners.reduce(
    (result, [id, manner]) => applyManner(result, [id], manner, name(id)),
    piece,
  );
  const passing = applyManner(written, ['comet'], COMET, 'Passing light');
  const letters = manners.map(([id]) => id).filter((id) => id.startsWith('name-'));
  return groupLayers(passing, letters, { id: 'name', name: 'Alma Claman' });
}
