import type { Cubic } from './cubic';

/** A curve turns no further than this from its straight way, at either end (cosine): beyond it loops. */
const MOST_TURN = Math.cos(0.9);

/**
 * How long a handle is, as a share of the chord: near the best there is for curves whose bend changes evenly, from the sines and
 * cosines of the angles between chord and ends (J. D. Hobby, "Smooth, easy to compute interpolating splines", 1986).
 */
function handleShare(sin: number, cos: number, otherSin: number, otherCos: number): number {
  const lean = Math.SQRT2 * (sin - otherSin / 16) * (otherSin - sin / 16) * (cos - otherCos);
  const flatter = (3 - Math.sqrt(5)) / 2;
  return (2 + lean) / (3 * (1 + (1 - flatter) * cos + flatter * otherCos));
}

/**
 * The curve from one place to another that leaves and comes in along unit vectors.
 * @returns null where it would have to turn so far that a line is better.
 */
export function cubicBetween(
  x0: number,
  y0: number,
  outX: number,
  outY: number,
  x3: number,
  y3: number,
  inX: number,
  inY: number,
): Cubic | null {
  const dx = x3 - x0;
  const dy = y3 - y0;
  const chord = Math.sqrt(dx * dx + dy * dy);
  if (chord < 1e-9) return null;
  const ux = dx / chord;
  const uy = dy / chord;
  const cos = outX * ux + outY * uy;
  const endCos = inX * ux + inY * uy;
  if (cos < MOST_TURN || endCos < MOST_TURN) return null;
  const sin = outX * uy - outY * ux;
  const endSin = ux * inY - uy * inX;
  const a = chord * handleShare(sin, cos, endSin, endCos);
  const b = chord * handleShare(endSin, endCos, sin, cos);
  return [x0, y0, x0 + a * outX, y0 + a * outY, x3 - b * inX, y3 - b * inY, x3, y3];
}

/** Whether a cubic's handles lie no further from the straight way than so much, px: it is as good as a line then. */
export function isFlatCubic(c: Cubic, most: number): boolean {
  const dx = c[6] - c[0];
  const dy = c[7] - c[1];
  const reach = most * Math.sqrt(dx * dx + dy * dy);
  return (
    Math.abs((c[2] - c[0]) * dy - (c[3] - c[1]) * dx) <= reach &&
    Math.abs((c[4] - c[0]) * dy - (c[5] - c[1]) * dx) <= reach
  );
}

/** Whether a point lies no further from a cubic that turns little than so much. */
export function isNearCubic(c: Cubic, x: number, y: number, reach: number): boolean {
  const [x0, y0] = c;
  const [dx, dy] = [c[6] - x0, c[7] - y0];
  const [px, py] = [x - x0, y - y0];
  // What the powers of its parameter add.
  const [ax, ay] = [3 * (c[2] - x0), 3 * (c[3] - y0)];
  const [bx, by] = [3 * (c[4] - 2 * c[2] + x0), 3 * (c[5] - 2 * c[3] + y0)];
  const [cx, cy] = [dx + 3 * (c[2] - c[4]), dy + 3 * (c[3] - c[5])];
  // The nearest place is found in steps (Newton), from the share of the chord.
  let t = (px * dx + py * dy) / (dx * dx + dy * dy);
  for (let step = 0; step < 4; step++) {
    const ex = ((cx * t + bx) * t + ax) * t - px;
    const ey = ((cy * t + by) * t + ay) * t - py;
    if (ex * ex + ey * ey <= reach * reach) return true;
    const vx = (3 * cx * t + 2 * bx) * t + ax;
    const vy = (3 * cy * t + 2 * by) * t + ay;
    t -= (ex * vx + ey * vy) / (vx * vx + vy * vy);
  }
  return false;
}
