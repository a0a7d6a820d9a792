import { measurePath } from '../../geometry';
import type { InkWindow } from '../../ink';
import { keysOf, pacedShare, paceTable, valueAt, type PaceTable } from '../../timing';
import type { Stroke, WindowKeys } from '../schema';

/** Head and tail of a travelling window at a frame, as shares of the length. */
function travelling(window: WindowKeys, length: number, table: PaceTable | null, frame: number) {
  const paced = (at: number): number => {
    const progress = valueAt(window.head, at);
    return table ? pacedShare(table, progress) : progress;
  };
  const { length: own, unit } = window.travel!;
  const value = valueAt(own, frame);
  const gone = paced(frame);
  if (unit === 'frames') return { head: gone, tail: paced(frame - value) };
  const share = unit === 'share' ? value : length > 0 ? value / length : 0;
  const head = gone * (1 + share);
  return { head, tail: head - share };
}

/**
 * The inked window that keys give at a frame (fractions allowed), as shares of the length.
 * @param length of the path, px.
 * @param table how progress is spread along the path; null where evenly.
 */
export function windowOf(
  window: WindowKeys,
  length: number,
  table: PaceTable | null,
  frame: number,
): InkWindow {
  const slide = valueAt(window.slide, frame);
  const outside = window.outside && ({ outside: true } as const);
  if (window.travel) return { ...travelling(window, length, table, frame), slide, ...outside };
  const [head, tail] = [valueAt(window.head, frame), valueAt(window.tail, frame)];
  return table
    ? { head: pacedShare(table, head), tail: pacedShare(table, tail), slide, ...outside }
    : { head, tail, slide, ...outside };
}

const tableOf = (stroke: Stroke): PaceTable | null =>
  stroke.pace ? paceTable(stroke.path, stroke.pace, stroke.hand?.pace) : null;

/** Head, tail and slide of a stroke at a frame (frames may be fractions), as shares of its length: pace is reckoned in. */
export const windowAt = (stroke: Stroke, frame: number): InkWindow =>
  windowOf(
    stroke.window,
    stroke.window.travel?.unit === 'px' ? measurePath(stroke.path).length : 0,
    tableOf(stroke),
    frame,
  );

/** The last frame at which a window still changes; −Infinity where nothing of it is keyed. */
export function lastChange({ head, tail, slide, travel }: WindowKeys): number {
  const last = (value: WindowKeys['head']): number => keysOf(value).at(-1)?.frame ?? -Infinity;
  const trailing = travel?.unit === 'frames' ? Math.max(0, valueAt(travel.length, last(head))) : 0;
  const own = travel ? last(travel.length) : -Infinity;
  return Math.max(last(head) + trailing, last(tail), last(slide), own);
}
