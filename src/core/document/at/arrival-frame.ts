import { lengthAtPlace, measurePath, nearestPlace } from '../../geometry';
import { firstReach, paceTable, progressAt } from '../../timing';
import { keyedSpan, onSpan } from '../keys';
import type { Cue, Stroke } from '../schema';
import { lastChange, windowAt } from './window-at';

/** Looks at a travelling window so many times a frame, then halves down. */
const LOOKS = 4;
/** And so often in all: of keys that lie a day apart nobody tells quarters of a frame. */
const MOST_LOOKS = 100_000;

/** When an end of a travelling window first reaches a share of the length. */
function travelArrival(stroke: Stroke, part: Cue['part'], at: number): number | null {
  const span = keyedSpan(stroke);
  if (!span) return null;
  const reached = (frame: number): boolean => windowAt(stroke, frame)[part] >= at;
  const last = lastChange(stroke.window);
  const step = Math.max(1 / LOOKS, (last - span.first) / MOST_LOOKS);
  for (let low = span.first, high = low; high <= last; low = high, high += step) {
    if (!reached(high)) continue;
    for (let step = 0; step < 30 && high > low; step++) {
      const middle = (low + high) / 2;
      if (reached(middle)) high = middle;
      else low = middle;
    }
    return high;
  }
  return null;
}

/** The frame (a fraction) at which a part of a stroke first reaches a share of its length; null where it never does. */
export function arrivalFrame(stroke: Stroke, part: Cue['part'], at: number): number | null {
  if (stroke.window.travel) return travelArrival(stroke, part, at);
  const table = stroke.pace ? paceTable(stroke.path, stroke.pace, stroke.hand?.pace) : null;
  return firstReach(stroke.window[part], table ? progressAt(table, at) : at);
}

/** The share of a stroke's length that lies nearest to where another stroke begins. */
export function nearestShare(leader: Stroke, follower: Stroke): number {
  const place = nearestPlace(leader.path, follower.path.points[0]!);
  const m = measurePath(leader.path);
  return place && m.length > 0 ? Math.round((lengthAtPlace(m, place) / m.length) * 1e4) / 1e4 : 0;
}

/** Of several strokes the one that comes nearest to where another begins. */
export function nearestOf(leaders: readonly Stroke[], follower: Stroke): Stroke | undefined {
  const begins = follower.path.points[0]!;
  let best: Stroke | undefined;
  let least = Infinity;
  for (const leader of leaders) {
    const place = nearestPlace(leader.path, begins);
    if (place && place.distance < least) [best, least] = [leader, place.distance];
  }
  return best;
}

/** The moment of a stroke that its cue ties: its start, or its arrival. */
export function tiedMoment(stroke: Stroke): number | null {
  const span = onSpan(stroke);
  return span && (stroke.cue?.ties === 'arrival' ? span.to : span.from);
}
