import { remembered, rememberedOf } from './remembered';

test('a pass over a few more than are kept makes those few anew, not all', () => {
  let made = 0;
  const of = remembered({ most: 100 }, (key: number) => ({ key, made: ++made }));
  for (let i = 0; i < 100; i++) of(i);
  // Half of them are asked for all the time; what comes on top takes the place of others.
  for (let round = 0; round < 10; round++) {
    for (let i = 0; i < 50; i++) of(i);
    for (let i = 0; i < 5; i++) of(1000 + round * 5 + i);
  }
  expect(made).toBe(150);
  expect(of(7)).toBe(of(7));
});

test('what is kept is bounded by how much it is too, and by the thing it is of', () => {
  let made = 0;
  const of = remembered({ mostInAll: 10, sizeOf: (key: string) => key.length }, (key: string) => ({
    key,
    made: ++made,
  }));
  of('12345');
  of('54321');
  of('12345');
  expect(made).toBe(2);
  of('abc');
  of('12345');
  expect(made).toBe(3);
  of('54321');
  expect(made).toBe(4);
  const twice = rememberedOf(2, (thing: { n: number }, key: number) => ({ value: thing.n * key }));
  const [a, b] = [{ n: 1 }, { n: 10 }];
  expect([twice(a, 2).value, twice(b, 2).value]).toEqual([2, 20]);
  expect(twice(a, 2)).toBe(twice(a, 2));
});
