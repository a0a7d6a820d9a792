import type { AnyAnimated } from '@/core/document';
import { isKeyed, keysOf, withKey, withoutKeys, type Animated } from '@/core/timing';
import type { KeyState } from '@/ui';

/** A value with a key at the frame added, or the one there taken away. */
export function keyToggled<V>(
  value: Animated<V>,
  frame: number,
  now: (value: Animated<V>, frame: number) => V,
): Animated<V> {
  const at = keysOf(value).findIndex((key) => key.frame === frame);
  return at < 0 ? withKey(value, frame, now(value, frame)) : withoutKeys(value, [at]);
}

/** How a value stands to the frame shown: without keys, with keys elsewhere, or with one here. */
export const keyState = (value: AnyAnimated, frame: number): KeyState =>
  !isKeyed(value as Animated)
    ? 'none'
    : keysOf(value as Animated).some((key) => key.frame === frame)
      ? 'here'
      : 'elsewhere';
