import { widestOf, worldOf, type Layer, type Lettering, type Piece } from '@/core/document';
import {
  applyMatrix,
  commandsBounds,
  distance,
  inverse,
  nearestPlace,
  norm,
  pathBounds,
  type PathPlace,
  type Path,
  type Point,
} from '@/core/geometry';
import { partOutlines, variedAt } from '@/core/scene';
import { boundsNow, standing, toOwn } from './standing';
import { toPiece, toScreen, type View } from './view';

/** A pointer within this many CSS pixels takes hold. */
export const REACH = 8;

export interface HandleHit {
  readonly index: number;
  readonly side: 'in' | 'out';
}

const far = (at: Point, view: View, p: Point): number => distance(at, toScreen(view, p));

/** The handle of a shown point that is under the pointer (CSS px). */
export function handleAt(path: Path, shown: readonly number[], at: Point, view: View): HandleHit | null {
  for (const index of shown) {
    const p = path.points[index];
    if (!p) continue;
    for (const side of ['out', 'in'] as const) {
      if (norm(p[side]) === 0) continue;
      if (far(at, view, { x: p.x + p[side].x, y: p.y + p[side].y }) <= REACH) return { index, side };
    }
  }
  return null;
}

/** The point of a path under the pointer: the nearest within reach. */
export function pointAt(path: Path, at: Point, view: View): number | null {
  let best: number | null = null;
  let least = REACH;
  path.points.forEach((p, i) => {
    const d = far(at, view, p);
    if (d <= least) {
      least = d;
      best = i;
    }
  });
  return best;
}

/** The place on a path under the pointer. */
export function placeOn(path: Path, at: Point, view: View): PathPlace | null {
  const found = nearestPlace(path, toPiece(view, at));
  return found && found.distance * view.zoom <= REACH ? found : null;
}

/** Of a text, where the letter begins whose box is under the pointer; null where none is. */
export function letterAt(
  piece: Piece,
  lettering: Lettering,
  at: Point,
  view: View,
  frame: number,
): number | null {
  const back = inverse(worldOf(piece, lettering, frame));
  if (!back) return null;
  const p = applyMatrix(back, toPiece(view, at));
  const found = partOutlines(variedAt(lettering, frame)).findIndex((outline) => {
    const box = commandsBounds(outline);
    return box && p.x >= box.left && p.x <= box.right && p.y >= box.top && p.y <= box.bottom;
  });
  return lettering.set.glyphs[found]?.cluster ?? null;
}

/** The topmost visible layer under the pointer: a stroke by its ink or within reach of its path, art by its frame. */
export function layerAt(piece: Piece, at: Point, view: View): Layer | null {
  const p = toPiece(view, at);
  const holds = (bounds: ReturnType<typeof pathBounds>, by: number, q: Point): boolean =>
    bounds !== null &&
    q.x >= bounds.left - by &&
    q.x <= bounds.right + by &&
    q.y >= bounds.top - by &&
    q.y <= bounds.bottom + by;
  for (const layer of [...piece.layers].reverse()) {
    if (layer.hidden) continue;
    if (layer.type !== 'stroke') {
      if (!layer.locked && holds(boundsNow(layer), 0, toOwn(layer, p))) return layer;
      continue;
    }
    const reach = Math.max(REACH / view.zoom, widestOf(layer.ink) / 2);
    const { path } = standing(layer);
    if (!holds(pathBounds(path), reach, p)) continue;
    const found = nearestPlace(path, p);
    const away = found ? found.distance : distance(path.points[0]!, p);
    if (away <= reach) return layer;
  }
  return null;
}
