// A family of small pieces that covers what a piece may have: each feature alone, and any two of them together. It is put through every
// way out: the player, vectors, PDF. Effects and blends are those of their lists; a part of ink or a shape of mask without a case here does not
// compile.
import {
  addEffect,
  addLayers,
  addNested,
  addPin,
  applyManner,
  changed,
  groupLayers,
  inkOf,
  newArt,
  newLettering,
  newMask,
  newPiece,
  newRider,
  newStroke,
  newArrival,
  setLine,
  revealThrough,
  setBlend,
  setMasks,
  setParent,
  setPlace,
  setReveal,
  setRider,
  SHUTTER,
  updateStrokes,
  type Ink,
  type Mask,
  type MaskKind,
  type MaskShape,
  type Piece,
} from '../document';
import { BLENDS } from '../draw';
import { EFFECT_KINDS, newEffect } from '../effects';
import { corner, smooth } from '../geometry';
import { END_SHAPES, NEW_DASHES } from '../ink';
import type { Animated } from '../timing';
import { seeded } from './families';

const SIZE = { width: 640, height: 360 };
const LENGTH = 48;

/** Values that change in a straight line of time. */
const ramp = (from: number, to: number, first = 0, last = LENGTH - 1): Animated => ({
  keys: [
    { frame: first, value: from, easing: { type: 'linear' } },
    { frame: last, value: to, easing: { type: 'linear' } },
  ],
});

/** A frame behind a curve and a bar that write on and off one after the other, two plates of art and a text of three blocks. */
function base(name: string): Piece {
  const box = (x: number, y: number, w: number, h: number) =>
    `M${x} ${y}L${x + w} ${y}L${x + w} ${y + h}L${x} ${y + h}Z`;
  const plate = (data: string, fill: string, fillOpacity: number) => ({
    ...{ data, fill, fillOpacity, rule: 'nonzero' as const, line: null },
    transform: [1, 0, 0, 1, 0, 0] as const,
  });
  const art = newArt(
    'art',
    'Plates',
    {
      shapes: [plate(box(60, 40, 300, 200), '#2f7d6b', 1), plate(box(260, 90, 300, 190), '#d9a441', 0.8)],
      groups: [],
    },
    [1, 0, 0, 1, 0, 0],
  );
  const setting = {
    text: 'Ebb',
    face: { id: 'sacramento', weight: 400 },
    ...{ size: 60, tracking: 0, leading: 1.2, align: 'left' as const },
  };
  const set = {
    outlines: { '1': 'M0 0L50 0L25 -70Z' },
    glyphs: [0, 1, 2].map((i) => ({ outline: '1', x: i * 70, y: 0, cluster: i })),
    ...{ scale: 1, missing: [] },
  };
  const strokes = [
    newStroke(
      'curve',
      'Curve',
      {
        closed: false,
        points: [
          smooth(70, 250, { x: 60, y: -90 }),
          smooth(300, 200, { x: 70, y: 60 }),
          smooth(560, 260, { x: 40, y: -60 }),
        ],
      },
      inkOf(22, '#e8e2d0'),
    ),
    newStroke(
      'bar',
      'Bar',
      { closed: false, points: [corner(120, 310), corner(420, 310), corner(420, 340)] },
      inkOf(16, '#c2452d', { cap: 'flat', join: 'miter' }),
    ),
  ];
  const piece = addLayers(newPiece(name, SIZE, { numerator: 25, denominator: 1 }, LENGTH), [
    art,
    newLettering('text', 'Ebb', setting, set, { x: 350, y: 150, colour: '#1b2a41' }),
    ...strokes,
  ]);
  const manner = { kind: 'both', from: 'start', onAt: 2, onFrames: 18, offAt: 32, offFrames: 12 } as const;
  const timed = applyManner(applyManner(piece, ['curve'], manner), ['bar'], { ...manner, onAt: 8 });
  return groupLayers(timed, ['curve', 'bar'], { id: 'group', name: 'Lines' });
}

/** What makes a piece have one feature more. */
type Change = (piece: Piece) => Piece;

const inked =
  (part: Partial<Ink>): Change =>
  (piece) =>
    updateStrokes(piece, ['curve'], (stroke) => ({ ...stroke, ink: { ...stroke.ink, ...part } }));

const taperEnd = { length: 0.4, unit: 'share', tip: 0.1, curve: { type: 'linear' } } as const;
const light = { size: 10, gain: 1.5, colour: '#f6d365', opacity: 0.9 };
const stops = [
  { at: 0, colour: '#e8e2d0', opacity: 1 },
  { at: 0.5, colour: '#c2452d', opacity: 1 },
  { at: 1, colour: '#2f7d6b', opacity: 1 },
];

