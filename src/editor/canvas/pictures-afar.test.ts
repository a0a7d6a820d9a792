import { addLayers, newPiece, newStroke, withNews, type Piece } from '@/core/document';
import { corner } from '@/core/geometry';
import type { PaintedParts } from '@/workers/picture.worker';
import { picturesAfar, type Wanted } from './pictures-afar';

const stroke = (n: number) =>
  newStroke(`s${n}`, `S ${n}`, { closed: false, points: [corner(n, 0), corner(n, 9)] });
const first = addLayers(newPiece('Afar'), [stroke(1), stroke(2)]);

/** A painter that is done when the test says so, and what came of it. */
function bench() {
  const asked: { frame: number; whole: boolean; piece: Piece; done: (fails?: boolean) => Promise<void> }[] =
    [];
  const told: string[] = [];
  let closed = 0;
  let heard: Piece | null = null;
  const afar = picturesAfar(
    {
      paint(news, { frame }, whole) {
        heard = withNews(heard, structuredClone(news));
        return new Promise<PaintedParts>((resolve, reject) => {
          const parts = [{ left: 0, top: 0, bitmap: { close: () => closed++ } as unknown as ImageBitmap }];
          asked.push({
            ...{ frame, whole, piece: heard! },
            async done(fails) {
              if (fails) reject(new Error('gone'));
              else resolve(parts);
              await new Promise((next) => setTimeout(next));
            },
          });
        });
      },
    },
    {
      painted: (_, { frame }, whole) => told.push(`${whole ? 'whole' : 'part'} ${frame}`),
      overtaken: ({ frame }, by) => told.push(`${frame} overtaken, ${by.frame} in hand`),
      failed: () => told.push('failed'),
    },
  );
  const want = (frame: number, more: Partial<Wanted> = {}) =>
    afar.want({
      ...{ piece: first, frame, samples: undefined, width: 90, height: 60 },
      placement: { x: 0, y: 0, scale: 1 },
      ...more,
    });
  return { afar, want, asked, told, closed: () => closed };
}

test('one picture is in hand at a time; of those wanted meanwhile the newest is painted, the others are told', async () => {
  const { want, asked, told } = bench();
  for (const frame of [1, 2, 3, 4]) want(frame);
  expect(asked.map(({ frame }) => frame)).toEqual([1]);
  await asked[0]!.done();
  expect(asked.map(({ frame }) => frame)).toEqual([1, 4]);
  await asked[1]!.done();
  // What is seen already is not painted again, nor what is in hand.
  want(4);
  expect(asked).toHaveLength(2);
  expect(told).toEqual(['2 overtaken, 1 in hand', '3 overtaken, 1 in hand', 'whole 1', 'part 4']);
});

test('the painter hears what is new and has the piece as it is, layers that stayed being the same objects', async () => {
  const { want, asked } = bench();
  want(1);
  await asked[0]!.done();
  const moved = { ...first, layers: [first.layers[0]!, { ...first.layers[1]!, name: 'Moved' }] };
  want(1, { piece: moved });
  expect(asked[1]!.piece).toEqual(moved);
  expect(asked[1]!.piece.layers[0]).toBe(asked[0]!.piece.layers[0]);
});

test('what was forgotten is not laid down, and the next picture is a whole one; so is one of another size', async () => {
  const { afar, want, asked, told, closed } = bench();
  want(1);
  afar.forget();
  await asked[0]!.done();
  expect([told, closed()]).toEqual([[], 1]);
  want(1);
  await asked[1]!.done();
  want(2);
  await asked[2]!.done();
  want(2, { width: 120 });
  await asked[3]!.done();
  expect(told).toEqual(['whole 1', 'part 2', 'whole 2']);
});

test('a painter that is gone is told', async () => {
  const { want, asked, told } = bench();
  want(1);
  await asked[0]!.done(true);
  expect(told).toEqual(['failed']);
});
