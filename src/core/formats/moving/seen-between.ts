import { isKeyed, valueAt, type Animated, type Easing, type Key } from '../../timing';
import type { MovingWindow } from './moving-stroke';

const HOLD: Easing = { type: 'hold' };

/** A value that is one other before a frame and after another; null where it has no such end. */
function heldOutside(
  animated: Animated,
  from: number | null,
  to: number | null,
  other: (frame: number) => number,
): Animated {
  const keys: Key[] = isKeyed(animated)
    ? [...animated.keys]
    : [{ frame: from ?? 0, value: animated, easing: HOLD }];
  const inside = keys.filter(({ frame }) => (from === null || frame >= from) && (to === null || frame < to));
  // Cut into the middle of a way from key to key, what is left of it goes evenly.
  if (from !== null && inside[0]?.frame !== from)
    inside.unshift({ frame: from, value: valueAt(animated, from), easing: { type: 'linear' } });
  if (from !== null && from > 0) inside.unshift({ frame: 0, value: other(from), easing: HOLD });
  if (to !== null) {
    const last = inside.at(-1);
    const cut = last && last.easing.type !== 'hold' && keys.some(({ frame }) => frame >= to);
    // The moment before it goes it is where it was on its way to.
    if (cut && to - 0.001 > last.frame)
      inside.push({ frame: to - 0.001, value: valueAt(animated, to), easing: HOLD });
    inside.push({ frame: to, value: other(to), easing: HOLD });
  }
  return { keys: inside };
}

/** A window that is open only from one frame to before another: outside nothing is inked. Null stands for no such end. */
export function seenBetween(window: MovingWindow, from: number | null, to: number | null): MovingWindow {
  if (from === null && to === null) return window;
  const { head, tail, slide } = window;
  const closed = (frame: number): number => valueAt(tail, frame);
  return { head: heldOutside(head, from, to, closed), tail: heldOutside(tail, from, to, closed), slide };
}
