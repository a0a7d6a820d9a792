import { inkBounds } from '@/core/draw';
import { LAYOUTS_SHIPPED } from '@/contract';
import { createCanvas } from '@napi-rs/canvas';
import {
  addEffect,
  boxOf,
  fieldValue,
  fillColour,
  fillNumber,
  insertLayout,
  isCorrected,
  lettersBehind,
  moveEffect,
  moveLayers,
  scaleLayers,
  setText,
  keyedById,
  keysAt,
  layersOf,
  layoutFrom,
  membersOf,
  newPiece,
  offeredFields,
  removeEffect,
  readPiece,
  restOf,
  setHold,
  settlePiece,
  shortestByHold,
  strokeById,
  strokesOf,
  surround,
  withLength,
  type Lettering,
  type Piece,
} from '@/core/document';
import { EFFECT_KINDS, newEffect } from '@/core/effects';
import { pathBounds, type Bounds } from '@/core/geometry';
import { paint, type MakeCanvas } from '@/core/paint';
import { proof } from '@/core/proof';
import { evaluate, posterFrame } from '@/core/scene';
import { handwrittenTitle, LAYOUTS, signature } from '.';
import { someOf } from '@/core/testing/cases';

const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;
const layouts = LAYOUTS.map(({ id, piece }) => [id, piece()] as const);
let count = 0;
const newId = (): string => `n${++count}`;

/** Alpha of every pixel of a frame, at a quarter of the size. */
function alphaOf(piece: Piece, frame: number): Uint8ClampedArray {
  const [w, h] = [piece.size.width / 4, piece.size.height / 4];
  const canvas = createCanvas(w, h);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, make, 0.25);
  return context.getImageData(0, 0, w, h).data.filter((_, i) => i % 4 === 3);
}
const covered = (piece: Piece, frame: number): number =>
  alphaOf(piece, frame).reduce((sum, a) => sum + a, 0) / 255;

test('there are at least eight, each a valid piece that comes, holds, and is gone at its end', () => {
  expect(layouts.length).toBeGreaterThanOrEqual(8);
  expect(new Set(layouts.map(([, piece]) => piece.name)).size).toBe(layouts.length);
  for (const [id, piece] of layouts) {
    const read = readPiece(JSON.parse(JSON.stringify(piece)));
    expect([id, read.ok || read.faults]).toEqual([id, true]);
    expect([id, covered(piece, 0) < 400]).toEqual([id, true]);
    const full = covered(piece, piece.hold!.from + 2);
    expect([id, full > 500]).toEqual([id, true]);
    expect([id, covered(piece, piece.length - 1) < full * 0.02]).toEqual([id, true]);
    // All through its hold nothing moves.
    expect(covered(piece, piece.hold!.to - 1)).toBeCloseTo(full, 0);
    for (const field of piece.fields)
      expect([id, field.name, fieldValue(piece, field) !== null]).toEqual([id, field.name, true]);
  }
});

test('none of them has anything to mend: safe areas, contrast, reading time, loose ends, gaps', () => {
  for (const [id, piece] of layouts) {
    const found = proof(piece, () => [piece.over!]).map((finding) => finding.words);
    expect([id, found]).toEqual([id, []]);
  }
});

