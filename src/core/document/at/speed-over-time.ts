import { measurePath } from '../../geometry';
import { onSpan } from '../keys';
import type { Stroke } from '../schema';
import { windowAt } from './window-at';

/** Moments at which speed is read. */
const MOMENTS = 160;

/**
 * How fast heads move along strokes that write themselves on, together: px a second, at moments (frames) from the first that
 * begins to the last that arrives. Each is the mean over the step to the next moment.
 */
export function speedOverTime(
  strokes: readonly Stroke[],
  framesPerSecond: number,
): { readonly frame: number; readonly speed: number }[] {
  const spans = strokes.flatMap((stroke) => {
    const span = onSpan(stroke);
    return span ? [{ stroke, ...span }] : [];
  });
  if (spans.length === 0) return [];
  const first = Math.min(...spans.map(({ from }) => from));
  const last = Math.max(...spans.map(({ to }) => to));
  const step = Math.max(0.25, (last - first) / MOMENTS);
  const sums = new Float64Array(Math.floor((last - first) / step) + 1);
  for (const { stroke, from, to } of spans) {
    const { length } = measurePath(stroke.path);
    const a = Math.max(0, Math.floor((from - first) / step));
    const b = Math.min(sums.length - 1, Math.ceil((to - first) / step));
    let before = windowAt(stroke, first + a * step).head;
    for (let i = a; i <= b; i++) {
      const { head } = windowAt(stroke, first + (i + 1) * step);
      sums[i]! += (Math.abs(head - before) * length * framesPerSecond) / step;
      before = head;
    }
  }
  return Array.from(sums, (speed, i) => ({ frame: first + i * step, speed }));
}
