import {
  addEffect,
  addLayers,
  groupLayers,
  newArrival,
  newPiece,
  newRider,
  newStroke,
  revealThrough,
  setHold,
  setPlace,
  setReveal,
  setRider,
  withPlacement,
  strokeById,
  type Lettering,
  type Piece,
} from '../document';
import { newEffect, EFFECT_KINDS } from '../effects';
import { lineShape } from '../geometry';
import { LINEAR } from '../timing';
import { flashesFrom } from './flashes';
import {
  contrast,
  leastGap,
  legibleTime,
  luminance,
  proof,
  SAFE,
  safeArea,
  secondsToRead,
  type Finding,
} from '.';

const text = (id: string, words: string, x: number, y: number, part: Partial<Lettering> = {}): Lettering => ({
  type: 'lettering',
  id,
  name: words || 'Nothing',
  hidden: false,
  locked: false,
  opacity: 1,
  colour: '#ffffff',
  x,
  y,
  setting: {
    text: words,
    face: { id: 'none', weight: 400 },
    size: 60,
    tracking: 0,
    leading: 1.2,
    align: 'left',
  },
  set: {
    outlines: { '1': 'M0 0L40 0L40 -50L0 -50Z' },
    glyphs: [...words].map((_, i) => ({ outline: '1', x: i * 44, y: 0, cluster: i })),
    scale: 1,
    missing: [],
  },
  ...part,
});
const pieceOf = (...layers: Piece['layers'][number][]): Piece =>
  addLayers({ ...newPiece('P', undefined, undefined, 100), over: '#000000' }, layers);
const found = (piece: Piece): readonly Finding[] => proof(piece, () => (piece.over ? [piece.over] : null));
const kinds = (piece: Piece) => found(piece).map((finding) => finding.kind);
/** The piece with the first finding's mend. */
const mended = (piece: Piece): Piece =>
  found(piece)
    .find((finding) => finding.mend)!
    .mend!.edit(piece);

test('contrast is that of WCAG 2.2: 21 to 1 for black on white, 4.54 for #767676, 4.48 for #777777', () => {
  // The last two are the pair on either side of 4.5 that WCAG's own understanding documents quote (from memory).
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 10);
  expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
  // The primaries have the coefficients of ITU-R BT.709.
  expect(['#ff0000', '#00ff00', '#0000ff'].map(luminance)).toEqual([0.2126, 0.7152, 0.0722]);
});

test('text outside 90 % and strokes outside 93 % (SMPTE ST 2046-1) are found, to the pixel, and moved in', () => {
  expect([SAFE.action, SAFE.title]).toEqual([0.93, 0.9]);
  // 90 % of 1920 by 1080 leaves 96 and 54.
  const title = safeArea({ width: 1920, height: 1080 }, 0.9);
  expect([title.left, title.right, title.top, title.bottom].map((v) => Number(v.toFixed(9)))).toEqual([
    96, 1824, 54, 1026,
  ]);
  expect(kinds(pieceOf(text('t', 'AB', 96, 500)))).toEqual([]);
  const out = pieceOf(text('t', 'AB', 80, 500));
  expect(found(out)[0]).toMatchObject({
    kind: 'safe area',
    words: expect.stringContaining('16 px'),
    layers: ['t'],
  });
  expect(kinds(mended(out))).toEqual([]);
  const wide = pieceOf(text('t', 'A'.repeat(60), 100, 500));
  expect(kinds(mended(wide)).filter((kind) => kind === 'safe area')).toEqual([]);
  // Wide and low at once: made smaller about its middle it would still hang out below.
  const low = pieceOf(text('t', 'A'.repeat(60), 100, 1079));
  expect(kinds(mended(low)).filter((kind) => kind === 'safe area')).toEqual([]);
  const stroke = (x: number) =>
    pieceOf(newStroke('s', 'S', lineShape({ x, y: 500 }, { x: x + 200, y: 500 })));
  expect(kinds(stroke(67.3 + 6))).toEqual([]);
  expect(kinds(stroke(60))).toEqual(['safe area']);
  // What only uncovers something may go where it likes.
  const through = setReveal(addLayers(stroke(20), [text('t', 'A', 200, 300)]), ['t'], revealThrough(['s']));
  expect(kinds(through)).toEqual([]);
});

test('too little contrast is found by the size of the text, and mended to what reads', () => {
  const grey = (size: number) =>
    pieceOf(
      text('t', 'AB', 300, 500, { colour: '#707070', setting: { ...text('x', 'AB', 0, 0).setting, size } }),
    );
  // #707070 on black is 4.2 to 1: enough for large text alone.
  expect(kinds(grey(60))).toEqual([]);
  expect(kinds(grey(20))).toEqual(['contrast']);
  expect(kinds(mended(grey(20)))).toEqual([]);
  expect(proof({ ...grey(20), name: 'Q' }, () => null)).toEqual([]);
});