test('put into a piece of any size and rate, twice, it is valid and begins where it is to; ids are new', () => {
  for (const [id, layout] of layouts) {
    for (const [size, rate] of [
      [{ width: 1080, height: 1920 }, 30],
      [{ width: 3840, height: 2160 }, 50],
    ] as const) {
      const empty = newPiece('Into', size, { numerator: rate, denominator: 1 }, 400);
      const once = insertLayout(empty, layout, 0, newId);
      expect([id, Math.abs(once.length / rate - layout.length / 25) < 0.05]).toEqual([id, true]);
      const twice = insertLayout(once, layout, 40, newId);
      const read = readPiece(JSON.parse(JSON.stringify(twice)));
      expect([id, read.ok || read.faults]).toEqual([id, true]);
      expect(twice.layers.length).toBe(layout.layers.length * 2);
      expect(twice.fields.length).toBe(layout.fields.length * 2);
      expect(new Set(twice.fields.map((field) => field.name)).size).toBe(twice.fields.length);
      // It looks as it did, as large as fits.
      const k = Math.min(size.width / 1920, size.height / 1080);
      const [was, now] = [boundsAt(layout, posterFrame(layout)), boundsAt(once, posterFrame(once))];
      expect([id, Math.abs((now.right - now.left) / (was.right - was.left) / k - 1) < 0.03]).toEqual([
        id,
        true,
      ]);
    }
  }
});

const boundsAt = (piece: Piece, frame: number): Bounds =>
  inkBounds(evaluate(piece, frame), piece.size.width, piece.size.height)!;

test('kept from a selection it brings its groups and fields, and can be put in again', () => {
  const [, title] = layouts.find(([id]) => id === 'handwritten-title')!;
  const ids = ['title', ...membersOf(title, 'title-hand').map((layer) => layer.id)];
  const kept = layoutFrom(title, ids, 'The word alone');
  expect(readPiece(kept).ok).toBe(true);
  expect(kept.groups.map((group) => group.id)).toEqual(['title-hand']);
  expect(kept.fields.map((field) => field.of)).toEqual([['title'], ['title'], ['title'], ['title']]);
  expect(offeredFields(title, ['title']).map(({ name, kind }) => [name, kind])).toEqual([
    ['Saltmarsh', 'text'],
    ['Face 1', 'face'],
    ['Colour 1', 'colour'],
    ['Saltmarsh, Wake, repeat 1, colour', 'colour'],
    ['Saltmarsh, Wake, repeat 2, colour', 'colour'],
  ]);
  const again = insertLayout(newPiece('Into'), kept, 0, newId);
  // Seen through the hand that came along, not the one it was taken from.
  const text = again.layers.find((layer): layer is Lettering => layer.type === 'lettering')!;
  expect(layersOf(again, text.reveal!.through[0]!)).toHaveLength(ids.length - 1);
});

test('lines and boxes keep to the text: longer, shorter, gone', () => {
  const [, keyword] = layouts.find(([id]) => id === 'underlined-keyword')!;
  const widthOf = (piece: Piece) => {
    const rule = pathBounds(strokeById(piece, 'rule')!.path)!;
    const text = boxOf(piece, 'word')!;
    return [rule.left - text.left, rule.right - text.right, rule.top - text.bottom];
  };
  expect(widthOf(keyword)).toEqual([-6, 6, 44]);
  const change = (piece: Piece, part: Partial<Lettering>) =>
    settlePiece(piece, {
      ...piece,
      layers: piece.layers.map((l) => (l.id === 'word' ? ({ ...l, ...part } as Lettering) : l)),
    });
  const text = keyword.layers.find((l): l is Lettering => l.id === 'word')!;
  const half = change(keyword, { x: 700, set: { ...text.set, glyphs: text.set.glyphs.slice(0, 5) } });
  widthOf(half).forEach((v, i) => expect(v).toBeCloseTo([-6, 6, 44][i]!, 6));
  // Where no text is left the rule stays where it was, and is there again with it.
  const none = change(half, { set: { ...text.set, glyphs: [] } });
  expect(strokeById(none, 'rule')!.path).toEqual(strokeById(half, 'rule')!.path);

  const [, strip] = layouts.find(([id]) => id === 'boxed-strip')!;
  const slices = strokesOf(strip).filter((stroke) => stroke.fitted?.as === 'slice');
  const name = boxOf(strip, 'name')!;
  const edges = slices.map((stroke) => {
    const path = pathBounds(stroke.path)!;
    const w = stroke.ink.width as number;
    return [path.left - w / 2, path.left + w / 2, path.top, path.bottom] as const;
  });
  expect(edges[0]![0]).toBeCloseTo(name.left - 34, 6);
  expect(edges.at(-1)![1]).toBeCloseTo(name.right + 34, 6);
  // Each laps over the next: no line shows between them.
  for (let i = 1; i < edges.length; i++) expect(edges[i - 1]![1] - edges[i]![0]).toBeCloseTo(1, 6);
  for (const edge of edges) expect([edge[2], edge[3]]).toEqual([name.top - 26, name.bottom + 26]);
});

