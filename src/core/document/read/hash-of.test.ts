import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { times } from '../../testing/cases';
import { randomPiece } from '../../testing/random-pieces';
import { hashOf } from './hash-of';
import { patchOf } from './patch-of';

const shuffled = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(shuffled)
    : typeof value === 'object' && value !== null
      ? Object.fromEntries(
          Object.entries(value)
            .reverse()
            .map(([key, inner]) => [key, shuffled(inner)]),
        )
      : value;

test('a short document is hashed as its text with sorted keys, by Node’s own SHA-256', () => {
  const text = '{"a":[1,0.5,null],"b":{"c":"é","d":true}}';
  expect(hashOf({ b: { d: true, c: 'é', e: undefined }, a: [1, 0.5, undefined] })).toBe(
    createHash('sha256').update(text).digest('hex'),
  );
});

test('the hash is of what a document holds: not of the order of keys, nor of what was hashed before', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const piece = randomPiece(seed);
    const hash = hashOf(piece);
    expect(hashOf(JSON.parse(JSON.stringify(piece)))).toBe(hash);
    expect(hashOf(shuffled(piece) as object)).toBe(hash);
  }
});

test('documents have one hash only where there is nothing to patch between them', () => {
  fc.assert(
    fc.property(fc.object({ maxDepth: 4, maxKeys: 8 }), fc.object({ maxDepth: 4, maxKeys: 8 }), (a, b) => {
      const plain = (value: object): object => JSON.parse(JSON.stringify(value));
      const [before, after] = [plain(a), plain(b)];
      expect(hashOf(before) === hashOf(after)).toBe(patchOf(before, after).length === 0);
    }),
    { numRuns: times(300, 6000) },
  );
});

test('one number changed anywhere makes another hash', () => {
  const piece = randomPiece(3);
  const layers = piece.layers.map((layer, i) => (i === 1 ? { ...layer, name: `${layer.name}.` } : layer));
  expect(hashOf({ ...piece, layers })).not.toBe(hashOf(piece));
  // A text that looks like the hash of a part is none.
  const long = Array.from({ length: 400 }, (_, i) => i);
  const [, digest] = [
    hashOf({ long }),
    `#${createHash('sha256')
      .update(`[${long.join(',')}]`)
      .digest('hex')}`,
  ];
  expect(hashOf({ long: digest })).not.toBe(hashOf({ long }));
});
