import type { Layer } from '@/core/document';
import { dearest } from '.';

const layer = (name: string): Layer => ({ id: name, name }) as Layer;

test('the dearest layers come first, what stands still is left out, shares are of all that changes', () => {
  const times = new Map(
    [
      ['still', 0],
      ['line', 2],
      ['glow', 15],
      ['text', 3],
    ].map(([name, ms]) => [layer(name as string), ms as number]),
  );
  expect(dearest(times).map(({ layer: { name }, share }) => [name, share])).toEqual([
    ['glow', 0.75],
    ['text', 0.15],
    ['line', 0.1],
  ]);
  expect(dearest(times, 1)).toHaveLength(1);
  expect(dearest(new Map([[layer('still'), 0]]))).toEqual([]);
});
