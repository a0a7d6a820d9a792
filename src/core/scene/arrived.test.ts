import { createCanvas } from '@napi-rs/canvas';
import {
  addLayers,
  arriving,
  newArrival,
  newPiece,
  newStroke,
  readPiece,
  setArrival,
  setCount,
  setKey,
  stepsOf,
  textParts,
  type Arrival,
  type Lettering,
  type Piece,
} from '../document';
import { lineShape } from '../geometry';
import { paint, type MakeCanvas } from '../paint';
import { LINEAR } from '../timing';
import { numberWords } from './counted';
import { evaluate } from '.';

const [W, H] = [240, 120];
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;
const BLOCK = 'M0 0L10 0L10 -20L0 -20Z';

/** Letters that are blocks of 10 by 20, each 12 after the last; lines 40 apart. */
function blocks(text: string, part: Partial<Lettering> = {}): Lettering {
  let [x, y] = [0, 0];
  const glyphs = [...text].flatMap((letter, cluster) => {
    if (letter === '\n') {
      [x, y] = [0, y + 40];
      return [];
    }
    const at = x;
    x += 12;
    return letter === ' ' ? [] : [{ outline: '1', x: at, y, cluster }];
  });
  return {
    type: 'lettering',
    id: 't',
    name: 'T',
    hidden: false,
    locked: false,
    opacity: 1,
    colour: '#ffffff',
    x: 20,
    y: 50,
    setting: { text, face: { id: 'none', weight: 400 }, size: 20, tracking: 0, leading: 2, align: 'left' },
    set: { outlines: { '1': BLOCK }, glyphs, scale: 1, missing: [] },
    ...part,
  };
}
const shownBy = (
  arrival: Partial<Arrival>,
  shown: number,
  text = 'AB CD\nEF',
  more: Piece['layers'] = [],
): Piece =>
  setArrival(addLayers(newPiece('T', { width: W, height: H }), [blocks(text), ...more]), ['t'], () =>
    newArrival({ ...arrival, shown }),
  );
function alpha(piece: Piece, frame = 0): (x: number, y: number) => number {
  const canvas = createCanvas(W, H);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, make);
  const { data } = context.getImageData(0, 0, W, H);
  return (x, y) => data[(y * W + x) * 4 + 3]!;
}
const sum = (
  at: (x: number, y: number) => number,
  within: (x: number, y: number) => boolean = () => true,
): number => {
  let all = 0;
  for (let y = 0; y < H; y++) for (let x = 0; x < W; x++) if (within(x, y)) all += at(x, y) / 255;
  return all;
};

test('text slides out of a line on each side, cut off exactly at it, and is whole when it is there', () => {
  const line = (vertical: boolean, at: number) =>
    newStroke(
      'line',
      'L',
      vertical ? lineShape({ x: at, y: 0 }, { x: at, y: H }) : lineShape({ x: 0, y: at }, { x: W, y: at }),
      { width: 0.01, colour: '#ff0000', opacity: 0, cap: 'flat', join: 'miter' },
    );
  for (const [from, vertical, at, beyond] of [
    ['below', false, 62, (_: number, y: number) => y >= 62],
    ['above', false, 24, (_: number, y: number) => y < 24],
    ['left', true, 14, (x: number) => x < 14],
    ['right', true, 60, (x: number) => x >= 60],
  ] as const) {
    for (const shown of [0, 0.25, 0.6, 0.9, 1]) {
      const text = 'ABC';
      const piece = shownBy({ from, line: 'line' }, shown, text, [line(vertical, at)]);
      expect(readPiece(piece).ok).toBe(true);
      const seen = alpha(piece);
      if (shown < 1) expect([from, shown, sum(seen, beyond)]).toEqual([from, shown, 0]);
      const all = sum(seen);
      if (shown === 0) expect(all).toBe(0);
      if (shown === 1) expect(all).toBeCloseTo(600, 6);
      if (shown > 0 && shown < 1) expect([from, shown, all > 0 && all <= 600.5]).toEqual([from, shown, true]);
    }
  }
});

test('half way up out of its own edge half of every letter shows, at its foot', () => {
  const seen = alpha(shownBy({ from: 'below' }, 0.5, 'AB'));
  expect(sum(seen)).toBeCloseTo(200, 1);
  expect(seen(25, 45)).toBe(255);
  expect(seen(25, 35)).toBe(0);
  const open = alpha(shownBy({ from: 'below', open: true }, 0.5, 'AB'));
  expect(sum(open)).toBeCloseTo(400, 1);
});