test('text is there long enough to be read, by its words; a hold can be made longer by what is missing', () => {
  expect(secondsToRead('one')).toBe(1);
  expect(secondsToRead('ten words are read in less than four seconds here')).toBeCloseTo(3.75, 9);
  const words = 'six words that want some time';
  const arrival = (on: number, off: number) => ({
    by: 'all' as const,
    order: 'first to last' as const,
    gap: 0,
    from: null,
    onward: false,
    margin: 0,
    open: false,
    fade: true,
    scale: 1,
    tracking: 0,
    shown: {
      keys: [
        { frame: 0, value: 0 },
        { frame: on, value: 1 },
        { frame: off, value: 1 },
        { frame: off + 10, value: 0 },
      ].map((key) => ({ ...key, easing: { type: 'linear' as const } })),
    },
  });
  const setting = { ...text('x', words, 0, 0).setting, size: 60 };
  const small = {
    outlines: { '1': 'M0 0L20 0L20 -50L0 -50Z' },
    glyphs: [...words].map((_, i) => ({ outline: '1', x: i * 22, y: 0, cluster: i })),
    scale: 1,
    missing: [],
  };
  const piece = (on: number, off: number) =>
    pieceOf(text('t', words, 300, 500, { arrival: arrival(on, off), setting, set: small }));
  expect(kinds(piece(10, 75))).toEqual([]);
  const short = setHold(piece(10, 40), { from: 15, to: 38 });
  expect(kinds(short)).toEqual(['reading time']);
  expect(kinds(mended(short))).toEqual([]);
});

test('how long a text is there counts as it is seen: late copies and wakes, held drawings, riders, groups that are faint', () => {
  const linear = { type: 'linear' as const };
  const shown = {
    keys: [
      { frame: 9, value: 0, easing: linear },
      { frame: 10, value: 1, easing: linear },
      { frame: 30, value: 1, easing: linear },
      { frame: 31, value: 0, easing: linear },
    ],
  };
  const arrival = newArrival({ shown, fade: true });
  const alone = pieceOf(text('t', 'AB', 300, 500, { arrival }));
  const frames = (piece: Piece): number =>
    Math.round((legibleTime(piece, piece.layers.at(-1) as Lettering)?.seconds ?? 0) * 25);
  const withEffect = (name: string, values: object): Piece => {
    const { is } = newEffect(
      EFFECT_KINDS.find((kind) => kind.name === name)!,
      1,
    );
    return addEffect(alone, ['t'], { on: true, is: { ...is, ...values } });
  };
  const repeat = {
    recoloured: true,
    colour: '#ff0000',
    width: 1,
    x: 0,
    y: 0,
    lies: 'under',
    reach: 1,
    sooner: 0,
  };
  expect(frames(alone)).toBe(21);
  // What a wake leaves behind is there for as long again, if it can be read.
  expect(frames(withEffect('Wake', { repeats: [{ ...repeat, delay: 8, opacity: 1 }] }))).toBe(29);
  expect(frames(withEffect('Wake', { repeats: [{ ...repeat, delay: 8, opacity: 0.3 }] }))).toBe(21);
  // Drawings every ten frames: those of 10, 20 and 30 hold it.
  expect(frames(withEffect('Held frames', { drawings: 2.5 }))).toBe(30);
  const grouped = groupLayers(alone, ['t'], { id: 'g', name: 'G' });
  const faint = withPlacement(setPlace(grouped, 'g', 0, {}), 'g', 0, (place) => ({ ...place, opacity: 0.4 }));
  expect(frames(grouped)).toBe(21);
  expect(frames(faint)).toBe(0);
  const line = newStroke('s', 'S', lineShape({ x: 100, y: 100 }, { x: 900, y: 100 }));
  const written = {
    ...line,
    window: {
      head: { keys: [15, 25].map((frame, i) => ({ frame, value: i, easing: linear })) },
      tail: 0,
      slide: 0,
    },
  };
  const ridden = setRider(
    setPlace(pieceOf(written, text('t', 'AB', 300, 500, { arrival })), 't', 0, {}),
    't',
    { ...newRider('s', 1), comes: 0, goes: 0 },
  );
  expect(frames(ridden)).toBe(11);
});

