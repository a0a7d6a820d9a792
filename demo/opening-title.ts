import {
  addLayers,
  applyManner,
  cueStrokes,
  groupLayers,
  membersOf,
  newPiece,
  newStroke,
  putMarker,
  settlePiece,
  type Gradient,
  type Ink,
  type MannerParts,
  type MannerTimes,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { WIDTH_PRESETS } from '../src/core/ink';
import { landingEasing } from '../src/core/timing';
import { handwritten } from '../src/layouts';
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

/** The word in three colours, one written behind another: each is lettering seen through a hand of its own. */
const WAVES = [
  { id: 'first', colour: MINIUM },
  { id: 'second', colour: '#43b3a0' },
  { id: 'word', colour: '#ede6d8' },
] as const;
/** Frames from one wave to the next, in which the word is written, and in which it leaves. */
const APART = 3;
const ON = [2, 44] as const;
const OFF = [74, 90] as const;

/** The word, wave behind wave, each with its hand in a group, all of them in one. */
function withWord(piece: Piece): Piece {
  const waves = WAVES.reduce((result, { id, colour }, i) => {
    const later = i * APART;
    // The last to come leaves first, so that the others are seen once more.
    const off = (WAVES.length - 1 - i) * 2;
    return handwritten(result, 'title', 890, 530, {
      id,
      colour,
      on: [ON[0] + later, ON[1] + later],
      off: [OFF[0] + off, OFF[1] + off],
    });
  }, piece);
  const ids = waves.layers.map((layer) => layer.id);
  return groupLayers(waves, ids, { id: 'saltmarsh', name: 'Saltmarsh' });
}

const flourish = (id: string, name: string, places: readonly PenPlace[], look: Ink): Stroke =>
  newStroke(id, name, written(places, TITLE), look);

/**
 * The opening title: the word is uncovered by a hand in three colours one behind another, underlined, reeds spring up, and
 * all of it leaves in the same order.
 */
export function openingTitle(): Piece {
  const start: Piece = {
    ...newPiece('Opening title', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 100),
    over: '#1d2c36',
  };
  const word = withWord(start);
  const swash = flourish(
    'swash',
    'Swash',
    SWASH,
    ink(17, MINIUM, { widths: WIDTH_PRESETS.brush, gradient: EMBER }),
  );
  const reeds = REEDS.map((places, i) =>
    flourish(
      `reed-${i + 1}`,
      `Reed ${i + 1}`,
      places,
      ink(8, REED, { widths: WIDTH_PRESETS.wedge, cap: 'flat' }),
    ),
  );
  const almanac = tracedStrokes('almanac');
  const all = addLayers(word, [swash, ...reeds, lettering('almanac'), ...almanac]);
  const both = (
    onAt: number,
    onFrames: number,
    offAt: number,
    landing: number,
  ): MannerParts & MannerTimes => ({
    kind: 'both',
    from: 'start',
    onAt,
    onFrames,
    offAt,
    offFrames: 10,
    easing: landingEasing(landing),
    offEasing: landingEasing(landing),
  });
  let piece = applyManner(all, ['swash'], both(42, 16, 76, 0.75));
  reeds.forEach(({ id }, i) => {
    piece = applyManner(piece, [id], both(53 + i * 2, 8, 78 + i, 0.8));
  });
  almanac.forEach(({ id }, i) => {
    piece = applyManner(piece, [id], both(50 + i, 9, 74 + i, 0.7));
  });
  piece = withAccentsCued(
    piece,
    reeds.map(({ id }) => id),
  );
  const groups = [
    { id: 'reeds', name: 'Reeds', of: reeds.map(({ id }) => id) },
    { id: 'second-line', name: 'Almanac', of: almanac.map(({ id }) => id) },
  ];
  piece = groups.reduce((result, { id, name, of }) => groupLayers(result, of, { id, name }), piece);
  piece = putMarker(putMarker(piece, { frame: 50, name: 'Word is there' }), { frame: 72, name: 'Leaves' });
  return settlePiece(null, {
    ...piece,
    fields: [
      { name: 'Title', kind: 'text', of: WAVES.map(({ id }) => id) },
      { name: 'First colour', kind: 'colour', of: ['first'] },
      { name: 'Second colour', kind: 'colour', of: ['second'] },
      { name: 'Last colour', kind: 'colour', of: ['word'] },
    ],
  });
}

/** The swash sets out as the word's last stroke lands, and the reeds spring up while the swash arrives. */
function withAccentsCued(piece: Piece, reeds: readonly string[]): Piece {
  const before = membersOf(piece, 'first-hand').at(-1)!.id;
  const cued = cueStrokes(piece, ['swash'], before, { at: 0.9, offset: 0 });
  return reeds.reduce(
    (result, id, i) => cueStrokes(result, [id], 'swash', { at: 0.96, offset: i * 2 }),
    cued,
  );
}
