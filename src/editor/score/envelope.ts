import { windowAt } from '@/core/scene';
import { keysOf } from '@/core/timing';
import type { Stroke } from '@/core/document';
import { frameAt, xOf, type TimeScale } from './time-scale';

/** Height of a lane and the room above and below the envelope, px. */
export const LANE = { height: 27, pad: 3 } as const;

const yOf = (value: number): number =>
  LANE.height - LANE.pad - Math.min(1, Math.max(0, value)) * (LANE.height - 2 * LANE.pad);

export { yOf as laneY };

/** Frames at which the lines are evaluated: one for each pixel, and the keys themselves with the moment before them. */
function columns(scale: TimeScale, stroke: Stroke, from: number, to: number): number[] {
  const frames: number[] = [];
  const x0 = Math.max(0, Math.floor(xOf(scale, from)));
  const x1 = Math.min(scale.width, Math.ceil(xOf(scale, to)));
  for (let x = x0; x <= x1; x++) frames.push(Math.min(to, Math.max(from, frameAt(scale, x))));
  for (const part of ['head', 'tail'] as const) {
    for (const { frame } of keysOf(stroke.window[part])) {
      if (frame >= from && frame <= to) frames.push(frame - 1e-6, frame);
    }
  }
  return frames.sort((a, b) => a - b);
}

const points = (frames: readonly number[], scale: TimeScale, value: (frame: number) => number): string[] =>
  frames.map((frame) => `${xOf(scale, frame).toFixed(2)} ${yOf(value(frame)).toFixed(2)}`);

/** The line of head or tail between its first and last key, as an SVG path; empty where it does not move. */
function edge(scale: TimeScale, stroke: Stroke, part: 'head' | 'tail'): string {
  const keys = keysOf(stroke.window[part]);
  if (keys.length < 2) return '';
  const frames = columns(scale, stroke, keys[0]!.frame, keys.at(-1)!.frame);
  return frames.length < 2 ? '' : `M${points(frames, scale, (f) => windowAt(stroke, f)[part]).join('L')}`;
}

/** The ink on screen over time: the area between head and tail, and the two lines themselves. */
export function envelope(
  scale: TimeScale,
  stroke: Stroke,
  length: number,
): { area: string; head: string; tail: string } {
  const frames = columns(scale, stroke, 0, length - 1);
  const shown = new Map(frames.map((frame) => [frame, windowAt(stroke, frame)]));
  // Where head and tail have crossed nothing shows, and the area has no height.
  const upper = points(frames, scale, (f) => Math.max(shown.get(f)!.head, shown.get(f)!.tail));
  const lower = points(frames, scale, (f) => shown.get(f)!.tail).reverse();
  return {
    area: frames.length < 2 ? '' : `M${[...upper, ...lower].join('L')}Z`,
    head: edge(scale, stroke, 'head'),
    tail: edge(scale, stroke, 'tail'),
  };
}
