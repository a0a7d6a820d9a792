import type { PathCommand } from './commands';
import type { Path, PathPoint } from './path';
import type { Point } from './point';

/** An affine map as in SVG's matrix(a, b, c, d, e, f): x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** First `inner`, then `outer`. */
export const compose = (outer: Matrix, inner: Matrix): Matrix => [
  outer[0] * inner[0] + outer[2] * inner[1],
  outer[1] * inner[0] + outer[3] * inner[1],
  outer[0] * inner[2] + outer[2] * inner[3],
  outer[1] * inner[2] + outer[3] * inner[3],
  outer[0] * inner[4] + outer[2] * inner[5] + outer[4],
  outer[1] * inner[4] + outer[3] * inner[5] + outer[5],
];

export const translation = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y];
export const scaling = (x: number, y = x): Matrix => [x, 0, 0, y, 0, 0];

/** Scaled by a factor about a point, which stays. */
export const scalingAbout = ({ x, y }: Point, factor: number): Matrix => [
  factor,
  0,
  0,
  factor,
  x * (1 - factor),
  y * (1 - factor),
];

/** Turned by an angle in radians, clockwise on the screen. */
export const rotation = (angle: number): Matrix => [
  Math.cos(angle),
  Math.sin(angle),
  -Math.sin(angle),
  Math.cos(angle),
  0,
  0,
];

/** Slanted by angles in radians, as SVG's skewX and skewY have it. */
export const skewing = (x: number, y: number): Matrix => [1, Math.tan(y), Math.tan(x), 1, 0, 0];

/** Whether a map keeps shapes: it turns, mirrors and scales alike in every direction. */
export function isSimilar([a, b, c, d]: Matrix): boolean {
  const size = Math.abs(a) + Math.abs(b) + Math.abs(c) + Math.abs(d);
  const alike = (p: number, q: number): boolean => Math.abs(p - q) <= 1e-9 * size;
  return (alike(a, d) && alike(b, -c)) || (alike(a, -d) && alike(b, c));
}

/** Whether a map leaves everything where it is. */
export const isIdentity = (m: Matrix): boolean => m.every((v, i) => v === IDENTITY[i]);

export const applyMatrix = (m: Matrix, p: Point): Point => ({
  x: m[0] * p.x + m[2] * p.y + m[4],
  y: m[1] * p.x + m[3] * p.y + m[5],
});

/** The map back, or null for one that flattens. */
export function inverse(m: Matrix): Matrix | null {
  const det = m[0] * m[3] - m[1] * m[2];
  if (Math.abs(det) < 1e-12) return null;
  return [
    m[3] / det,
    -m[1] / det,
    -m[2] / det,
    m[0] / det,
    (m[2] * m[5] - m[3] * m[4]) / det,
    (m[1] * m[4] - m[0] * m[5]) / det,
  ];
}

/** By how much lengths grow on the whole: the square root of what areas grow by. */
export const meanScale = (m: Matrix): number => Math.sqrt(Math.abs(m[0] * m[3] - m[1] * m[2]));

/** A path mapped; handles are offsets and so are not moved. */
export function transformPath(path: Path, m: Matrix): Path {
  const offset = (p: Point): Point => ({ x: m[0] * p.x + m[2] * p.y, y: m[1] * p.x + m[3] * p.y });
  return {
    closed: path.closed,
    points: path.points.map((p): PathPoint => ({
      ...applyMatrix(m, p),
      in: offset(p.in),
      out: offset(p.out),
      kind: p.kind,
    })),
  };
}

export function transformCommands(commands: readonly PathCommand[], m: Matrix): PathCommand[] {
  const x = (px: number, py: number) => m[0] * px + m[2] * py + m[4];
  const y = (px: number, py: number) => m[1] * px + m[3] * py + m[5];
  return commands.map((c): PathCommand => {
    if (c[0] === 'Z') return c;
    if (c[0] === 'C') {
      return ['C', x(c[1], c[2]), y(c[1], c[2]), x(c[3], c[4]), y(c[3], c[4]), x(c[5], c[6]), y(c[5], c[6])];
    }
    return [c[0], x(c[1], c[2]), y(c[1], c[2])];
  });
}
