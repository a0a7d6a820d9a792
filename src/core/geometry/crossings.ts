import { clamp } from '../numbers';
import { measurePath, pointAtLength, tangentAtLength, type MeasuredPath } from './measured-path';
import type { Path } from './path';
import { distance } from './point';

/** Straight pieces that a path is looked at by: as long as this many px, within bounds of how many there are. */
const PIECE = 3;
const LEAST = 24;
const MOST = 1200;
/** So that nothing slips through where two pieces meet. */
const SLACK = 1e-9;
/** Paths that come no nearer than this lie along one another and do not cross, px. */
const MEET = 0.05;
/** Crossings nearer together than this are one, px. */
const SAME = 0.5;

interface Pieces {
  readonly m: MeasuredPath;
  readonly step: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
}

function piecesOf(path: Path): Pieces {
  const m = measurePath(path);
  const count = clamp(Math.ceil(m.length / PIECE), LEAST, MOST);
  const step = m.length / count;
  const [x, y] = [new Float64Array(count + 1), new Float64Array(count + 1)];
  for (let i = 0; i <= count; i++) {
    const p = pointAtLength(m, i * step);
    [x[i], y[i]] = [p.x, p.y];
  }
  return { m, step, x, y };
}

/** Two lengths at which paths come together, found exactly from nearly so: Newton's method on the distance between them. */
function exactly(a: MeasuredPath, b: MeasuredPath, s: number, t: number): [number, number] {
  for (let k = 0; k < 8; k++) {
    const [p, q] = [pointAtLength(a, s), pointAtLength(b, t)];
    const [u, v] = [tangentAtLength(a, s), tangentAtLength(b, t)];
    const [dx, dy] = [q.x - p.x, q.y - p.y];
    const turn = u.x * v.y - u.y * v.x;
    if (Math.abs(turn) < 1e-6 || Math.hypot(dx, dy) < 1e-9) break;
    s = clamp(s + (dx * v.y - dy * v.x) / turn, 0, a.length);
    t = clamp(t + (dx * u.y - dy * u.x) / turn, 0, b.length);
  }
  return [s, t];
}

/**
 * Where a path is crossed by another, as lengths from its start (px) in their order; where it crosses itself if that is the same
 * path. A path that only touches, or lies along the other, is not crossed.
 */
export function crossings(path: Path, other: Path): number[] {
  const [a, b] = [piecesOf(path), piecesOf(other)];
  const isSelf = path === other;
  const found: number[] = [];
  const add = (s: number): void => {
    // Where a closed path ends it begins.
    const at = path.closed && a.m.length - s < SAME ? 0 : s;
    if (found.every((known) => Math.abs(known - at) > SAME)) found.push(at);
  };
  for (let i = 0; i + 1 < a.x.length; i++) {
    const [x0, y0, x1, y1] = [a.x[i]!, a.y[i]!, a.x[i + 1]!, a.y[i + 1]!];
    const [left, right] = x0 < x1 ? [x0, x1] : [x1, x0];
    const [top, bottom] = y0 < y1 ? [y0, y1] : [y1, y0];
    for (let j = isSelf ? i + 2 : 0; j + 1 < b.x.length; j++) {
      // The ends of a closed path are neighbours.
      if (isSelf && path.closed && i === 0 && j + 2 === b.x.length) continue;
      const [u0, v0, u1, v1] = [b.x[j]!, b.y[j]!, b.x[j + 1]!, b.y[j + 1]!];
      if ((u0 < left && u1 < left) || (u0 > right && u1 > right)) continue;
      if ((v0 < top && v1 < top) || (v0 > bottom && v1 > bottom)) continue;
      const turn = (x1 - x0) * (v1 - v0) - (y1 - y0) * (u1 - u0);
      if (turn === 0) continue;
      const s = ((u0 - x0) * (v1 - v0) - (v0 - y0) * (u1 - u0)) / turn;
      const t = ((u0 - x0) * (y1 - y0) - (v0 - y0) * (x1 - x0)) / turn;
      if (s < -SLACK || s > 1 + SLACK || t < -SLACK || t > 1 + SLACK) continue;
      const [at, there] = exactly(a.m, b.m, (i + s) * a.step, (j + t) * b.step);
      if (distance(pointAtLength(a.m, at), pointAtLength(b.m, there)) > MEET) continue;
      add(at);
      if (isSelf) add(there);
    }
  }
  return found.sort((p, q) => p - q);
}