/** Each part that an ink may have. */
const INKS: Record<Exclude<keyof Ink, 'width' | 'colour' | 'opacity' | 'cap' | 'join'>, Partial<Ink>> = {
  endCap: { cap: 'flat', endCap: 'round' },
  miterLimit: { join: 'miter', miterLimit: 1.2 },
  widths: {
    widths: [
      { at: 0, scale: 0.3 },
      { at: 0.6, scale: 1.6 },
      { at: 1, scale: 0.5 },
    ],
  },
  taper: { taper: { start: taperEnd, end: taperEnd, over: 'visible' } },
  line: { line: { kind: 'double', distance: 24 }, width: 6 },
  dashes: { dashes: { ...NEW_DASHES, flow: 'march' } },
  ends: { width: 8, ends: { head: { shape: END_SHAPES[0]!, size: 4 } } },
  gradient: { gradient: { along: 'whole', from: { x: 0, y: 0 }, to: { x: 640, y: 0 }, stops } },
  glow: { glow: light },
  innerGlow: { innerGlow: light },
  shadow: { shadow: { x: 6, y: 8, blur: 9, colour: '#101418', opacity: 0.8 } },
  shadowLine: {
    shadowLine: { x: 4, y: 5, aside: 6, width: 0.6, colour: '#1b2a41', opacity: 0.7 },
  },
};

/** Each shape of a mask, keyed where it can be. */
const MASKS: Record<MaskKind, MaskShape> = {
  rectangle: { kind: 'rectangle', x: ramp(60, 200), y: 60, width: 260, height: 220, radius: 30 },
  ellipse: { kind: 'ellipse', x: 300, y: 180, radiusX: ramp(80, 260), radiusY: 120 },
  path: {
    kind: 'path',
    path: { closed: true, points: [corner(90, 50), corner(560, 120), corner(250, 330)] },
  },
  'linear wipe': {
    kind: 'linear wipe',
    from: { x: 60, y: 0 },
    to: { x: 560, y: 120 },
    share: ramp(0.1, 1),
  },
  'radial wipe': { kind: 'radial wipe', centre: { x: 300, y: 180 }, reach: 320, share: ramp(0.1, 1) },
  'clock wipe': {
    ...{ kind: 'clock wipe', centre: { x: 300, y: 180 }, reach: 400, angle: 0.4 },
    ...{ share: ramp(0.05, 1), anticlockwise: false },
  },
};

const mask = (kind: MaskKind, part: Partial<Mask> = {}): Mask => ({ ...newMask(kind, MASKS[kind]), ...part });
const masked =
  (on: string, ...masks: Mask[]): Change =>
  (piece) =>
    setMasks(piece, on, masks);

const shownThrough =
  (...[id, part]: [id: string, part: Parameters<typeof revealThrough>[1]]): Change =>
  (piece) =>
    setReveal(piece, [id], revealThrough(['curve', 'bar'], part));

