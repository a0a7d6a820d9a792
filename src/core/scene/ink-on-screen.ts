import { kept } from '../draw';
import { strokesOf, windowAt, type Piece, type Stroke } from '../document';
import { measurePath } from '../geometry';
import { inkedLengths, runsOf } from '../ink';

/** Pixels of a stroke's path under ink at a frame. A dot counts for one. */
export function inkedLength(stroke: Stroke, frame: number): number {
  const length = Math.max(1, measurePath(stroke.path).length);
  return runsOf(windowAt(stroke, frame), stroke.path.closed).reduce((sum, run) => {
    const inked = inkedLengths(run, length, stroke.path.closed);
    return sum + (inked ? inked.to - inked.from : 0);
  }, 0);
}

/** Whole frames spread evenly from the first of so many frames to the last. */
export const spreadFrames = (length: number, moments: number): number[] =>
  Array.from({ length: moments }, (_, i) => Math.round(((length - 1) * i) / Math.max(1, moments - 1)));

/**
 * Pixels of path under ink at so many spread frames, hidden strokes left out. A stroke that did not change is not reckoned
 * again.
 */
export function inkOverTime(piece: Pick<Piece, 'layers' | 'length'>, moments: number): Float64Array {
  const frames = spreadFrames(piece.length, moments);
  const sum = new Float64Array(moments);
  for (const stroke of strokesOf(piece)) {
    if (stroke.hidden) continue;
    const ink = kept(stroke, 'ink over time', [moments, piece.length], () =>
      Float64Array.from(frames, (frame) => inkedLength(stroke, frame)),
    );
    for (let i = 0; i < moments; i++) sum[i]! += ink[i]!;
  }
  return sum;
}
