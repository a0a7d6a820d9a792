import fc from 'fast-check';
import { times } from '../../testing/cases';
import { randomHistory } from '../../testing/histories';
import type { Piece } from '../schema/piece';
import { newsOf, withNews } from './piece-news';

test('a piece is put together from its news, whatever was done to it, and what stayed is what it was', () => {
  fc.assert(
    fc.property(fc.nat(400), (seed) => {
      let sent: Piece | null = null;
      let heard: Piece | null = null;
      for (const { piece } of randomHistory(seed)) {
        // Messages to a worker are copied.
        const now = withNews(heard, structuredClone(newsOf(sent, piece)));
        expect(now).toEqual(piece);
        if (sent === piece) expect(now).toBe(heard);
        const stayed = new Set(
          sent?.layers.filter((layer) => piece.layers.includes(layer)).map(({ id }) => id),
        );
        const before = new Map(heard?.layers.map((layer) => [layer.id, layer]));
        for (const layer of now.layers) if (stayed.has(layer.id)) expect(layer).toBe(before.get(layer.id));
        [sent, heard] = [piece, now];
      }
    }),
    { numRuns: times(40, 1000) },
  );
});

test('a change of one layer is news of that layer alone, and one of nothing is none', () => {
  const { piece } = randomHistory(3)[0]!;
  const [first, ...others] = piece.layers;
  const renamed = { ...piece, layers: [{ ...first!, name: 'Another' }, ...others] };
  expect(newsOf(piece, renamed)).toEqual({
    layers: [{ ...first, name: 'Another' }, ...others.map(({ id }) => id)],
    rest: {},
  });
  expect(newsOf(piece, piece)).toEqual({ rest: {} });
  // What is not there any more is told too.
  const { poster: _, ...bare } = { ...piece, poster: 3 };
  expect(
    withNews({ ...piece, poster: 3 }, newsOf({ ...piece, poster: 3 }, bare as Piece)).poster,
  ).toBeUndefined();
});