test('ends that nearly meet and dashes that run together are found once each, and mended', () => {
  const ink = { width: 4, colour: '#ffffff', opacity: 1, cap: 'flat', join: 'miter' } as const;
  const loose = pieceOf(
    newStroke('a', 'A', lineShape({ x: 300, y: 300 }, { x: 500, y: 300 }), ink),
    newStroke('b', 'B', lineShape({ x: 507, y: 300 }, { x: 700, y: 340 }), ink),
  );
  expect(kinds(loose)).toEqual(['loose end']);
  expect(kinds(mended(loose))).toEqual([]);
  const dashes = {
    pattern: [2, 0.9],
    unit: 'widths',
    phase: 0,
    flow: 'stay',
    speed: { value: 0, unit: 'px', seamless: false },
    fit: false,
    corners: false,
    grow: 0,
  } as const;
  const closing = pieceOf(
    newStroke('a', 'A', lineShape({ x: 300, y: 300 }, { x: 500, y: 300 }), { ...ink, cap: 'round', dashes }),
  );
  expect(kinds(closing)).toEqual(['closing gap']);
  expect(strokeById(mended(closing), 'a')!.ink.dashes!.pattern).toEqual([2, 1.5]);
  // A gap of 0.9 widths less half a cap at either side: they overlap by a tenth of 4 px; opened it is half a width.
  expect(leastGap(strokeById(closing, 'a')!, 0)).toBeCloseTo(-0.4, 9);
  expect(leastGap(strokeById(mended(closing), 'a')!, 0)).toBeCloseTo(2, 9);
  expect(leastGap(newStroke('p', 'P', lineShape({ x: 0, y: 0 }, { x: 1, y: 0 })), 0)).toBeNull();
  expect(kinds(mended(closing))).toEqual([]);
});

test('text that could not be set as it was meant is told: empty, letters a face lacks, words too wide', () => {
  const set = text('x', 'AB', 0, 0).set;
  expect(kinds(pieceOf(text('t', '', 300, 500)))).toEqual(['text']);
  expect(found(pieceOf(text('t', 'AB', 300, 500, { set: { ...set, missing: ['🦀'] } })))[0]!.words).toContain(
    '🦀',
  );
  expect(
    kinds(
      pieceOf(text('t', 'AB', 300, 500, { set: { ...set, fitted: { size: 60, lines: [0], over: true } } })),
    ),
  ).toEqual(['text']);
});

test('copies count as they are seen: what an effect puts outside the safe area is found there, light is not', () => {
  const line = newStroke('s', 'S', lineShape({ x: 900, y: 500 }, { x: 1000, y: 500 }));
  const made = (name: string, values: object = {}) => {
    const { is } = newEffect(
      EFFECT_KINDS.find((kind) => kind.name === name)!,
      1,
    );
    return addEffect(pieceOf(line), ['s'], { on: true, is: { ...is, ...values } });
  };
  expect(kinds(pieceOf(line))).not.toContain('safe area');
  const row = made('Copies', { arrangement: { shape: 'row', count: 3, x: 500, y: 0 } });
  expect(kinds(row)).toContain('safe area');
  expect(kinds(made('Glow', { size: 2000 }))).not.toContain('safe area');
});

test('what is carried along counts while it is there: a pen that has gone is nowhere', () => {
  const linear = { type: 'linear' as const };
  const line = newStroke('s', 'S', lineShape({ x: 300, y: 500 }, { x: 1000, y: 500 }));
  const keys = [10, 60].map((frame, i) => ({ frame, value: i, easing: linear }));
  const written = { ...line, window: { head: { keys }, tail: 0, slide: 0 } };
  const pen = newStroke('pen', 'Pen', lineShape({ x: 0, y: 0 }, { x: 0, y: -1400 }));
  const ridden = (stays: boolean): Piece =>
    setRider(setPlace(pieceOf(written, pen), 'pen', 0, {}), 'pen', { ...newRider('s', 1), goes: 4, stays });
  // The proof looks at the frame that shows most: the whole line.
  expect(kinds(ridden(true))).toContain('safe area');
  expect(kinds(ridden(false))).not.toContain('safe area');
});

test('more than three flashes in a second are found (WCAG 2.2, 2.3.1), slower and smaller ones are not', () => {
  const every = (frames: number) => (frame: number) => (Math.floor(frame / frames) % 2 ? 1 : 0);
  // At 25 a second a flash is two changes: every 4 frames makes 3.1 of them, every 5 frames 2.5.
  expect(flashesFrom(every(3), 100, 25)).toBe(3);
  expect(flashesFrom(every(5), 100, 25)).toBeNull();
  expect(flashesFrom((frame) => 0.5 + 0.04 * every(2)(frame), 100, 25)).toBeNull();
  expect(flashesFrom((frame) => (frame < 50 ? frame / 50 : 1), 100, 25)).toBeNull();
  const keys = Array.from({ length: 20 }, (_, i) => ({ frame: i * 3, value: i % 2, easing: LINEAR }));
  const flashing = (size: number) => {
    const wide = newStroke('s', 'S', lineShape({ x: 960 - size, y: 500 }, { x: 960 + size, y: 500 }));
    const piece = pieceOf({ ...wide, ink: { ...wide.ink, width: size } });
    return withPlacement(setPlace(piece, 's', 0, {}), 's', 0, (place) => ({ ...place, opacity: { keys } }));
  };
  expect(kinds(flashing(400))).toContain('flashes');
  expect(kinds(flashing(30))).not.toContain('flashes');
});
