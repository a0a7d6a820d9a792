import { pathsOf, type Path, type PathCommand } from '../../geometry';
import { keysThrough } from '../tracks';

/** A number with so many digits as are seen. */
export const short = (n: number, digits = 3): number => Number(n.toFixed(digits)) + 0;

/** A property that stays. */
export const still = <T>(k: T) => ({ a: 0 as const, k });

/** Handles of an even way from key to key. */
const EVEN = { i: { x: [1], y: [1] }, o: { x: [0], y: [0] } };

/** A property of numbers in time: the fewest keys that keep to every frame, with even ways between them. */
export function moving(numbers: readonly (readonly number[] | null)[], off: number, digits = 3) {
  const keys = keysThrough(numbers, off).map(({ frame, values }) => ({
    t: frame,
    s: values.map((value) => short(value, digits)),
  }));
  const [first] = keys;
  if (!first || keys.every(({ s }) => s.every((value, i) => value === first.s[i])))
    return still(first ? (first.s.length === 1 ? first.s[0]! : first.s) : 0);
  return {
    a: 1 as const,
    k: keys.map((key, i) => (i === keys.length - 1 ? { ...key, h: 1 } : { ...key, ...EVEN })),
  };
}

/** Red, green and blue, each 0..1. */
export const rgb = (colour: string): number[] =>
  [1, 3, 5].map((at) => short(parseInt(colour.slice(at, at + 2), 16) / 255, 4));

const bezierOf = ({ closed, points }: Path) => ({
  c: closed,
  v: points.map(({ x, y }) => [short(x), short(y)]),
  i: points.map((p) => [short(p.in.x), short(p.in.y)]),
  o: points.map((p) => [short(p.out.x), short(p.out.y)]),
});

/** Drawing commands as paths of the format, one for each piece. */
export const pathShapes = (commands: readonly PathCommand[]) =>
  pathsOf(commands).map((path) => ({ ty: 'sh', ks: still(bezierOf(path)) }));
