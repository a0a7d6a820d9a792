import { z } from 'zod';
import { ease, easingSchema, LINEAR, type Easing } from './easing';

/** A value at a moment (frames; fractions allowed), and how it travels on to the next key. */
export interface Key<V = number> {
  readonly frame: number;
  readonly value: V;
  readonly easing: Easing;
}

/** A value that stays, or one that follows keys in ascending order of frames, no two at the same frame. */
export type Animated<V = number> = V | { readonly keys: readonly Key<V>[] };

/** The schema of a value that stays or is keyed. */
export function animatedOf<V extends z.ZodType>(value: V) {
  const keySchema = z.strictObject({
    frame: z.number().min(-1e7).max(1e7),
    value,
    easing: easingSchema,
  });
  return z.union([
    value,
    z.strictObject({
      keys: z
        .array(keySchema)
        .min(1)
        .max(5000)
        .refine((keys) => keys.every((key, i) => i === 0 || key.frame > keys[i - 1]!.frame), {
          message: 'keys must stand in ascending order of frames, one at each frame',
        })
        .readonly(),
    }),
  ]);
}

/** Whether a value follows keys; one that stays may itself be an object, as a shape is. */
export const isKeyed = <V>(animated: Animated<V>): animated is { readonly keys: readonly Key<V>[] } =>
  typeof animated === 'object' && Object.hasOwn(animated as object, 'keys');

export const keysOf = <V>(animated: Animated<V>): readonly Key<V>[] =>
  isKeyed(animated) ? animated.keys : [];

/** The value at a frame: held before the first and after the last key, eased between. */
export const valueAt = (animated: Animated, frame: number): number =>
  blendAt(animated, frame, (a, b, t) => a + (b - a) * t);

/** The value at a frame, where `blend` says what lies between two keys at a progress (beyond 0..1 when overshooting). */
export function blendAt<V>(
  animated: Animated<V>,
  frame: number,
  blend: (a: V, b: V, progress: number) => V,
): V {
  if (!isKeyed(animated)) return animated;
  const { keys } = animated;
  const last = keys.length - 1;
  if (frame <= keys[0]!.frame) return keys[0]!.value;
  if (frame >= keys[last]!.frame) return keys[last]!.value;
  let low = 0;
  let high = last;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (keys[middle]!.frame <= frame) low = middle;
    else high = middle;
  }
  const a = keys[low]!;
  const b = keys[high]!;
  return blend(a.value, b.value, ease(a.easing, (frame - a.frame) / (b.frame - a.frame)));
}

/** Every value of something keyed, or the one that stays, changed alike. */
export function mapValues<V>(animated: Animated<V>, change: (value: V) => V): Animated<V> {
  return isKeyed(animated)
    ? { keys: animated.keys.map((key) => ({ ...key, value: change(key.value) })) }
    : change(animated);
}

/** Sets a key, replacing one at the same frame; a constant becomes keyed. A replaced key keeps its easing unless given. */
export function withKey<V>(animated: Animated<V>, frame: number, value: V, easing?: Easing): Animated<V> {
  const keys = keysOf(animated);
  const old = keys.find((key) => key.frame === frame);
  const before = keys.filter((key) => key.frame < frame).at(-1);
  const key: Key<V> = { frame, value, easing: easing ?? old?.easing ?? before?.easing ?? LINEAR };
  return {
    keys: [...keys.filter((other) => other.frame !== frame), key].sort((a, b) => a.frame - b.frame),
  };
}

/** Removes the keys at the given places in the list; when none is left the value stays as it was at the last of them. */
export function withoutKeys<V>(animated: Animated<V>, indices: readonly number[]): Animated<V> {
  const keys = keysOf(animated);
  const kept = keys.filter((_, i) => !indices.includes(i));
  if (kept.length > 0) return { keys: kept };
  return keys.at(-1)?.value ?? animated;
}

/**
 * Moves keys in time by the frames that `shift` gives for each place in the list. Where two would meet, the moved
 * key wins. Order is kept ascending.
 */
export function withShiftedKeys<V>(animated: Animated<V>, shift: (index: number) => number): Animated<V> {
  if (!isKeyed(animated)) return animated;
  const moved = new Map<number, Key<V>>();
  animated.keys.forEach((key, i) => {
    if (shift(i) === 0) moved.set(key.frame, key);
  });
  animated.keys.forEach((key, i) => {
    if (shift(i) !== 0) moved.set(key.frame + shift(i), { ...key, frame: key.frame + shift(i) });
  });
  return { keys: [...moved.values()].sort((a, b) => a.frame - b.frame) };
}

/**
 * Moves the keys at the given places in the list to the whole frames that `to` gives. Where two meet, the moved key wins;
 * of two moved ones the later.
 */
export function withRetimedKeys<V>(
  animated: Animated<V>,
  indices: readonly number[],
  to: (frame: number) => number,
): Animated<V> {
  if (!isKeyed(animated)) return animated;
  const placed = new Map<number, Key<V>>();
  animated.keys.forEach((key, i) => {
    if (!indices.includes(i)) placed.set(key.frame, key);
  });
  animated.keys.forEach((key, i) => {
    if (!indices.includes(i)) return;
    const frame = Math.round(to(key.frame));
    placed.set(frame, { ...key, frame });
  });
  return { keys: [...placed.values()].sort((a, b) => a.frame - b.frame) };
}

/** Looks at a piece between two keys for where a value is passed: so many places, then halved down. */
const LOOKS = 48;

/** The first frame at which a value reaches a height; null where it never does, or is there without keys. */
export function firstReach(animated: Animated, height: number): number | null {
  if (!isKeyed(animated)) return null;
  const { keys } = animated;
  if (keys[0]!.value >= height) return keys[0]!.frame;
  for (let i = 1; i < keys.length; i++) {
    const [from, to] = [keys[i - 1]!.frame, keys[i]!.frame];
    let low = from;
    for (let k = 1; k <= LOOKS; k++) {
      let high = k === LOOKS ? to : from + ((to - from) * k) / LOOKS;
      if (valueAt(animated, high) < height) {
        low = high;
        continue;
      }
      for (let step = 0; step < 40; step++) {
        const middle = (low + high) / 2;
        if (valueAt(animated, middle) >= height) high = middle;
        else low = middle;
      }
      return high;
    }
  }
  return null;
}
