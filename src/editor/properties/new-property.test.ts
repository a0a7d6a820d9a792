// A property that no other file speaks of: what is said of it beside its schema is all it needs.
jest.mock('../../core/document/schema/ink', () => {
  const actual = jest.requireActual<typeof InkSchema>('../../core/document/schema/ink');
  const { keyedNumber } = jest.requireActual<typeof Properties>('../../core/properties');
  const grain = keyedNumber({ name: 'Grain', unit: 'px', min: 0, max: 40, scales: 'size', initial: 2 });
  return { ...actual, inkSchema: actual.inkSchema.extend({ grain: grain.exactOptional() }) };
});

import type * as InkSchema from '../../core/document/schema/ink';
import type * as Properties from '@/core/properties';
import {
  addLayers,
  duplicateLayers,
  insertLayout,
  keyedParts,
  keysAt,
  moveKeys,
  newPiece,
  newStroke,
  partOf,
  propertyOf,
  readPiece,
  scaleLayers,
  setKey,
  updateKeyed,
  withPart,
  type Layer,
  type Piece,
} from '@/core/document';
import { corner } from '@/core/geometry';
import { rowsOf } from '../score/rows';
import { edit, loadPiece, undo, useEditor } from '../state';
import { partName, partWords } from './words';

const PART = 'ink.grain';
const bare = addLayers(
  newPiece('Grainy', { width: 800, height: 400 }, { numerator: 25, denominator: 1 }, 50),
  [newStroke('s', 'Stroke', { closed: false, points: [corner(0, 0), corner(100, 0)] })],
);
const keyed = (): Piece => {
  const having = updateKeyed(bare, ['s'], (one) => withPart(one, PART, 3));
  return setKey(setKey(having, 's', PART, 5, 4), 's', PART, 20, 10);
};
const values = (piece: Piece, id = 's'): unknown[] =>
  keysAt(piece, { stroke: id, part: PART }).map((key) => key.value);

test('a new property is keyed, retimed, named, written with its unit and shown in a lane of its own', () => {
  const piece = keyed();
  const [layer] = piece.layers as [Layer];
  expect(keyedParts(layer)).toContain(PART);
  expect(keysAt(piece, { stroke: 's', part: PART }).map((key) => key.frame)).toEqual([5, 20]);
  const moved = moveKeys(piece, [{ stroke: 's', part: PART, index: 1 }], 4);
  expect(keysAt(moved, { stroke: 's', part: PART }).map((key) => key.frame)).toEqual([5, 24]);
  expect(propertyOf(layer, PART)).toMatchObject({ min: 0, max: 40, step: 1, initial: 2, keyed: true });
  expect(partName(layer, PART)).toBe('Grain');
  expect(partWords(layer, PART, 4)).toBe('4 px');
  const rows = rowsOf(piece, { groups: {}, opened: ['s'] });
  expect(rows).toContainEqual(expect.objectContaining({ kind: 'part', part: PART }));
});

test('it is scaled with its stroke, within its bounds, copied with it, and sized with a layout', () => {
  const piece = keyed();
  expect(values(scaleLayers(piece, ['s'], 5, { x: 0, y: 0 }))).toEqual([20, 40]);
  const copied = duplicateLayers(piece, ['s'], () => 'copy').piece;
  expect(values(copied, 'copy')).toEqual([4, 10]);
  const large = newPiece('Large', { width: 1600, height: 800 }, { numerator: 25, denominator: 1 }, 50);
  let made = 0;
  const put = insertLayout(large, piece, 0, () => `n${made++}`);
  expect(values(put, put.layers[0]!.id)).toEqual([8, 20]);
});

test('it is one step of undo, saved and read again; a value beyond its bounds is refused with its place', () => {
  loadPiece(bare);
  edit(() => keyed());
  expect(partOf(useEditor.getState().piece.layers[0]!, PART)).toHaveProperty('keys');
  const read = readPiece(JSON.parse(JSON.stringify(useEditor.getState().piece)));
  expect(read).toMatchObject({ ok: true });
  expect(read.ok && values(read.piece)).toEqual([4, 10]);
  undo();
  expect(partOf(useEditor.getState().piece.layers[0]!, PART)).toBeUndefined();
  const wrong = updateKeyed(bare, ['s'], (one) => withPart(one, PART, 99));
  expect(readPiece(wrong)).toMatchObject({ ok: false, faults: [{ path: 'layers.0.ink.grain' }] });
});
