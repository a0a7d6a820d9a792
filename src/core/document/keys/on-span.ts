import { keysOf } from '../../timing';
import { mapKeyed, withAllRetimed } from '../parts';
import type { Stroke } from '../schema';
import { shiftKeyed } from './spans';

/** From when to when a stroke is written on, in frames. */
export interface OnSpan {
  readonly from: number;
  readonly to: number;
}

/**
 * The frames in which a stroke is written on: from its first key to the first at which its ink is longest; of a window
 * that passes along, to where it has passed. Null where nothing of it is keyed.
 */
export function onSpan({ window }: Pick<Stroke, 'window'>): OnSpan | null {
  const heads = keysOf(window.head);
  const tails = window.travel ? [] : keysOf(window.tail);
  const all = [...heads, ...tails].map((key) => key.frame);
  if (all.length === 0) return null;
  const from = Math.min(...all);
  // Ink is longest where the head is furthest on and the tail furthest back, whichever comes later (the other way round
  // where ink lies outside them). What a first key holds has been so from the start.
  const arrival = (keys: readonly { frame: number; value: number }[], most: boolean): number => {
    if (keys.length < 2) return from;
    const best = keys.reduce((a, b) => ((most ? b.value > a.value : b.value < a.value) ? b : a));
    return best === keys[0] ? from : best.frame;
  };
  const outside = window.outside === true;
  const to = Math.max(arrival(heads, !outside), arrival(tails, outside));
  return { from, to: Math.max(to, from) };
}

/**
 * A stroke whose writing on takes other frames. What is keyed within is stretched along; what comes after stays where it is,
 * unless the writing would run into it: then it moves on, keeping its pace.
 */
export function withOnSpan(stroke: Stroke, to: OnSpan): Stroke {
  const now = onSpan(stroke);
  if (!now) return stroke;
  const length = now.to - now.from;
  if (length === 0) return shiftKeyed(stroke, to.from - now.from);
  const { window } = stroke;
  const later = ([window.head, window.tail, window.slide] as const)
    .flatMap((value) => keysOf(value).map((key) => key.frame))
    .filter((frame) => frame > now.to);
  const push = later.length > 0 ? Math.max(0, to.to + 1 - Math.min(...later)) : 0;
  const moved = (frame: number): number =>
    frame <= now.to ? to.from + ((frame - now.from) * (to.to - to.from)) / length : frame + push;
  return { ...stroke, ...mapKeyed({ window }, (value) => withAllRetimed(value, moved)) };
}