const CHANGES: readonly (readonly [name: string, change: Change])[] = [
  ['nothing more', (piece) => piece],
  ...Object.entries(INKS).map(([name, part]) => [`ink: ${name}`, inked(part)] as const),
  ['ink: hollow', inked({ line: { kind: 'hollow', thickness: 4 } })],
  ['ink: dashes that stay', inked({ dashes: NEW_DASHES })],
  ['ink: translucent', inked({ opacity: 0.5 })],
  ['ink: keyed', inked({ width: ramp(4, 30), opacity: ramp(0.3, 1) })],
  [
    'ink: gradient that thins',
    inked({
      gradient: {
        ...{ along: 'visible', from: { x: 0, y: 0 }, to: { x: 640, y: 0 } },
        stops: stops.map((stop, i) => ({ ...stop, opacity: i / 2 })),
      },
    }),
  ],
  [
    'ink: gradient across the picture',
    inked({ gradient: { along: 'picture', from: { x: 60, y: 200 }, to: { x: 560, y: 260 }, stops } }),
  ],
  ...(Object.keys(MASKS) as MaskKind[]).flatMap((kind) => [
    [`mask: ${kind}`, masked('art', mask(kind))] as const,
    [`mask: ${kind}, feathered`, masked('art', mask(kind, { feather: 24 }))] as const,
  ]),
  ['mask on a group', masked('group', mask('ellipse'))],
  ['mask on a stroke, inverted', masked('curve', mask('rectangle', { inverted: true }))],
  ['mask: hold-out', masked('art', mask('ellipse', { how: 'subtract' }))],
  ['mask: hold-out, feathered', masked('group', mask('ellipse', { how: 'subtract', feather: 30 }))],
  ['masks that meet', masked('art', mask('rectangle'), mask('ellipse', { how: 'intersect' }))],
  ['mask: grown', masked('art', mask('path', { expansion: 20 }))],
  ['mask: translucent', masked('art', mask('ellipse', { opacity: 0.5 }))],
  [
    'mask that stands in the picture',
    (piece) =>
      setPlace(masked('art', mask('ellipse', { stands: 'picture' }))(piece), 'art', 0, {
        x: 40,
        rotation: 0.2,
      }),
  ],
  ['seen through strokes', shownThrough('art', {})],
  ['seen through strokes that are seen', shownThrough('art', { shown: true })],
  ['seen outside strokes', shownThrough('text', { inverted: true })],
  ['seen through brightness', shownThrough('art', { by: 'brightness' })],
  ['seen outside brightness', shownThrough('art', { by: 'brightness', inverted: true })],
  ['seen through softened strokes', shownThrough('art', { feather: 18 })],
  ...BLENDS.map((blend) => [`blend: ${blend}`, (piece: Piece) => setBlend(piece, ['text'], blend)] as const),
  ['blend of a group', (piece) => setBlend(piece, ['group'], 'screen')],
  ...EFFECT_KINDS.flatMap((kind) => [
    [
      `effect: ${kind.name}`,
      (piece: Piece) => addEffect(piece, ['curve'], newEffect(kind, SIZE.height / 1080)),
    ] as const,
    [
      `effect on a group: ${kind.name}`,
      (piece: Piece) => addEffect(piece, ['group'], newEffect(kind, SIZE.height / 1080)),
    ] as const,
  ]),
  [
    'placed and keyed',
    (piece) =>
      ['art', 'group'].reduce(
        (result, id) =>
          setPlace(
            setPlace(result, id, 0, { x: 20, y: 10, rotation: 0.1, scaleX: 0.9, skewX: 0.2 }),
            id,
            40,
            {
              x: -30,
              rotation: -0.2,
            },
          ),
        piece,
      ),
  ],
  ['a translucent group', (piece) => setPlace(piece, 'group', 0, { opacity: 0.5 })],
  [
    'carried by a pin',
    (piece) =>
      setParent(addPin(piece, { id: 'pin', name: 'Pin', x: ramp(0, 60), y: ramp(0, 30) }), 'text', 'pin', 0),
  ],
  ['riding on a stroke', (piece) => setRider(piece, 'text', newRider('curve', SIZE.height / 1080))],
  ['timed as one line', (piece) => setLine(piece, 'group', 'after')],
  [
    'a piece within it',
    (piece) =>
      addNested(
        piece,
        'nested',
        { ...base('Within'), size: { width: 320, height: 180 } },
        { piece: '00000000-0000-4000-8000-000000000001', revision: 1 },
        6,
      ),
  ],
  [
    'a text that arrives',
    (piece) =>
      changed<Piece>(piece, {
        layers: piece.layers.map((layer) =>
          layer.type === 'lettering'
            ? { ...layer, arrival: newArrival({ by: 'letter', shown: ramp(0, 1.5), fade: true }) }
            : layer,
        ),
      }),
  ],
  ['motion blur', (piece) => ({ ...piece, shutter: SHUTTER })],
  ['odd size', (piece) => ({ ...piece, size: { width: 641, height: 359 } })],
  ['29.97 frames a second', (piece) => ({ ...piece, rate: { numerator: 30_000, denominator: 1001 } })],
  ['60 frames a second', (piece) => ({ ...piece, rate: { numerator: 60, denominator: 1 } })],
];

/** Features by their names. */
export const FEATURES: readonly string[] = CHANGES.map(([name]) => name);

/** A piece that has some features. */
export const pieceWith = (...features: readonly string[]): Piece =>
  features.reduce(
    (piece, feature) => CHANGES.find(([name]) => name === feature)![1](piece),
    base(features.join(' · ')),
  );

/** Two features that go together, chosen by a seed. */
export function anyPair(seed: number): [string, string] {
  const random = seeded(seed);
  const one = () => FEATURES[Math.floor(random() * FEATURES.length)]!;
  return [one(), one()];
}
