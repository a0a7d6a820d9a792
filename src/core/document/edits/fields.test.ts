import { ellipseShape } from '../../geometry';
import { unsetText } from '../../testing/unset-text';
import { readPiece } from '../read/read-piece';
import { LIMITS } from '../schema/limits';
import { newPiece, newStroke } from '../schema/new-piece';
import type { Piece } from '../schema/piece';
import { changeField, fieldValue, removeField, withFieldsOf } from './fields';
import { addLayers } from './layers';

const strip: Piece = addLayers(newPiece('Strip'), [
  unsetText('name', 'Isolde Marrow', { colour: '#ede6d8' }),
  unsetText('role', 'Tide keeper', { colour: '#ede6d8' }),
  newStroke('rule', 'Rule', ellipseShape({ x: 0, y: 0 }, { x: 80, y: 40 })),
]);
const facts = (piece: Piece) => piece.fields.map((field) => [field.kind, field.of, fieldValue(piece, field)]);

test('what is chosen offers its fields once: texts first, then faces and colours that are shared', () => {
  const filled = withFieldsOf(strip, ['name', 'role']);
  expect(facts(filled)).toEqual([
    ['text', ['name'], 'Isolde Marrow'],
    ['text', ['role'], 'Tide keeper'],
    ['face', ['name', 'role'], 'lora'],
    ['colour', ['name', 'role'], '#ede6d8'],
  ]);
  expect(readPiece(JSON.parse(JSON.stringify(filled))).ok).toBe(true);
  // Asked for again there is nothing new; of one more layer only what it adds.
  expect(withFieldsOf(filled, ['role', 'name']).fields).toEqual(filled.fields);
  const more = withFieldsOf(filled, ['rule']);
  expect(facts(more).slice(0, 4)).toEqual(facts(filled));
  expect(more.fields.slice(4).every(({ of }) => of.join() === 'rule')).toBe(true);
});

test('a field is renamed or taken out by its number; what it fills stays', () => {
  const filled = withFieldsOf(strip, ['name', 'role']);
  const named = changeField(filled, 1, { name: 'What they do' });
  expect(named.fields.map(({ name }) => name)).toEqual(['name', 'What they do', 'Face 1', 'Colour 1']);
  expect(named.layers).toBe(filled.layers);
  const rest = removeField(named, 0);
  expect(rest.fields).toEqual(named.fields.slice(1));
  expect(rest.layers).toBe(strip.layers);
});

test('there are never more fields than a piece may have', () => {
  const many = Array.from({ length: LIMITS.fields + 5 }, (_, i) =>
    unsetText(`t${i}`, `Word ${i}`, { colour: '#ede6d8' }),
  );
  const piece = addLayers(newPiece('Many'), many);
  const some = withFieldsOf(
    piece,
    many.slice(0, 3).map(({ id }) => id),
  );
  const all = withFieldsOf(
    some,
    many.map(({ id }) => id),
  );
  expect(all.fields).toHaveLength(LIMITS.fields);
  expect(all.fields.slice(0, some.fields.length)).toEqual(some.fields);
  expect(readPiece(JSON.parse(JSON.stringify(all))).ok).toBe(true);
});
