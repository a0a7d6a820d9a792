import fc from 'fast-check';
import type { PathCommand } from './commands';
import { compactPathData } from './compact-path-data';
import { readPathData } from './path-data';

const n = fc.double({ min: -4000, max: 4000, noNaN: true });
const drawn = fc.oneof(
  fc.tuple(fc.constant('L' as const), n, n),
  fc.tuple(fc.constant('C' as const), n, n, n, n, n, n),
);
const piece = fc
  .tuple(n, n, fc.array(drawn, { minLength: 1, maxLength: 8 }), fc.boolean())
  .map(([x, y, rest, closed]): PathCommand[] => [
    ['M', x, y],
    ...rest,
    ...(closed ? [['Z'] as PathCommand] : []),
  ]);
const commands = fc.array(piece, { minLength: 1, maxLength: 4 }).map((pieces) => pieces.flat());

test('read back it is the same path to its digits', () => {
  fc.assert(
    fc.property(commands, (path) => {
      const text = compactPathData(path, 3);
      const { commands: read, faultAt } = readPathData(text);
      expect(faultAt).toBeNull();
      expect(read.map((c) => c[0])).toEqual(path.map((c) => c[0]));
      const off = Math.max(
        ...read.flatMap((c, i) =>
          c.slice(1).map((v, k) => Math.abs((v as number) - (path[i]![k + 1] as number))),
        ),
        0,
      );
      expect(off).toBeLessThan(0.00051);
    }),
  );
});

test('numbers stand as close as the grammar lets them (SVG 2, 9.3.9)', () => {
  expect(compactPathData([['M', 10, 10], ['L', 10.5, 10.25], ['L', 10.25, 11], ['Z'], ['M', 0, 0]], 2)).toBe(
    'm10 10l.5.25-.25.75zm-10-10',
  );
});
