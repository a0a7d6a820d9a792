/** A position or an offset in piece pixels, y downward. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export const ORIGIN: Point = { x: 0, y: 0 };

export const add = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const subtract = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const scale = (a: Point, k: number): Point => ({ x: a.x * k, y: a.y * k });
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
export const norm = (a: Point): number => Math.hypot(a.x, a.y);
export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
export const mix = (a: Point, b: Point, t: number): Point => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});

/** The unit vector along `a`; the zero vector stays zero. */
export function unit(a: Point): Point {
  const n = norm(a);
  return n > 0 ? { x: a.x / n, y: a.y / n } : ORIGIN;
}
