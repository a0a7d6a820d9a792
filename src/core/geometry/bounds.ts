import type { PathCommand } from './commands';
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

/** A rectangle that surely holds drawing commands: around all their points; null where there are none. */
export function commandsBounds(commands: readonly PathCommand[]): Bounds | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const command of commands) {
    for (let i = 1; i + 1 < command.length; i += 2) {
      const x = command[i] as number;
      const y = command[i + 1] as number;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  }
  return left <= right ? { left, top, right, bottom } : null;
}

export const widened = (b: Bounds, by: number): Bounds => ({
  left: b.left - by,
  top: b.top - by,
  right: b.right + by,
  bottom: b.bottom + by,
});

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
