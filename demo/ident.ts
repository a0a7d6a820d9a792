import { ACCENTS, PENS } from '../src/accents';
import {
  inkOf,
  addLayers,
  applyManner,
  changeEffects,
  groupLayers,
  insertAccent,
  newPiece,
  newRider,
  newStroke,
  setKey,
  setPlace,
  setRider,
  writeInSequence,
  type Piece,
} from '../src/core/document';
import { ellipseShape, lineShape } from '../src/core/geometry';
import { landingEasing, LINEAR } from '../src/core/timing';
import { leaving } from '../src/layouts';
import { tracedStrokes } from './traced';

const MIDDLE = { x: 960, y: 540 };

/** An arc that runs round the name, and another that chases it. */
function withArcs(piece: Piece): Piece {
  const [rx, ry] = [560, 300];
  const path = ellipseShape({ x: MIDDLE.x - rx, y: MIDDLE.y - ry }, { x: MIDDLE.x + rx, y: MIDDLE.y + ry });
  let made = addLayers(piece, [newStroke('arc', 'Chasing arcs', path, inkOf(9, '#43b3a0'))]);
  made = setPlace(made, 'arc', 0, { pivotX: MIDDLE.x, pivotY: MIDDLE.y, x: 0, y: 0 });
  const soft = landingEasing(0.6);
  for (const [part, keys] of [
    [
      'head',
      [
        [10, 0],
        [34, 0.3],
      ],
    ],
    [
      'tail',
      [
        [84, 0],
        [104, 0.3],
      ],
    ],
    [
      'slide',
      [
        [10, 0],
        [104, 2],
      ],
    ],
  ] as const)
    for (const [frame, value] of keys)
      made = setKey(made, 'arc', part, frame, value, part === 'slide' ? LINEAR : soft);
  const arrangement = { shape: 'row', count: 2, x: 0, y: 0 } as const;
  return changeEffects(made, ['arc'], () => [
    {
      on: true,
      is: {
        kind: 'copies',
        arrangement,
        delay: 0,
        rotation: Math.PI,
        scale: 1,
        opacity: 1,
        recoloured: true,
        colour: '#d9a441',
        disorder: 0,
        seed: 1,
      },
    },
  ]);
}

/** A rule under the name, drawn by a pencil. */
function withRule(piece: Piece, newId: () => string): Piece {
  const rule = newStroke(
    'rule',
    'Rule',
    lineShape({ x: 560, y: 664 }, { x: 1360, y: 660 }),
    inkOf(7, '#d9a441'),
  );
  let made = applyManner(addLayers(piece, [rule]), ['rule'], {
    kind: 'both',
    from: 'start',
    onAt: 44,
    onFrames: 22,
    offAt: 88,
    offFrames: 12,
    pace: { kind: 'hand', strength: 0.6, soft: 0.5 },
  });
  made = changeEffects(made, ['rule'], () => [
    { on: true, is: { kind: 'rough edge', amount: 1.2, grain: 6, held: 3, loop: 0, seed: 5 } },
  ]);
  const pencil = PENS.find(({ id }) => id === 'pencil')!.piece;
  const put = insertAccent(made, pencil, 0, { ...MIDDLE, scale: 1 }, newId);
  return setRider(put.piece, put.group, { ...newRider('rule', 1), turned: false, comes: 8, goes: 8 });
}

/** The programme's ident: its name is written, a burst goes off behind it, two arcs chase each other round it. */
export function ident(): Piece {
  const start: Piece = {
    ...newPiece('Programme ident', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 120),
    over: '#2a2622',
  };
  let count = 0;
  const newId = () => `ident-${count++}`;
  const burst = ACCENTS.find(({ id }) => id === 'burst')!.piece;
  let piece = insertAccent(start, burst, 36, { ...MIDDLE, scale: 2 }, newId).piece;
  piece = withArcs(piece);
  const name = tracedStrokes('hour');
  const ids = name.map(({ id }) => id);
  piece = groupLayers(addLayers(piece, name), ids, { id: 'name', name: 'Marsh Hour' });
  piece = leaving(writeInSequence(piece, ids, 4, 42), ids, 84, 104);
  return withRule(piece, newId);
}
