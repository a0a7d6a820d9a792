import { colourAt } from '../colour';
import { isKeyed, valueAt, type Animated } from '../timing';

/** A value of which nothing follows keys any more. */
export type Now<T> = T extends { readonly keys: readonly unknown[] }
  ? never
  : T extends readonly (infer I)[]
    ? readonly Now<I>[]
    : T extends object
      ? { readonly [K in keyof T]: Now<T[K]> }
      : T;

const last = new WeakMap<object, { readonly marks: readonly unknown[]; readonly now: unknown }>();

/** A value as it is at a frame, numbers and colours out of their keys; the same object while it is the same. */
export function nowOf<T extends object>(value: T, frame: number): Now<T> {
  const marks: unknown[] = [];
  const walk = (part: unknown): unknown => {
    if (typeof part !== 'object' || part === null) return part;
    if (Array.isArray(part)) return part.map(walk);
    const animated = part as Animated<number | string>;
    if (isKeyed(animated)) {
      const isColour = typeof animated.keys[0]!.value === 'string';
      const now = isColour
        ? colourAt(animated as Animated<string>, frame)
        : valueAt(animated as Animated, frame);
      marks.push(now);
      return now;
    }
    return Object.fromEntries(Object.entries(part).map(([name, one]) => [name, walk(one)]));
  };
  const now = walk(value);
  if (marks.length === 0) return value as Now<T>;
  const before = last.get(value);
  if (before && before.marks.every((mark, i) => mark === marks[i])) return before.now as Now<T>;
  last.set(value, { marks, now });
  return now as Now<T>;
}
