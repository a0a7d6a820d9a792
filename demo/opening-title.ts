import {
  inkOf,
  addLayers,
  applyManner,
  changeEffects,
  cueStrokes,
  groupLayers,
  membersOf,
  newPiece,
  newStroke,
  putMarker,
  setPlace,
  settlePiece,
  type Gradient,
  type Ink,
  type MannerParts,
  type MannerTimes,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { WIDTH_PRESETS } from '../src/core/ink';
import { landingEasing, reversedEasing } from '../src/core/timing';
import { handwritten, withWake } from '../src/layouts';
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

/** A reed that leans out of the end of the swash; its copies lean further, shorter each. */
const REED_PLACES: PenPlace[] = [
  [1136, -84, 88],
  [1142, -20, 86],
  [1162, 52, 62],
];
const REEDS = 5;

/** Frames in which the word is written, and in which it leaves. */
const ON = [2, 44] as const;
const OFF = [78, 94] as const;
/** Frames between the first and the last stroke of the second line. */
const SPREAD = 13;
/** Its wake: frames after it, and frames before it in which each has left; the last to come leaves first. */
const WAVES = [
  { colour: '#43b3a0', later: 3, earlier: 2 },
  { colour: '#ede6d8', later: 6, earlier: 4 },
] as const;

/** The word in minium, uncovered by a hand, and over it its wake in two more colours. */
function withWord(piece: Piece): Piece {
  const made = handwritten(piece, 'title', 890, 530, { id: 'word', colour: MINIUM, on: ON, off: OFF });
  return withWake(made, 'word', WAVES);
}

const flourish = (id: string, name: string, places: readonly PenPlace[], look: Ink): Stroke =>
  newStroke(id, name, written(places, TITLE), look);

/**
 * The opening title: the word is uncovered by a hand, its wake in two more colours behind it, underlined, reeds spring up, and
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
    inkOf(17, MINIUM, { widths: WIDTH_PRESETS.brush, gradient: EMBER }),
  );
  const reed = flourish(
    'reed',
    'Reeds',
    REED_PLACES,
    inkOf(8, REED, { widths: WIDTH_PRESETS.wedge, cap: 'flat' }),
  );
  const almanac = tracedStrokes('almanac');
  const all = addLayers(word, [swash, reed, lettering('almanac'), ...almanac]);
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
    offEasing: reversedEasing(landingEasing(landing)),
  });
  let piece = applyManner(all, ['swash'], both(42, 16, 76, 0.75));
  piece = applyManner(piece, ['reed'], both(53, 8, 78, 0.8));
  almanac.forEach(({ id }, i) => {
    const later = Math.round((SPREAD * i) / almanac.length);
    piece = applyManner(piece, [id], both(50 + later, 9, 74 + later, 0.7));
  });
  piece = withAccentsCued(piece);
  piece = changeEffects(piece, ['reed'], () => [{ on: true, is: { ...COPIED, arrangement: BESIDE } }]);
  piece = setPlace(piece, 'reed', 0, reedFoot());
  piece = groupLayers(
    piece,
    almanac.map(({ id }) => id),
    { id: 'second-line', name: 'Almanac' },
  );
  piece = putMarker(putMarker(piece, { frame: 50, name: 'Word is there' }), { frame: 72, name: 'Leaves' });
  return settlePiece(null, {
    ...piece,
    fields: [
      { name: 'Title', kind: 'text', of: ['word'] },
      { name: 'First colour', kind: 'colour', of: ['word'] },
    ],
  });
}

/** The swash sets out as the word's last stroke lands, and the first reed springs up while the swash arrives. */
function withAccentsCued(piece: Piece): Piece {
  const before = membersOf(piece, 'word-hand').at(-1)!.id;
  const cued = cueStrokes(piece, ['swash'], before, { at: 0.9, offset: 0 });
  return cueStrokes(cued, ['reed'], 'swash', { at: 0.96, offset: 0 });
}

/** Four more reeds beside the first, each two frames later, leaning further and shorter. */
const BESIDE = { shape: 'row', count: REEDS, x: 16, y: 0 } as const;
const COPIED = {
  kind: 'copies',
  delay: 2,
  rotation: 0.26,
  scale: 0.93,
  opacity: 1,
  recoloured: false,
  colour: REED,
  disorder: 0,
  seed: 1,
} as const;

/** Copies lean about the foot of the reed. */
function reedFoot(): { pivotX: number; pivotY: number; x: number; y: number } {
  const [foot] = written(REED_PLACES, TITLE).points;
  return { pivotX: foot!.x, pivotY: foot!.y, x: 0, y: 0 };
}