test('what is drawn round a text in a group joins it there; a box stands behind the text, whatever lies in the group', () => {
  const [, strip] = layouts.find(([id]) => id === 'boxed-strip')!;
  const name = { id: 'name', name: 'Name' };
  const ink = strokesOf(strip)[0]!.ink;
  const boxed = settlePiece(strip, surround(strip, name, 'slice', ['s1', 's2'], ink));
  const order = boxed.layers.map((layer) => layer.id);
  expect(['s1', 's2'].map((id) => strokeById(boxed, id)!.group)).toEqual(['boxed', 'boxed']);
  expect(order.indexOf('s2')).toBe(order.indexOf('name') - 1);
  // Round the whole group it lies beside it, behind all of it.
  const behind = settlePiece(strip, surround(strip, { id: 'boxed', name: 'Boxed' }, 'slice', ['s1'], ink));
  expect(behind.layers[0]).toMatchObject({ id: 's1' });
  expect(behind.layers[0]!.group).toBeUndefined();
  const ruled = settlePiece(strip, surround(strip, name, 'under', ['r'], ink));
  expect(ruled.layers.at(-1)!.id).toBe('role');
  expect(strokeById(ruled, 'r')!.group).toBe('boxed');
});

test('fields fill what they are of: colours everywhere, a number in words and in its ring', () => {
  const [, strip] = layouts.find(([id]) => id === 'boxed-strip')!;
  const box = strip.fields.find((field) => field.name === 'Box')!;
  const blue = fillColour(strip, box, '#3355aa');
  expect(strokesOf(blue).every((stroke) => stroke.ink.colour === '#3355aa')).toBe(true);
  const [, written] = layouts.find(([id]) => id === 'handwritten-title')!;
  const last = written.fields.at(-1)!;
  const red = fillColour(written, last, '#aa1111');
  expect(fieldValue(red, last)).toBe('#aa1111');
  expect(fieldValue(red, red.fields.at(-2)!)).toBe(fieldValue(written, written.fields.at(-2)!));
  // It goes along with its effect when that changes places, and fills no part that is no colour.
  const glow = newEffect(
    EFFECT_KINDS.find((kind) => kind.name === 'Glow')!,
    1,
  );
  const moved = moveEffect(addEffect(red, ['title'], glow), ['title'], 0, 1);
  expect(fieldValue(moved, moved.fields.at(-1)!)).toBe('#aa1111');
  const out = removeEffect(moved, ['title'], 0);
  expect(out.fields.map(({ name }) => name)).toEqual(moved.fields.map(({ name }) => name));
  expect(fieldValue(out, out.fields.at(-1)!)).toBe('#aa1111');
  expect(removeEffect(out, ['title'], 0).fields.map(({ name }) => name)).toEqual([
    'Title',
    'Line under it',
    'First colour',
  ]);
  const wrong = { ...last, part: 'locked' };
  expect([fieldValue(red, wrong), fillColour(red, wrong, '#000000')]).toEqual([null, red]);
  const [, ring] = layouts.find(([id]) => id === 'counted-ring')!;
  const number = ring.fields.find((field) => field.kind === 'number')!;
  expect(fieldValue(ring, number)).toBe(82);
  const half = fillNumber(ring, number, 41);
  expect(fieldValue(half, number)).toBe(41);
  expect(keysAt(half, { stroke: 'ring', part: 'head' }).at(-1)!.value).toBeCloseTo(0.41, 9);
  expect(fieldValue(fillNumber(half, number, 0), number)).toBe(0);
});

