import type { Bounds, Path, Point } from '../geometry';
import { distance, nearestPlace, pathBounds } from '../geometry';

/** What a place can be drawn to, with words for it. Lines run across the whole piece. */
export interface SnapTargets {
  readonly points: readonly (Point & { readonly says: string })[];
  readonly paths: readonly Path[];
  /** Upright (`x`) and level (`y`) lines. */
  readonly lines: readonly { readonly axis: 'x' | 'y'; readonly at: number; readonly says: string }[];
  /** Distance of the grid's lines, px; null without a grid. */
  readonly grid: number | null;
}

/** A place drawn to something: where, to what, and the hairlines that show it. */
export interface Snapped {
  readonly point: Point;
  readonly says: string;
  readonly hairlines: readonly (readonly [Point, Point])[];
}

/**
 * Draws a place to what lies within reach: points first, then paths, then lines of guides, grid and other points, each
 * axis by itself.
 * @param reach piece pixels.
 * @param size of the piece, for the ends of hairlines.
 */
export function snap(
  to: Point,
  targets: SnapTargets,
  reach: number,
  size: { width: number; height: number },
): Snapped | null {
  const near = nearestOf(targets.points, (p) => distance(p, to), reach);
  if (near) return { point: { x: near.x, y: near.y }, says: near.says, hairlines: [] };
  let best: { point: Point; distance: number } | null = null;
  for (const path of targets.paths) {
    const bounds = pathBounds(path);
    if (!bounds || !within(to, bounds, reach)) continue;
    const found = nearestPlace(path, to);
    if (found && found.distance <= Math.min(reach, best?.distance ?? Infinity)) best = found;
  }
  if (best) return { point: best.point, says: 'path', hairlines: [] };
  const lines = [...targets.lines, ...gridLines(to, targets.grid)];
  const found = (['x', 'y'] as const).map((axis) =>
    nearestOf(
      lines.filter((line) => line.axis === axis),
      (line) => Math.abs(line.at - to[axis]),
      reach,
    ),
  );
  const [x, y] = found;
  if (!x && !y) return null;
  const point = { x: x?.at ?? to.x, y: y?.at ?? to.y };
  const hairlines: [Point, Point][] = [];
  if (x)
    hairlines.push([
      { x: x.at, y: 0 },
      { x: x.at, y: size.height },
    ]);
  if (y)
    hairlines.push([
      { x: 0, y: y.at },
      { x: size.width, y: y.at },
    ]);
  return { point, says: [...new Set([x?.says, y?.says].filter(Boolean))].join(', '), hairlines };
}

const within = (p: Point, b: Bounds, by: number): boolean =>
  p.x >= b.left - by && p.x <= b.right + by && p.y >= b.top - by && p.y <= b.bottom + by;

function nearestOf<T>(all: readonly T[], away: (one: T) => number, reach: number): T | null {
  let best: T | null = null;
  let least = reach;
  for (const one of all) {
    const d = away(one);
    if (d <= least) {
      least = d;
      best = one;
    }
  }
  return best;
}

const gridLines = (to: Point, grid: number | null): SnapTargets['lines'] =>
  grid === null
    ? []
    : (['x', 'y'] as const).map((axis) => ({ axis, at: Math.round(to[axis] / grid) * grid, says: 'grid' }));

/** Multiples of this turn are angles to snap to. */
const STEP = Math.PI / 12;
const NEAR = (2.2 * Math.PI) / 180;

/** The place on the nearest multiple of 15° from another place, where the direction is within two degrees of it. */
export function snapAngle(from: Point, to: Point): Snapped | null {
  const length = distance(from, to);
  const angle = Math.atan2(to.y - from.y, to.x - from.x);
  const nearest = Math.round(angle / STEP) * STEP;
  if (length === 0 || Math.abs(angle - nearest) > NEAR) return null;
  const point = { x: from.x + Math.cos(nearest) * length, y: from.y + Math.sin(nearest) * length };
  const degrees = Math.round((-nearest * 180) / Math.PI);
  return { point, says: `${degrees === -180 ? 180 : degrees + 0}°`, hairlines: [[from, point]] };
}
