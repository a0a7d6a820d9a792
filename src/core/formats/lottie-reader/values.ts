import { corner, type Path, type PathPoint, type Point } from '../../geometry';
import { clamp } from '../../numbers';
import type { Animated, Easing, Key } from '../../timing';

/** Anything of a file: nothing of it is known until it was looked at. */
export type Item = Readonly<Record<string, unknown>>;

export const isItem = (value: unknown): value is Item =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
export const itemsOf = (value: unknown): Item[] => (Array.isArray(value) ? value.filter(isItem) : []);
export const numberOf = (value: unknown, otherwise: number): number =>
  typeof value === 'number' && Number.isFinite(value) ? value : otherwise;
export const textOf = (value: unknown, otherwise: string): string =>
  typeof value === 'string' && value.trim() !== '' ? value.trim() : otherwise;

/** Numbers of a value that may be one number or a list. */
const numbersOf = (value: unknown): number[] =>
  (Array.isArray(value) ? value : [value]).map((one) => numberOf(one, 0));

/** Whether a property follows keys: its first value is one. */
const keysIn = (property: unknown): Item[] | null => {
  const k = isItem(property) ? property.k : undefined;
  return Array.isArray(k) && isItem(k[0]) ? itemsOf(k) : null;
};

export const isMoving = (property: unknown): boolean => {
  const keys = keysIn(property);
  return keys !== null && keys.length > 1;
};

/** The numbers of a property, at first where they move. */
export function firstNumbers(property: unknown, otherwise: readonly number[]): readonly number[] {
  const keys = keysIn(property);
  const k = keys ? keys[0]!.s : isItem(property) ? property.k : undefined;
  return k === undefined ? otherwise : numbersOf(k);
}

/** One side of a handle: a number, or a list with one for each part of the value. */
const handle = (side: unknown, axis: 'x' | 'y', part: number, otherwise: number): number => {
  const all = isItem(side) ? numbersOf(side[axis]) : [];
  return all[part] ?? all[0] ?? otherwise;
};

function easingOf(key: Item, part: number): Easing {
  if (key.h === 1) return { type: 'hold' };
  if (!isItem(key.o) || !isItem(key.i)) return { type: 'linear' };
  const [x1, y1] = [handle(key.o, 'x', part, 0), handle(key.o, 'y', part, 0)];
  const [x2, y2] = [handle(key.i, 'x', part, 1), handle(key.i, 'y', part, 1)];
  if (x1 === y1 && x2 === y2) return { type: 'linear' };
  return {
    type: 'bezier',
    ...{ x1: clamp(x1, 0, 1), y1: clamp(y1, -10, 10), x2: clamp(x2, 0, 1), y2: clamp(y2, -10, 10) },
  };
}

/**
 * A property as it is keyed here.
 * @param from the frame that counts as 0.
 * @param valueOf makes the value of a key's numbers.
 * @param part of the value whose handles count.
 */
export function animatedBy<V>(
  property: unknown,
  from: number,
  valueOf: (numbers: readonly number[]) => V,
  otherwise: V,
  part = 0,
): Animated<V> {
  const keys = keysIn(property);
  if (!keys) {
    const numbers = firstNumbers(property, []);
    return numbers.length > 0 ? valueOf(numbers) : otherwise;
  }
  const out: Key<V>[] = [];
  let before: unknown = keys[0]!.s;
  for (const key of keys) {
    // The last key of older files says only when the one before it ends, which that says where.
    const said = key.s ?? before;
    before = key.e ?? said;
    const frame = numberOf(key.t, 0) - from;
    if (out.length > 0 && frame <= out.at(-1)!.frame) out.pop();
    out.push({ frame, value: valueOf(numbersOf(said)), easing: easingOf(key, part) });
  }
  return out.length === 1 ? out[0]!.value : { keys: out };
}

const pointOf = (value: unknown): Point => {
  const [x, y] = numbersOf(value);
  return { x: x ?? 0, y: y ?? 0 };
};

/** A path of the format: points, and handles from them. Null where there is none. */
export function pathOfBezier(value: unknown): Path | null {
  if (!isItem(value) || !Array.isArray(value.v) || value.v.length < 2) return null;
  const [ins, outs] = [value.i, value.o].map((all) => (Array.isArray(all) ? (all as unknown[]) : []));
  const points = value.v.map((at: unknown, i): PathPoint => {
    const { x, y } = pointOf(at);
    return { ...corner(x, y), in: pointOf(ins![i]), out: pointOf(outs![i]) };
  });
  return { closed: value.c === true, points };
}
