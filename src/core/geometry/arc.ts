import type { Cubic } from './cubic';
import type { Point } from './point';

/** A part of an ellipse: centre, radii, turn of its axes, angle of its start and how far it runs (radians, y downward). */
export interface EllipseArc {
  readonly centre: Point;
  readonly rx: number;
  readonly ry: number;
  readonly turn: number;
  readonly start: number;
  readonly sweep: number;
}

/**
 * An elliptical arc as cubics of at most a quarter turn each: off by less than 3e-4 of the radius.
 * Handle length 4/3·tan(θ/4) of the radius for an arc of θ.
 */
export function arcCubics({ centre, rx, ry, turn, start, sweep }: EllipseArc): Cubic[] {
  const count = Math.max(1, Math.ceil(Math.abs(sweep) / (Math.PI / 2) - 1e-9));
  const step = sweep / count;
  const k = (4 / 3) * Math.tan(step / 4);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const place = (u: number, v: number): Point => ({
    x: centre.x + rx * u * cos - ry * v * sin,
    y: centre.y + rx * u * sin + ry * v * cos,
  });
  return Array.from({ length: count }, (_, i): Cubic => {
    const a = start + i * step;
    const b = a + step;
    const p0 = place(Math.cos(a), Math.sin(a));
    const p1 = place(Math.cos(a) - k * Math.sin(a), Math.sin(a) + k * Math.cos(a));
    const p2 = place(Math.cos(b) + k * Math.sin(b), Math.sin(b) - k * Math.cos(b));
    const p3 = place(Math.cos(b), Math.sin(b));
    return [p0.x, p0.y, p1.x, p1.y, p2.x, p2.y, p3.x, p3.y];
  });
}

/**
 * The arc of an SVG path's A command between two points, by its end points. Radii that are too small are scaled up,
 * zero ones make it a straight line (null). Source: SVG 2, appendix B.2.4 and B.2.5.
 */
export function svgArc(
  from: Point,
  rx: number,
  ry: number,
  degrees: number,
  large: boolean,
  clockwise: boolean,
  to: Point,
): EllipseArc | null {
  let a = Math.abs(rx);
  let b = Math.abs(ry);
  if (a === 0 || b === 0 || (from.x === to.x && from.y === to.y)) return null;
  const turn = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [dx, dy] = [(from.x - to.x) / 2, (from.y - to.y) / 2];
  const [x1, y1] = [cos * dx + sin * dy, -sin * dx + cos * dy];
  const out = (x1 * x1) / (a * a) + (y1 * y1) / (b * b);
  if (out > 1) {
    a *= Math.sqrt(out);
    b *= Math.sqrt(out);
  }
  const below = a * a * y1 * y1 + b * b * x1 * x1;
  const root = Math.sqrt(Math.max(0, (a * a * b * b - below) / below)) * (large === clockwise ? -1 : 1);
  const [cx, cy] = [(root * a * y1) / b, (-root * b * x1) / a];
  const centre = {
    x: cos * cx - sin * cy + (from.x + to.x) / 2,
    y: sin * cx + cos * cy + (from.y + to.y) / 2,
  };
  const start = Math.atan2((y1 - cy) / b, (x1 - cx) / a);
  const end = Math.atan2((-y1 - cy) / b, (-x1 - cx) / a);
  let sweep = end - start;
  if (clockwise && sweep < 0) sweep += 2 * Math.PI;
  if (!clockwise && sweep > 0) sweep -= 2 * Math.PI;
  return { centre, rx: a, ry: b, turn, start, sweep };
}
