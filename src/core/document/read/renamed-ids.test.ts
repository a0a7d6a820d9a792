import { corner } from '../../geometry';
import { cueStrokes } from '../edits/cues';
import { groupLayers } from '../edits/groups';
import { addLayers } from '../edits/layers';
import { withNewIds } from '../edits/layouts';
import { setParent } from '../edits/place';
import { setReveal } from '../edits/reveal';
import { tieStrokes } from '../edits/ties';
import { newPiece, newStroke } from '../schema/new-piece';
import type { Piece } from '../schema/piece';
import { revealThrough } from '../schema/reveal';
import { readPiece } from './read-piece';

/** Every text in a value that is one of some ids, with the way to it. */
function mentions(value: unknown, ids: ReadonlySet<string>, way = ''): string[] {
  if (typeof value === 'string') return ids.has(value) ? [way] : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => mentions(inner, ids, `${way}.${key}`));
}

const path = { closed: false, points: [corner(0, 0), corner(90, 0)] };
const base = addLayers(
  newPiece('Ids', { width: 400, height: 200 }),
  ['alpha', 'beta', 'gamma'].map((id) => newStroke(id, id, path)),
);

test('given new ids, no old one is left anywhere, and everything still names what it did', () => {
  let piece: Piece = groupLayers(base, ['beta'], { id: 'group', name: 'Group' });
  piece = tieStrokes(piece, ['alpha'], { property: 'width', to: 'gamma', factor: 1, offset: 0 });
  piece = cueStrokes(piece, ['gamma'], 'beta');
  piece = setParent(piece, 'alpha', 'group', 0);
  piece = setReveal(piece, ['gamma'], revealThrough(['alpha', 'group']));
  piece = {
    ...piece,
    fields: [{ name: 'Colour', kind: 'colour', of: ['alpha', 'beta'] }],
    layers: piece.layers.map((layer) =>
      layer.id === 'beta' && layer.type === 'stroke'
        ? { ...layer, traced: { from: 'alpha', mark: '2-x' } }
        : layer,
    ),
  };
  const old = new Set(['alpha', 'beta', 'gamma', 'group']);
  let made = 0;
  const fresh = withNewIds(piece, () => `new-${made++}`);
  // Names of layers happen to be their old ids: they are no ids and stay.
  expect(mentions(fresh, old).every((way) => way.endsWith('.name'))).toBe(true);
  expect(mentions(fresh, new Set(Array.from({ length: made }, (_, i) => `new-${i}`)))).toHaveLength(
    mentions(piece, old).filter((way) => !way.endsWith('.name')).length,
  );
  expect(readPiece(fresh)).toMatchObject({ ok: true });
  // What has no id in it is the very same.
  expect((fresh.layers[0] as { path: unknown }).path).toBe((piece.layers[0] as { path: unknown }).path);
});

test('a nested piece keeps its own', () => {
  const outer = addLayers(newPiece('Outer'), [
    {
      type: 'piece',
      id: 'alpha',
      name: 'Inner',
      hidden: false,
      locked: false,
      opacity: 1,
      start: 0,
      after: 'nothing',
      content: base,
    },
  ]);
  const fresh = withNewIds(outer, () => 'other');
  expect(fresh.layers[0]).toMatchObject({ id: 'other', content: base });
});
