import { sameValue, setInk, type AnyAnimated, type Ink, type InkChange } from '@/core/document';
import { isKeyed, keysOf, withKey, withoutKeys, type Animated } from '@/core/timing';
import type { KeyState } from '@/ui';
import { changeable, edit } from '../../state';

/** The value all inks share, compared by what it holds; null where they differ. */
export function shared<T>(inks: readonly Ink[], get: (ink: Ink) => T): T | null {
  const [first, ...rest] = inks.map(get);
  return rest.every((value) => sameValue(value, first)) ? (first as T) : null;
}

/** Changes the inks of the selection, each from what it was; quick changes of one kind are one step of undo. */
export function changeInk(change: InkChange | ((ink: Ink) => InkChange), kind: string): void {
  const ids = changeable();
  if (ids.length > 0) edit((piece) => setInk(piece, ids, change), `ink ${kind}`);
}

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