test('parts come one after another: lines, words, letters, in each order', () => {
  const text = blocks('AB CD\nEF');
  expect(textParts(text, 'all').map((p) => p.glyphs.length)).toEqual([4, 2]);
  expect(textParts(text, 'line').map((p) => p.glyphs.length)).toEqual([4, 2]);
  expect(textParts(text, 'word').map((p) => p.glyphs.length)).toEqual([2, 2, 2]);
  expect(textParts(text, 'letter')).toHaveLength(6);
  expect(stepsOf(5, { by: 'letter', order: 'from the middle' })).toEqual([2, 1, 0, 1, 2]);
  expect(stepsOf(3, { by: 'word', order: 'last to first' })).toEqual([2, 1, 0]);
  let piece = addLayers(newPiece('T', { width: W, height: H }), [text]);
  piece = arriving(
    setArrival(piece, ['t'], () => newArrival({ by: 'word', gap: 4, from: null, fade: true })),
    ['t'],
    { onAt: 0, onFrames: 4, offAt: 40, offFrames: 4 },
  );
  const there = (frame: number) => {
    const seen = alpha(piece, frame);
    return [seen(25, 40), seen(61, 40), seen(25, 80)].map((a) => a === 255);
  };
  expect(there(4)).toEqual([true, false, false]);
  expect(there(8)).toEqual([true, true, false]);
  expect(there(12)).toEqual([true, true, true]);
  expect(there(44)).toEqual([false, true, true]);
  expect(there(60)).toEqual([false, false, false]);
});

test('it can fade, grow and close up on its way, and go on to the other side', () => {
  expect(alpha(shownBy({ from: null, fade: true }, 0.5, 'A'))(25, 40)).toBeCloseTo(128, -1);
  expect(sum(alpha(shownBy({ from: null, scale: 0.5 }, 0, 'A')))).toBeCloseTo(50, 0);
  const wide = alpha(shownBy({ from: null, tracking: 1000 }, 0, 'AB'));
  // A whole em further apart: the second block begins 20 px later.
  expect([wide(35, 40), wide(55, 40)]).toEqual([0, 255]);
  let piece = shownBy({ from: 'below', onward: true }, 0, 'A');
  for (const [frame, value] of [
    [0, 0],
    [10, 1],
    [20, 1],
    [30, 0],
  ] as const)
    piece = setKey(piece, 't', 'arrival.shown', frame, value, LINEAR);
  const [coming, leaving] = [alpha(piece, 5), alpha(piece, 25)];
  // Coming, its upper half stands at the foot; leaving upward, its lower half stands at the top.
  expect([coming(25, 45), coming(25, 35)]).toEqual([255, 0]);
  expect([leaving(25, 45), leaving(25, 35)]).toEqual([0, 255]);
});

test('a number counts in its place, steady, the text after it moves along', () => {
  const digits = {
    advances: Object.fromEntries([...'0123456789'].map((d) => [d, 12])),
    outlines: Object.fromEntries([...'0123456789'].map((d) => [d, BLOCK])),
    x: 12,
    y: 0,
    width: 12,
  };
  const base = blocks('A#B');
  const text: Lettering = { ...base, set: { ...base.set, digits } };
  let piece = setCount(addLayers(newPiece('T', { width: W, height: H }), [text]), ['t'], {
    value: 0,
    places: 0,
  });
  piece = setKey(setKey(piece, 't', 'count.value', 0, 7, LINEAR), 't', 'count.value', 10, 107);
  expect(readPiece(piece).ok).toBe(true);
  const columns = (frame: number) => {
    const seen = alpha(piece, frame);
    return Array.from({ length: 8 }, (_, i) => (seen(25 + i * 12, 40) === 255 ? 1 : 0)).join('');
  };
  expect(columns(0)).toBe('11100000');
  expect(columns(5)).toBe('11110000');
  expect(columns(10)).toBe('11111000');
  expect([numberWords(-0.04, 1), numberWords(-3.456, 2), numberWords(12.5, 0), numberWords(1e6, 0)]).toEqual([
    '0.0',
    '-3.46',
    '13',
    '1000000',
  ]);
});

test('letters of colours of their own keep them on their way, and none shows through another', () => {
  const letters = [
    { at: 0, colour: '#ff0000' },
    { at: 1, x: -8 },
  ];
  const plain = blocks('AB');
  const text = { ...plain, setting: { ...plain.setting, letters } };
  const half = setArrival(addLayers(newPiece('Way', { width: W, height: H }), [text]), ['t'], () =>
    newArrival({ from: null, fade: true, by: 'all', shown: 0.5 }),
  );
  const canvas = createCanvas(W, H);
  paint(evaluate(half, 0), canvas.getContext('2d'), make);
  const at = (x: number) => [...canvas.getContext('2d').getImageData(x, 40, 1, 1).data];
  // Red alone, white over it as opaque as elsewhere, nothing beyond.
  expect([at(21)[0]! > 250, at(21)[1], at(21)[3]]).toEqual([true, 0, 128]);
  expect(at(27)).toEqual(at(32));
  expect(at(32)[3]).toBe(128);
  expect(at(36)[3]).toBe(0);
});