test('a longer hold leaves coming and leaving as quick as they are, and holds what is there', () => {
  for (const [id, piece] of someOf(layouts, 4)) {
    const [from, to] = [piece.hold!.from, piece.hold!.to];
    const longer = withLength(piece, piece.length + 50, 'hold');
    expect(longer.hold).toEqual({ from, to: to + 50 });
    for (const frame of [3, Math.round(from / 2), from])
      expect(covered(longer, frame)).toBe(covered(piece, frame));
    for (const frame of [to, Math.round((to + piece.length) / 2), piece.length - 2])
      expect([id, covered(longer, frame + 50)]).toEqual([id, covered(piece, frame)]);
    expect(covered(longer, from + 30)).toBeCloseTo(covered(piece, from + 2), 0);
    // Shorter, down to a frame of hold and no further.
    const least = withLength(piece, 1, 'hold');
    expect(least.length).toBe(shortestByHold(piece));
    expect(covered(least, least.length - 2)).toBe(covered(piece, piece.length - 2));
    expect(readPiece(least).ok).toBe(true);
  }
});

test('the rest of a piece is found by what moves in it', () => {
  for (const [id, piece] of layouts) {
    const found = restOf(setHold(piece, null));
    expect([id, found !== null]).toEqual([id, true]);
    expect([id, Math.abs(covered(piece, found!.from) - covered(piece, found!.to)) < 2]).toEqual([id, true]);
  }
  expect(restOf(newPiece('Empty'))).toBeNull();
  expect(keyedById(newPiece('Empty'), 'x')).toBeUndefined();
});

test('strokes go where what they were traced from goes, and no moving or scaling of both counts as a correction', () => {
  const hand = (piece: Piece) => strokesOf(piece).filter((stroke) => stroke.traced);
  const inOrder = (piece: Piece) => {
    expect(hand(piece).length).toBeGreaterThan(3);
    expect(hand(piece).filter(isCorrected)).toEqual([]);
    expect(lettersBehind(piece)).toEqual([]);
  };
  for (const layout of [signature(), handwrittenTitle()]) {
    inOrder(layout);
    const texts = layout.layers.filter((layer) => layer.type === 'lettering' && layer.reveal);
    const ids = texts.map((text) => text.id);
    const moved = moveLayers(layout, ids, { x: 30, y: -12 });
    inOrder(moved);
    hand(moved).forEach((stroke, i) => {
      const [before, now] = [hand(layout)[i]!.path.points[0]!, stroke.path.points[0]!];
      expect([now.x - before.x, now.y - before.y]).toEqual([expect.closeTo(30, 6), expect.closeTo(-12, 6)]);
    });
    inOrder(scaleLayers(layout, ids, 1.37, { x: 100, y: 50 }));
    const other = newPiece('Other', { width: 1080, height: 1920 }, { numerator: 30, denominator: 1 }, 90);
    let n = 0;
    inOrder(insertLayout(other, layout, 10, () => `n${++n}`));
    // A stroke moved by itself is a hand's correction.
    const one = hand(layout)[0]!.id;
    expect(hand(moveLayers(layout, [one], { x: 5, y: 0 })).filter(isCorrected)).toHaveLength(1);
    // Another text: what it was written for is remembered, what is called after it goes along.
    const text = texts[0] as Lettering;
    const setting = { ...text.setting, text: 'Curlew' };
    const changed = setText(layout, text.id, setting, text.set);
    expect(lettersBehind(changed)).toEqual([{ within: [], id: text.id }]);
    expect(lettersBehind(setText(changed, text.id, text.setting, text.set))).toEqual([]);
  }
});

test('room is kept in the panel for as many layouts as ship', () => {
  expect(LAYOUTS).toHaveLength(LAYOUTS_SHIPPED);
});
