import fc from 'fast-check';
import {
  addEffect,
  addLayers,
  applyManner,
  applyStyle,
  copiedAtRate,
  copiedOf,
  DEFAULT_INK,
  groupLayers,
  keysAt,
  lends,
  newPiece,
  newStroke,
  pasteBorrowed,
  pasteKeys,
  pasteLayers,
  putStyle,
  readCopied,
  readPiece,
  strokesOf,
  writeCopied,
  type Piece,
} from '..';
import { EFFECT_KINDS, newEffect } from '../../effects';
import { corner } from '../../geometry';
import { keysOf } from '../../timing';

const rate = (numerator: number, denominator = 1) => ({ numerator, denominator });
const line = (y: number) => ({ closed: false, points: [corner(0, y), corner(90, y)] });

/** Four strokes of their own ink, the middle two in a group, written on in order. */
function made(name: string, frames = rate(25)): Piece {
  const strokes = [10, 20, 30, 40].map((width, i) =>
    newStroke(`s${i}`, `S${i}`, line(i * 20), { ...DEFAULT_INK, width }),
  );
  const piece = addLayers(newPiece(name, { width: 400, height: 300 }, frames, 100), strokes);
  const timed = strokes.reduce(
    (p, { id }, i) => applyManner(p, [id], { kind: 'on', from: 'start', onAt: i * 5, onFrames: 10 }),
    groupLayers(piece, ['s1', 's2'], { id: 'g', name: 'Pair' }),
  );
  return addEffect(timed, ['g'], newEffect(EFFECT_KINDS[0]!, 20));
}
let made_ = 0;
const newId = (): string => `new-${made_++}`;

test('what is copied is complete: written, read and put into any other piece it is sound there', () => {
  fc.assert(
    fc.property(fc.subarray(['s0', 's1', 's2', 's3'], { minLength: 1 }), fc.boolean(), (ids, styled) => {
      const plain = made('From');
      const from = styled
        ? applyStyle(putStyle(plain, { id: 'look', name: 'Look', ink: DEFAULT_INK }), ['s0'], 'look')
        : plain;
      const copied = readCopied(writeCopied(copiedOf(from, ids, [])))!;
      const to = made('To');
      const { piece, ids: put } = pasteLayers(to, copied, newId);
      expect(readPiece(piece).ok).toBe(true);
      expect(put).toHaveLength(ids.length);
      expect(new Set(piece.layers.map((layer) => layer.id)).size).toBe(4 + ids.length);
      // A group comes along where all of it was copied.
      const whole = ids.includes('s1') && ids.includes('s2');
      expect(piece.groups).toHaveLength(whole ? 2 : 1);
      const bears = strokesOf(piece).find((stroke) => stroke.style === 'look');
      expect(bears !== undefined).toBe(styled && ids.includes('s0'));
      expect(piece.styles.some(({ id }) => id === 'look')).toBe(bears !== undefined);
    }),
  );
});

test('from another rate what took a second takes a second, layers and keys alike', () => {
  const from = made('Fast', rate(50));
  const head = (piece: Piece, id: string) =>
    keysOf(strokesOf(piece).find((stroke) => stroke.id === id)!.window.head).map((key) => key.frame);
  const layers = pasteLayers(made('To'), copiedAtRate(copiedOf(from, ['s2'], []), rate(25)), newId);
  expect(head(layers.piece, layers.ids[0]!)).toEqual(head(from, 's2').map((frame) => frame / 2));
  const keys = [0, 1].map((index) => ({ stroke: 's2', part: 'head', index }));
  const copied = copiedAtRate(copiedOf(from, [], keys), rate(25));
  const pasted = pasteKeys(made('To'), copied.keys!, ['s0'], 60);
  expect(keysAt(pasted, { stroke: 's0', part: 'head' }).map((key) => key.frame)).toEqual([0, 10, 60, 65]);
});

test('ink, timing or effects alone are given to others, the first to the first and the last to all that are left', () => {
  const from = made('From');
  const copied = copiedOf(from, ['s0', 's1', 's2'], []);
  expect((['ink', 'timing', 'effects'] as const).map((what) => lends(copied, what))).toEqual([
    true,
    true,
    true,
  ]);
  const to = made('To');
  const of = (piece: Piece) => strokesOf(piece);
  const inked = pasteBorrowed(to, copied, ['s1', 's2', 's3'], 'ink');
  expect(of(inked).map((stroke) => stroke.ink.width)).toEqual([10, 10, 20, 30]);
  expect(of(inked).map((stroke) => stroke.window)).toEqual(of(to).map((stroke) => stroke.window));
  const timed = pasteBorrowed(to, copiedOf(from, ['s3'], []), ['s0', 's1'], 'timing');
  expect(of(timed).map((stroke) => stroke.window)).toEqual([3, 3, 2, 3].map((i) => of(to)[i]!.window));
  expect(of(timed).map((stroke) => stroke.ink)).toEqual(of(to).map((stroke) => stroke.ink));
  const finished = pasteBorrowed(to, copied, ['s3'], 'effects');
  expect(of(finished)[3]!.effects).toEqual(from.groups[0]!.effects);
  expect(lends(copiedOf(from, ['s0'], []), 'effects')).toBe(false);
});

test('what was not copied here, or is damaged, is not read', () => {
  const written = writeCopied(copiedOf(made('From'), ['s0'], []));
  expect(readCopied(written)).not.toBeNull();
  for (const text of [
    '',
    'null',
    '{"obelus":"copied"}',
    written.slice(0, -9),
    written.replace('"stroke"', '"x"'),
  ])
    expect(readCopied(text)).toBeNull();
});
