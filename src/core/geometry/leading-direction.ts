import type { Point } from './point';

/**
 * The direction (unit) in which a run of points sets out, by least squares over all of them.
 * @param curved fit a parabola along the length, so that a bend goes on bending; else a straight line.
 */
export function leadingDirection(points: readonly Point[], curved: boolean): Point {
  const n = points.length;
  if (n < 2) return { x: 1, y: 0 };
  const s = [0];
  for (let i = 1; i < n; i++) {
    s.push(s[i - 1]! + Math.hypot(points[i]!.x - points[i - 1]!.x, points[i]!.y - points[i - 1]!.y));
  }
  const whole = s[n - 1]! || 1;
  // Normal equations of value = a + b·t + c·t², t in 0..1 along the length.
  let [t1, t2, t3, t4] = [0, 0, 0, 0];
  let [x0, x1, x2, y0, y1, y2] = [0, 0, 0, 0, 0, 0];
  points.forEach((p, i) => {
    const t = s[i]! / whole;
    t1 += t;
    t2 += t * t;
    t3 += t * t * t;
    t4 += t * t * t * t;
    x0 += p.x;
    x1 += p.x * t;
    x2 += p.x * t * t;
    y0 += p.y;
    y1 += p.y * t;
    y2 += p.y * t * t;
  });
  const straight = (v0: number, v1: number): number => (n * v1 - t1 * v0) / (n * t2 - t1 * t1 || 1);
  const slope = (v0: number, v1: number, v2: number): number => {
    if (!curved || n < 5) return straight(v0, v1);
    const det = n * (t2 * t4 - t3 * t3) - t1 * (t1 * t4 - t2 * t3) + t2 * (t1 * t3 - t2 * t2);
    const b = n * (v1 * t4 - t3 * v2) - v0 * (t1 * t4 - t2 * t3) + t2 * (t1 * v2 - v1 * t2);
    return Math.abs(det) > 1e-12 ? b / det : straight(v0, v1);
  };
  const d = { x: slope(x0, x1, x2), y: slope(y0, y1, y2) };
  const norm = Math.hypot(d.x, d.y);
  if (norm > 0) return { x: d.x / norm, y: d.y / norm };
  return { x: 1, y: 0 };
}
