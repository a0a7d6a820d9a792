import { lastChange } from '@/core/document';
import { keysOf } from '@/core/timing';
import type { LaneOwner } from './lane-owner';
import { frameAt, xOf, type TimeScale } from './time-scale';

/** Height of a lane and the room above and below the envelope, px. */
export const LANE = { height: 27, pad: 3 } as const;

const yOf = (value: number): number =>
  LANE.height - LANE.pad - Math.min(1, Math.max(0, value)) * (LANE.height - 2 * LANE.pad);

export { yOf as laneY };

/** Frames at which lines are evaluated: one for each pixel, and the keys given with the moment before them. */
export function columns(scale: TimeScale, keys: readonly number[], from: number, to: number): number[] {
  const frames: number[] = [];
  const x0 = Math.max(0, Math.floor(xOf(scale, from)));
  const x1 = Math.min(scale.width, Math.ceil(xOf(scale, to)));
  for (let x = x0; x <= x1; x++) frames.push(Math.min(to, Math.max(from, frameAt(scale, x))));
  for (const frame of keys) if (frame >= from && frame <= to) frames.push(frame - 1e-6, frame);
  return frames.sort((a, b) => a - b);
}

const points = (frames: readonly number[], scale: TimeScale, value: (frame: number) => number): string[] =>
  frames.map((frame) => `${xOf(scale, frame).toFixed(2)} ${yOf(value(frame)).toFixed(2)}`);

/** The line of head or tail while it moves, as an SVG path; empty where it does not. */
function edge(
  scale: TimeScale,
  { keyed, window }: LaneOwner,
  part: 'head' | 'tail',
  all: readonly number[],
): string {
  const own = keyed.window;
  const follows = part === 'tail' && own.travel !== undefined;
  const keys = keysOf(follows ? own.head : own[part]);
  if (keys.length < 2) return '';
  const to = follows ? lastChange(own) : keys.at(-1)!.frame;
  const frames = columns(scale, all, keys[0]!.frame, to);
  return frames.length < 2 ? '' : `M${points(frames, scale, (f) => window(f)[part]).join('L')}`;
}

/** The ink on screen over time: the area between head and tail (or outside them), and the two lines themselves. */
export function envelope(
  scale: TimeScale,
  owner: LaneOwner,
  length: number,
): { area: string; head: string; tail: string } {
  const { head, tail } = owner.keyed.window;
  const keys = [head, tail].flatMap((value) => keysOf(value).map((key) => key.frame));
  const frames = columns(scale, keys, 0, length - 1);
  const shown = new Map(frames.map((frame) => [frame, owner.window(frame)]));
  const between = (low: (f: number) => number, high: (f: number) => number): string => {
    // Where the upper line has crossed the lower nothing shows, and the area has no height.
    const upper = points(frames, scale, (f) => Math.max(high(f), low(f)));
    return `M${[...upper, ...points(frames, scale, low).reverse()].join('L')}Z`;
  };
  const at = (part: 'head' | 'tail') => (f: number) => shown.get(f)![part];
  const outside = owner.keyed.window.outside === true;
  const area =
    frames.length < 2
      ? ''
      : outside
        ? between(() => 0, at('tail')) + between(at('head'), () => 1)
        : between(at('tail'), at('head'));
  return { area, head: edge(scale, owner, 'head', keys), tail: edge(scale, owner, 'tail', keys) };
}
