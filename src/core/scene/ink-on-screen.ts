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

/** Pixels of path under ink at a frame, hidden strokes left out. */
export const inkOnScreen = (piece: Piece, frame: number): number =>
  strokesOf(piece).reduce((sum, stroke) => (stroke.hidden ? sum : sum + inkedLength(stroke, frame)), 0);

const kept = new WeakMap<Stroke, { readonly key: string; readonly ink: Float64Array }>();

/** Ink on screen at evenly spread moments from the first frame to the last; a stroke that did not change is not reckoned again. */
export function inkOverTime(piece: Pick<Piece, 'layers' | 'length'>, moments: number): Float64Array {
  const sum = new Float64Array(moments);
  const key = `${moments} ${piece.length}`;
  for (const stroke of strokesOf(piece)) {
    if (stroke.hidden) continue;
    let own = kept.get(stroke);
    if (own?.key !== key) {
      const at = (i: number): number => ((piece.length - 1) * i) / Math.max(1, moments - 1);
      own = { key, ink: Float64Array.from({ length: moments }, (_, i) => inkedLength(stroke, at(i))) };
      kept.set(stroke, own);
    }
    for (let i = 0; i < moments; i++) sum[i]! += own.ink[i]!;
  }
  return sum;
}
