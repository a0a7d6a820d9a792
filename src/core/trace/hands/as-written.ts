import { measurePath, placeAtLength, splitPath, withFirstPoint } from '../../geometry';
import { widthShareAt, type WidthShare } from '../../ink';
import type { TracedStroke } from '../lines';
import { backward, goesBackward, ringStart, type WritingDirection } from '../order';

/** A stroke gone through the other way. */
export const turnedRound = (stroke: TracedStroke): TracedStroke => ({
  ...backward(stroke),
  cap: stroke.endCap,
  endCap: stroke.cap,
  freeStart: stroke.freeEnd,
  freeEnd: stroke.freeStart,
});

/** Turns a stroke round where a hand would write it the other way; a ring begins where it would. */
export function asWritten(stroke: TracedStroke, direction: WritingDirection): TracedStroke {
  if (stroke.path.points.length < 2) return stroke;
  const gone = goesBackward(stroke.path, direction) ? turnedRound(stroke) : stroke;
  if (!gone.path.closed) return gone;
  const first = ringStart(gone.path, direction);
  const m = measurePath(gone.path);
  const widths = gone.widths && first > 0 ? begunAt(gone.widths, m.starts[first]! / m.length) : gone.widths;
  return { ...gone, path: withFirstPoint(gone.path, first), widths };
}

/** Widths round a ring, counted from another place on it. */
function begunAt(widths: readonly WidthShare[], start: number): WidthShare[] {
  const scale = widthShareAt(widths, start);
  const turned = widths
    .map((w) => ({ ...w, at: (w.at - start + 1) % 1 }))
    .filter((w) => w.at > 1e-6 && w.at < 1 - 1e-6)
    .sort((a, b) => a.at - b.at);
  return [{ at: 0, scale }, ...turned, { at: 1, scale }];
}

/** A ring opened at a length from its start, with its widths. */
export function ringOpened<T extends Pick<TracedStroke, 'path' | 'widths'>>(ring: T, s: number): T {
  const m = measurePath(ring.path);
  const [path] = splitPath(ring.path, placeAtLength(m, s));
  return { ...ring, path: path!, widths: ring.widths && begunAt(ring.widths, s / (m.length || 1)) };
}
