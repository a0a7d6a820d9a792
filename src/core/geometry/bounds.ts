import { segmentCount, segmentCubic, type Path } from './path';

/** An axis-parallel rectangle in piece pixels. */
export interface Bounds {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The rectangle around all of them, or null for none. */
export function unite(all: readonly Bounds[]): Bounds | null {
  if (all.length === 0) return null;
  return {
    left: Math.min(...all.map((b) => b.left)),
    top: Math.min(...all.map((b) => b.top)),
    right: Math.max(...all.map((b) => b.right)),
    bottom: Math.max(...all.map((b) => b.bottom)),
  };
}

/** A rectangle that surely holds the path: around its points and handles (the hull of its curves). */
export function pathBounds(path: Path): Bounds | null {
  const xs = path.points.map((p) => p.x);
  const ys = path.points.map((p) => p.y);
  for (let i = 0; i < segmentCount(path); i++) {
    const c = segmentCubic(path, i);
    xs.push(c[2], c[4]);
    ys.push(c[3], c[5]);
  }
  if (xs.length === 0) return null;
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
}
