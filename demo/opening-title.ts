import {
  applyManner,
  cueStrokes,
  groupLayers,
  newPiece,
  newStroke,
  putMarker,
  type Gradient,
  type Layer,
  type MannerParts,
  type MannerTimes,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { measurePath, type Path } from '../src/core/geometry';
import { WIDTH_PRESETS } from '../src/core/ink';
import { landingEasing } from '../src/core/timing';
import { ink } from './ink';
import { lettering, tracedStrokes } from './traced';
import { written, type PenPlace, type Placing } from './written';

const MINIUM = '#ff6b3d';
const REED = '#d9a441';

/** Embers behind, light at the head. */
const EMBER: Gradient = {
  along: 'whole',
  from: { x: 0, y: 0 },
  to: { x: 1920, y: 0 },
  stops: [
    { at: 0, colour: '#8f2a10', opacity: 1 },
    { at: 0.55, colour: MINIUM, opacity: 1 },
    { at: 1, colour: '#ffd2a1', opacity: 1 },
  ],
};

/** Where the flourishes lie, in the letters' own measure. */
const TITLE: Placing = { x: 322, y: 560, scale: 1.16, slant: 0.2 };
const SWASH: PenPlace[] = [
  [74, -62, 208],
  [8, -96, 262],
  [60, -124, 2],
  [420, -92, 3],
  [800, -108, -3],
  [1096, -88, 12],
];

/** Five reeds that lean out of the end of the swash. */
const REEDS: PenPlace[][] = [
  [
    [1136, -84, 82],
    [1144, -20, 84],
    [1168, 44, 54],
  ],
  [
    [1150, -82, 72],
    [1176, 6, 74],
    [1214, 92, 54],
  ],
  [
    [1164, -82, 62],
    [1204, -8, 60],
    [1256, 48, 36],
  ],
  [
    [1178, -84, 44],
    [1226, -48, 34],
    [1276, -30, 12],
  ],
  [
    [1126, -84, 96],
    [1124, -50, 92],
    [1132, -6, 76],
  ],
];

/** Frames a hand takes for a path: a steady speed, and no stroke quicker than `least`. */
const framesFor = (path: Path, pixelsPerFrame: number, least: number): number =>
  Math.max(least, Math.round(measurePath(path).length / pixelsPerFrame));

/**
 * The opening title, set in a script face and traced: a hand writes the word, underlines it, reeds spring up, and all of
 * it leaves in the same order.
 */
export function openingTitle(): Piece {
  const length = 100;
  const layers: Layer[] = [lettering('saltmarsh'), lettering('almanac')];
  const timing: [id: string, manner: MannerParts & MannerTimes][] = [];
  const add = (
    id: string,
    stroke: Stroke,
    start: number,
    frames: number,
    leave: number,
    landing: number,
    hand: boolean,
  ) => {
    layers.push(hand ? { ...stroke, pace: { kind: 'hand', strength: 1, soft: 0.4 } } : stroke);
    const manner: MannerParts & MannerTimes = {
      kind: 'both',
      from: 'start',
      onAt: start,
      onFrames: frames,
      offAt: leave,
      offFrames: 10,
      easing: landingEasing(landing),
      offEasing: landingEasing(landing),
    };
    timing.push([id, manner]);
    return start + frames;
  };
  const addStroke = (
    stroke: Stroke,
    start: number,
    frames: number,
    leave: number,
    landing = 0.6,
    hand = false,
  ) => add(stroke.id, stroke, start, frames, leave, landing, hand);
  let now = 2;
  tracedStrokes('saltmarsh').forEach((stroke, i) => {
    const end = addStroke(stroke, now, framesFor(stroke.path, 122, 4), 72 + i * 2, 0.6, true);
    // The hand does not stop between strokes: the next begins as this one lands.
    now = end - 2;
  });
  const swash = written(SWASH, TITLE);
  const swashEnd = addStroke(
    newStroke('swash', 'Swash', swash, ink(17, MINIUM, { widths: WIDTH_PRESETS.brush, gradient: EMBER })),
    now - 2,
    16,
    76,
    0.75,
  );
  REEDS.forEach((places, i) => {
    const reed = newStroke(
      `reed-${i + 1}`,
      `Reed ${i + 1}`,
      written(places, TITLE),
      ink(8, REED, { widths: WIDTH_PRESETS.wedge, cap: 'flat' }),
    );
    addStroke(reed, swashEnd - 5 + i * 2, 8, 78 + i, 0.8);
  });
  tracedStrokes('almanac').forEach((stroke, i) => addStroke(stroke, swashEnd - 8 + i, 9, 74 + i, 0.7));
  const piece: Piece = {
    ...newPiece('Opening title', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, length),
    over: '#1d2c36',
    layers,
  };
  const timed = timing.reduce((result, [id, manner]) => applyManner(result, [id], manner), piece);
  const reeds = layers.filter((layer) => layer.id.startsWith('reed-')).map(({ id }) => id);
  const cued = withAccentsCued(timed, reeds);
  const groups = [
    { id: 'word', name: 'Saltmarsh', of: tracedStrokes('saltmarsh').map(({ id }) => id) },
    { id: 'reeds', name: 'Reeds', of: reeds },
    { id: 'second', name: 'Almanac', of: tracedStrokes('almanac').map(({ id }) => id) },
  ];
  const grouped = groups.reduce((result, { id, name, of }) => groupLayers(result, of, { id, name }), cued);
  return putMarker(putMarker(grouped, { frame: 46, name: 'Word is there' }), { frame: 72, name: 'Leaves' });
}

/** The swash sets out as the word's last stroke lands, and the reeds spring up while the swash arrives. */
function withAccentsCued(piece: Piece, reeds: readonly string[]): Piece {
  const before = tracedStrokes('saltmarsh').at(-1)!.id;
  const cued = cueStrokes(piece, ['swash'], before, { at: 0.9, offset: 0 });
  return reeds.reduce(
    (result, id, i) => cueStrokes(result, [id], 'swash', { at: 0.96, offset: i * 2 }),
    cued,
  );
}
