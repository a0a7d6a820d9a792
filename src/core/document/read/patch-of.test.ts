import fc from 'fast-check';
import { applyPatch, type Operation } from 'rfc6902';
import { corner, type Path } from '../../geometry';
import { times } from '../../testing/cases';
import { addLayers, removeLayers, reorderLayers } from '../edits/layers';
import { updateStrokes } from '../parts/update';
import { DEFAULT_INK, newPiece, newStroke } from '../schema/new-piece';
import type { Piece } from '../schema/piece';
import { patchOf } from './patch-of';

const line = (n: number): Path => ({
  closed: false,
  points: [corner(n, n), corner(n + 9.5, n), corner(n, 40)],
});
const stroke = (n: number) => newStroke(`s${n}`, `Stroke ${n}`, line(n), DEFAULT_INK);
const piece = (count: number): Piece =>
  addLayers(
    newPiece('Patched'),
    Array.from({ length: count }, (_, i) => stroke(i)),
  );

function patched(before: object, after: object): unknown {
  const document = structuredClone(before);
  const steps = JSON.parse(JSON.stringify(patchOf(before, after))) as Operation[];
  expect(applyPatch(document, steps).filter((error) => error !== null)).toEqual([]);
  return document;
}

const values: fc.Arbitrary<unknown> = fc.letrec((tie) => ({
  any: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom(0, 1, 2.5, 'a', 'b/~', '', true, null),
    fc.array(tie('any'), { maxLength: 4 }),
    fc.array(fc.record({ id: fc.constantFrom('p', 'q', 'r', 's'), v: tie('any') }), { maxLength: 4 }),
    fc.dictionary(fc.constantFrom('a', 'b/c', '~0', 'id', ''), tie('any'), { maxKeys: 3 }),
  ),
})).any;

// The package rfc6902, which keeps to RFC 6902, puts it together.
test('whatever two documents hold, the patch makes one of the other', () => {
  fc.assert(
    fc.property(values, values, (a, b) => {
      const [before, after] = [{ a }, { a: b }];
      expect(patched(before, after)).toEqual(after);
    }),
    { numRuns: times(500, 10000) },
  );
});

test('edits of a piece, of any kind and one after another, are patched alike', () => {
  const edit = fc.record({ kind: fc.nat(4), at: fc.nat(9), by: fc.integer({ min: -9, max: 9 }) });
  fc.assert(
    fc.property(fc.array(edit, { minLength: 1, maxLength: 6 }), (edits) => {
      const before = piece(10);
      const after = edits.reduce((now, { kind, at, by }, i) => {
        const { id } = now.layers[at % Math.max(1, now.layers.length)] ?? { id: '' };
        if (kind === 0) return addLayers(now, [stroke(100 + i)]);
        if (kind === 1) return removeLayers(now, [id]);
        if (kind === 2) return reorderLayers(now, [id], Math.abs(by));
        if (kind === 3) return updateStrokes(now, [id], (one) => ({ ...one, path: line(by) }));
        const { hand: _, ...bare } = now.layers[0] as Piece['layers'][number] & { hand?: unknown };
        return { ...now, layers: [bare, ...now.layers.slice(1)], length: 50 + at };
      }, before);
      expect(patched(before, after)).toEqual(JSON.parse(JSON.stringify(after)));
    }),
  );
});

test('of a thousand strokes a moved point, a new stroke and one taken out each take a few hundred bytes', () => {
  const before = piece(1000);
  const size = (after: Piece): number => JSON.stringify(patchOf(before, after)).length;
  const moved = updateStrokes(before, ['s500'], (one) => ({
    ...one,
    path: { ...one.path, points: one.path.points.map((p, i) => (i === 1 ? { ...p, x: 3 } : p)) },
  }));
  expect(size(moved)).toBeLessThan(100);
  expect(size(removeLayers(before, ['s3']))).toBeLessThan(100);
  expect(size(addLayers(before, [stroke(2000)]))).toBeLessThan(1500);
});
