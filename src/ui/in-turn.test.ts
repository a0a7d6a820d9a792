import { inTurn } from './in-turn';

test('three at once, the others in their order; who leaves, waiting or at work, makes room once', () => {
  const begun: string[] = [];
  const done = new Map<string, () => void>();
  const ask = (name: string) =>
    inTurn((end) => {
      begun.push(name);
      done.set(name, end);
    });
  const leave = new Map(['a', 'b', 'c', 'd', 'e', 'f'].map((name) => [name, ask(name)]));
  expect(begun).toEqual(['a', 'b', 'c']);
  leave.get('d')!();
  done.get('b')!();
  expect(begun).toEqual(['a', 'b', 'c', 'e']);
  // Over is over: neither ending twice nor leaving afterwards gives a second place.
  done.get('b')!();
  leave.get('b')!();
  expect(begun).toHaveLength(4);
  leave.get('a')!();
  expect(begun).toEqual(['a', 'b', 'c', 'e', 'f']);
  for (const name of ['c', 'e', 'f']) done.get(name)!();
  ask('g');
  expect(begun.at(-1)).toBe('g');
});
