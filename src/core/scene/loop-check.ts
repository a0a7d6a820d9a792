import { strokesOf, windowAt, type Piece, type Stroke } from '../document';
import { measurePath } from '../geometry';
import { inkedLengths, patternLength, runsOf } from '../ink';
import { valueAt } from '../timing';
import { dashesAt, inkMarks } from './ink-now';
import { momentOf, type Moment } from './moment';

/** A stroke that does not look the same when the piece begins again. */
export interface LoopGap {
  readonly stroke: Stroke;
  /** What of it differs: where its ink lies, or how it looks. */
  readonly differs: 'ink' | 'look';
  /** Pixels of path that are inked at one of the two moments and not at the other; 0 for a look. */
  readonly pixels: number;
}

/** Less than this differs is not seen, px. */
const SEEN = 0.5;

type Spans = readonly { readonly from: number; readonly to: number }[];

function spansAt(stroke: Stroke, frame: number): Spans {
  const length = Math.max(1, measurePath(stroke.path).length);
  return runsOf(windowAt(stroke, frame), stroke.path.closed).flatMap((run) => {
    const inked = inkedLengths(run, length, stroke.path.closed);
    if (!inked) return [];
    // On a closed path ink may pass the first point; the whole of it is the whole, wherever it begins.
    if (inked.to - inked.from >= length) return [{ from: 0, to: length }];
    return inked.to > length
      ? [
          { from: inked.from, to: length },
          { from: 0, to: inked.to - length },
        ]
      : [inked];
  });
}

const lengthOf = (spans: Spans): number => spans.reduce((sum, s) => sum + s.to - s.from, 0);
const shared = (a: Spans, b: Spans): number =>
  a.reduce(
    (sum, p) =>
      b.reduce((inner, q) => inner + Math.max(0, Math.min(p.to, q.to) - Math.max(p.from, q.from)), sum),
    0,
  );

/**
 * The strokes by which a loop is seen to jump: those that look otherwise one frame after the last than at the first. None
 * where the piece plays over and over without a seam.
 */
export function loopGaps(piece: Piece): LoopGap[] {
  return strokesOf(piece).flatMap((stroke): LoopGap[] => {
    if (stroke.hidden) return [];
    const [first, after] = [spansAt(stroke, 0), spansAt(stroke, piece.length)];
    const pixels = lengthOf(first) + lengthOf(after) - 2 * shared(first, after);
    if (pixels > SEEN) return [{ stroke, differs: 'ink', pixels }];
    if (lengthOf(first) <= SEEN) return [];
    const looks = [0, piece.length].map((frame) => lookAt(stroke, momentOf(piece, frame)));
    const same = looks[0]!.every((mark, i) => alike(mark, looks[1]![i]!));
    return same ? [] : [{ stroke, differs: 'look', pixels: 0 }];
  });
}

const alike = (a: number | string, b: number | string): boolean =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < 1e-6 : a === b;

/** All that an ink's look depends on; of a march only where in its pattern it stands. */
function lookAt({ ink, path }: Stroke, moment: Moment): (number | string)[] {
  const { dashes } = ink;
  const marks = inkMarks(dashes ? { ...ink, dashes: { ...dashes, flow: 'stay' } } : ink, moment);
  const now = dashes && dashesAt(dashes, valueAt(ink.width, moment.frame), measurePath(path).length, moment);
  if (!now) return [...marks];
  const period = patternLength(now.pattern);
  const turn = period > 0 ? now.phase / period : 0;
  // On a circle, so that just before a turn and just after it are near each other.
  return [...marks, Math.cos(2 * Math.PI * turn), Math.sin(2 * Math.PI * turn)];
}
