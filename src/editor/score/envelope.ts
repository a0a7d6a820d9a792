import { lastChange, type WindowKeys } from '@/core/document';
import type { InkWindow } from '@/core/ink';
import { clamp } from '@/core/numbers';
import { keysOf } from '@/core/timing';
import type { LaneOwner } from './lane-owner';
import { frameAt, xOf, type TimeScale } from './time-scale';

/** The room above and below the envelope, px. */
export const PAD = 3;

/** Where a share of the path lies in a lane of a height: px from its top. */
export const laneY = (lane: number, value: number): number =>
  lane - PAD - clamp(value, 0, 1) * (lane - 2 * PAD);

/** Distance of the places at which lines are evaluated, px: between them they are straight. While they are dragged less will do. */
export const APART = { still: 1.4, dragged: 4 } as const;

/** Frames at which lines are evaluated: evenly spread, and the keys given with the moment before them. */
export function columns(
  scale: TimeScale,
  keys: readonly number[],
  from: number,
  to: number,
  apart: number = APART.still,
): number[] {
  const frames: number[] = [];
  const x0 = Math.max(0, Math.floor(xOf(scale, from)));
  const x1 = Math.min(scale.width, Math.ceil(xOf(scale, to)));
  for (let x = x0; x < x1 + apart; x += apart) frames.push(clamp(frameAt(scale, x), from, to));
  for (const frame of keys) if (frame >= from && frame <= to) frames.push(frame - 1e-6, frame);
  return frames.sort((a, b) => a - b);
}

/** The frames at which a window must be evaluated: all columns while something of it moves, else where it begins and ends to rest. */
function windowColumns(
  scale: TimeScale,
  window: WindowKeys,
  from: number,
  to: number,
  apart: number,
): number[] {
  if (window.travel)
    return columns(
      scale,
      keysOf(window.head).map((key) => key.frame),
      from,
      to,
      apart,
    );
  const frames = new Set<number>([from, to]);
  for (const value of [window.head, window.tail]) {
    keysOf(value).forEach((key, i, all) => {
      const next = all[i + 1];
      for (const at of [key.frame - 1e-6, key.frame]) if (at >= from && at <= to) frames.add(at);
      // Between two keys of the same value every curve rests.
      if (!next || next.value === key.value) return;
      const [a, b] = [Math.max(from, key.frame), Math.min(to, next.frame)];
      if (b > a) for (const frame of columns(scale, [], a, b, apart)) frames.add(frame);
    });
  }
  return [...frames].sort((a, b) => a - b);
}

const points = (frames: readonly number[], scale: TimeScale, value: (frame: number) => number): string[] =>
  frames.map((frame) => `${xOf(scale, frame).toFixed(2)} ${laneY(scale.lane, value(frame)).toFixed(2)}`);

/** The line of head or tail while it moves, as an SVG path; empty where it does not. */
function edge(
  scale: TimeScale,
  own: WindowKeys,
  part: 'head' | 'tail',
  window: (frame: number) => InkWindow,
  apart: number,
): string {
  const follows = part === 'tail' && own.travel !== undefined;
  const keys = keysOf(follows ? own.head : own[part]);
  if (keys.length < 2) return '';
  const to = follows ? lastChange(own) : keys.at(-1)!.frame;
  const frames = windowColumns(scale, own, keys[0]!.frame, to, apart);
  return frames.length < 2 ? '' : `M${points(frames, scale, (f) => window(f)[part]).join('L')}`;
}

/** The ink on screen over time: the area between head and tail (or outside them), and the two lines themselves. */
export function envelope(
  scale: TimeScale,
  owner: LaneOwner,
  length: number,
  apart: number,
): { area: string; head: string; tail: string } {
  const keys = owner.keyed.window;
  const inkAt = owner.window;
  if (!keys || !inkAt) return { area: '', head: '', tail: '' };
  const frames = windowColumns(scale, keys, 0, length - 1, apart);
  const shown = new Map(frames.map((frame) => [frame, inkAt(frame)]));
  const window = (frame: number): InkWindow => shown.get(frame) ?? inkAt(frame);
  const between = (low: (f: number) => number, high: (f: number) => number): string => {
    // Where the upper line has crossed the lower nothing shows, and the area has no height.
    const upper = points(frames, scale, (f) => Math.max(high(f), low(f)));
    return `M${[...upper, ...points(frames, scale, low).reverse()].join('L')}Z`;
  };
  const at = (part: 'head' | 'tail') => (f: number) => window(f)[part];
  const outside = keys.outside === true;
  const area =
    frames.length < 2
      ? ''
      : outside
        ? between(() => 0, at('tail')) + between(at('head'), () => 1)
        : between(at('tail'), at('head'));
  return {
    area,
    head: edge(scale, keys, 'head', window, apart),
    tail: edge(scale, keys, 'tail', window, apart),
  };
}
