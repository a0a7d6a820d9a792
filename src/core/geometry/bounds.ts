import type { Point } from './point';
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

/** Whether two rectangles have more than an edge in common. */
export const boundsMeet = (a: Bounds, b: Bounds): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

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

/** Parameters within a cubic at which one coordinate turns round: the roots of its derivative. */
function turns(p0: number, p1: number, p2: number, p3: number): number[] {
  const [a, b, c] = [p3 - 3 * p2 + 3 * p1 - p0, 2 * (p2 - 2 * p1 + p0), p1 - p0];
  const roots =
    Math.abs(a) < 1e-12
      ? [-c / b]
      : [-1, 1].map((sign) => (-b + sign * Math.sqrt(b * b - 4 * a * c)) / (2 * a));
  return roots.filter((t) => t > 0 && t < 1);
}

/** The smallest rectangle around drawing commands: curves count as far as they reach, not their handles; null where there are none. */
export function tightBounds(commands: readonly PathCommand[]): Bounds | null {
  const points: Point[] = [];
  let at: Point = { x: 0, y: 0 };
  for (const command of commands) {
    if (command[0] === 'Z') continue;
    const end = { x: command.at(-2) as number, y: command.at(-1) as number };
    if (command[0] === 'C') {
      const [, x1, y1, x2, y2] = command;
      const along = (p0: number, p1: number, p2: number, p3: number, t: number): number =>
        (1 - t) ** 3 * p0 + 3 * (1 - t) ** 2 * t * p1 + 3 * (1 - t) * t * t * p2 + t ** 3 * p3;
      for (const t of [...turns(at.x, x1, x2, end.x), ...turns(at.y, y1, y2, end.y)])
        points.push({ x: along(at.x, x1, x2, end.x, t), y: along(at.y, y1, y2, end.y, t) });
    }
    points.push(end);
    at = end;
  }
  return commandsBounds(points.map(({ x, y }): PathCommand => ['L', x, y]));
}

/** A box as a closed way, clockwise on the screen from its upper left corner. */
export const boxCommands = ({ left, top, right, bottom }: Bounds): PathCommand[] => [
  ['M', left, top],
  ['L', right, top],
  ['L', right, bottom],
  ['L', left, bottom],
  ['Z'],
];

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
