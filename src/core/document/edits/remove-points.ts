import {
  fitCubic,
  measurePath,
  norm,
  pointAtLength,
  scale,
  tangentAtLength,
  type Path,
  type PathPoint,
  type Point,
} from '../../geometry';
import { clamp } from '../../numbers';
import { greatestDeviation } from './simplify';

/**
 * Takes points out and bends what is left to where the line was: each gap is fitted anew with one cubic between its
 * neighbours, in their directions.
 * @returns null when nothing would be left.
 */
export function removePoints(path: Path, indices: readonly number[]): Path | null {
  const n = path.points.length;
  const gone = new Set(indices);
  const kept = path.points.map((_, i) => i).filter((i) => !gone.has(i));
  if (kept.length === 0) return null;
  if (kept.length === 1 || !indices.some((i) => path.closed || (i > 0 && i < n - 1))) {
    const points = kept.map((i) => path.points[i]!);
    return { closed: path.closed && points.length > 1, points };
  }
  const m = measurePath(path);
  const points: PathPoint[] = kept.map((i) => ({ ...path.points[i]! }));
  const pairs = kept.map((a, k) => [k, a, kept[(k + 1) % kept.length]!] as const);
  for (const [k, a, b] of pairs) {
    const last = k === kept.length - 1;
    if (last && !path.closed) break;
    const span = (b - a + n) % n || n;
    if (span === 1) continue;
    const from = m.starts[a]!;
    const length = Array.from({ length: span }, (_, i) => m.segments[(a + i) % n]!.length).reduce(
      (x, y) => x + y,
      0,
    );
    if (length === 0) continue;
    const at = (s: number): number => (path.closed && s > m.length ? s - m.length : s);
    const samples = Array.from({ length: 33 }, (_, i) => pointAtLength(m, at(from + (length * i) / 32)));
    const next = (k + 1) % kept.length;
    const [p, q] = [path.points[a]!, path.points[b]!];
    const handles = bestHandles(samples, p, q, [
      fittedHandles(
        samples,
        tangentAtLength(m, at(from + 1e-6 * length)),
        tangentAtLength(m, at(from + length * (1 - 1e-6))),
      ),
      // What a point was put into comes out again without a trace: the handles it shortened grow back.
      ...(span === 2 ? stretchedHandles(path.points[(a + 1) % n]!, p, q) : []),
    ]);
    points[k] = { ...points[k]!, out: handles.out };
    points[next] = { ...points[next]!, in: handles.in };
  }
  return { closed: path.closed && points.length > 1, points };
}

interface Handles {
  readonly out: Point;
  readonly in: Point;
}

function fittedHandles(samples: readonly Point[], leaving: Point, arriving: Point): Handles {
  const c = fitCubic(samples, leaving, scale(arriving, -1));
  return { out: { x: c[2] - c[0], y: c[3] - c[1] }, in: { x: c[4] - c[6], y: c[5] - c[7] } };
}

/** Where a smooth point split one curve in two, its own handles tell at which share; none where it did not. */
function stretchedHandles(gone: PathPoint, before: PathPoint, after: PathPoint): Handles[] {
  const total = norm(gone.in) + norm(gone.out);
  if (gone.kind === 'corner' || total === 0) return [];
  const share = clamp(norm(gone.in) / total, 0.05, 0.95);
  return [{ out: scale(before.out, 1 / share), in: scale(after.in, 1 / (1 - share)) }];
}

/** The handles with which one curve stays nearest to samples of what was there. */
function bestHandles(
  samples: readonly Point[],
  p: PathPoint,
  q: PathPoint,
  all: readonly Handles[],
): Handles {
  const off = (handles: Handles): number => {
    const path: Path = {
      closed: false,
      points: [
        { ...p, out: handles.out },
        { ...q, in: handles.in },
      ],
    };
    return greatestDeviation(path, samples);
  };
  return all.map((handles) => ({ handles, off: off(handles) })).reduce((a, b) => (b.off < a.off ? b : a))
    .handles;
}
