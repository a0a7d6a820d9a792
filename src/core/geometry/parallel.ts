import { rememberedOf } from '../keep';
import { clamp } from '../numbers';
import { cornersOf } from './corners';
import { fitPath } from './fit';
import { measurePath, pointAtLength, tangentAtLength } from './measured-path';
import type { Path } from './path';
import { distance, type Point } from './point';

/** How far the parallel may be from the true one, px. */
const TOLERANCE = 0.15;
/** Parallels of one path that are kept: a distance that is dragged makes one after another. */
const MOST_OF_ONE = 24;
const setAsideBy = rememberedOf(MOST_OF_ONE, setAside);

/**
 * The path set aside by a distance, px: to the right of its direction where positive. Where the path bends tighter than
 * the distance, what would turn back is left out. Kept while the same path object lives.
 */
export function parallelPath(path: Path, aside: number): Path {
  if (aside === 0 || path.points.length < 2) return path;
  return setAsideBy(path, aside);
}

function setAside(path: Path, aside: number): Path {
  const m = measurePath(path);
  if (m.length === 0) return path;
  const count = clamp(Math.ceil(m.length / 3), 24, 1500);
  const beside = (s: number, t: Point): Point => {
    const p = pointAtLength(m, s);
    return { x: p.x - t.y * aside, y: p.y + t.x * aside };
  };
  const corners = cornersOf(path);
  const steps = Array.from({ length: path.closed ? count : count + 1 }, (_, i) => (i * m.length) / count);
  const spine = steps.map((s) => pointAtLength(m, s));
  const reach = Math.abs(aside) * (1 - 1e-3) - 0.02;
  const clear = (p: Point): boolean => spine.every((q) => distance(p, q) >= reach);
  const marked: { s: number; p: Point; corner: boolean }[] = steps
    .filter((s) => corners.every((corner) => Math.abs(corner.s - s) > 1e-3))
    .map((s) => ({ s, p: beside(s, tangentAtLength(m, s)), corner: false }))
    .filter(({ p }) => clear(p));
  for (const { s, into, out } of corners) {
    const [x, y] = [into.x + out.x, into.y + out.y];
    const size = Math.hypot(x, y);
    if (size < 0.3) continue;
    // The meeting point of both sides: further out by 1/cos of half the turn.
    const along = { x: x / size, y: y / size };
    const k = 1 / (along.x * out.x + along.y * out.y);
    const p = beside(s, { x: along.x * k, y: along.y * k });
    if (clear(p)) marked.push({ s, p, corner: true });
  }
  marked.sort((a, b) => a.s - b.s);
  if (marked.length < 2) return path;
  const places = marked.flatMap(({ corner }, i) => (corner ? [i] : []));
  return fitPath(
    marked.map(({ p }) => p),
    TOLERANCE,
    places,
    path.closed,
  );
}
