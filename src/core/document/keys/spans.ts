import { keysOf, withShiftedKeys, type Animated } from '../../timing';
import { keyedParts, mapKeyed, partOf, type AnyAnimated, type Keyed, type KeyValue } from '../parts';
import type { Stroke } from '../schema';

/** Everything keyed, moved by a number of frames. */
export const shiftKeyed = <K extends Keyed>(keyed: K, frames: number): K =>
  frames === 0
    ? keyed
    : mapKeyed(keyed, (value) => withShiftedKeys(value as Animated<KeyValue>, () => frames) as AnyAnimated);

/** First and last frame at which anything is keyed; null where nothing is. */
export function spanOfKeys(keyed: Keyed): { first: number; last: number } | null {
  const frames = keyedParts(keyed).flatMap((part) =>
    keysOf(partOf(keyed, part) as Animated<KeyValue>).map((key) => key.frame),
  );
  return frames.length > 0 ? { first: Math.min(...frames), last: Math.max(...frames) } : null;
}

/** First and last frame at which anything of strokes is keyed; null where nothing is. */
export function spanOfStrokes(strokes: readonly Stroke[]): { first: number; last: number } | null {
  const spans = strokes.flatMap((stroke) => spanOfKeys(stroke) ?? []);
  if (spans.length === 0) return null;
  return {
    first: Math.min(...spans.map(({ first }) => first)),
    last: Math.max(...spans.map(({ last }) => last)),
  };
}

/** First and last frame keyed in a window, or null when nothing in it is keyed. */
export const keyedSpan = ({ window }: Pick<Stroke, 'window'>): { first: number; last: number } | null =>
  spanOfKeys({ window });
