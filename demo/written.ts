import type { Path, PathPoint, Point } from '../src/core/geometry';

/**
 * A place the pen passes: x, y (y upward from the baseline) and its direction in degrees (0 right, 90 up); a fourth
 * number is the direction in which it leaves, where it turns on the spot.
 */
export type PenPlace = readonly [x: number, y: number, direction: number, leaving?: number];

/**
 * Handle length that makes a curve flow as a pen would, as a share of the chord, for the angles between chord and
 * direction at both ends. Source: Hobby 1986, "Smooth, easy to compute interpolating splines", eq. for ρ(θ, φ).
 */
function velocity(theta: number, phi: number): number {
  const [st, ct, sp, cp] = [Math.sin(theta), Math.cos(theta), Math.sin(phi), Math.cos(phi)];
  const above = 2 + Math.SQRT2 * (st - sp / 16) * (sp - st / 16) * (ct - cp);
  const below = 1 + ((Math.sqrt(5) - 1) / 2) * ct + ((3 - Math.sqrt(5)) / 2) * cp;
  return above / below / 3;
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180;
const between = (angle: number): number => Math.atan2(Math.sin(angle), Math.cos(angle));
const toward = (angle: number, length: number): Point => ({
  x: Math.cos(angle) * length,
  y: Math.sin(angle) * length,
});

/** How written places lie in the picture: where their origin is, their size, and their slant (x gained by height). */
export interface Placing {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
  readonly slant?: number;
}

/** The path of a pen through its places, placed in the picture (y downward there). */
export function written(places: readonly PenPlace[], { x, y, scale, slant = 0 }: Placing): Path {
  const place = (p: Point): Point => ({ x: x + (p.x + p.y * slant) * scale, y: y - p.y * scale });
  const offset = (p: Point): Point => ({ x: (p.x + p.y * slant) * scale, y: 0 - p.y * scale });
  const handle = (from: PenPlace, to: PenPlace): [Point, Point] => {
    const chord = Math.hypot(to[0] - from[0], to[1] - from[1]);
    const along = Math.atan2(to[1] - from[1], to[0] - from[0]);
    const [leave, arrive] = [radians(from[3] ?? from[2]), radians(to[2])];
    const [theta, phi] = [between(leave - along), between(along - arrive)];
    return [
      toward(leave, chord * velocity(theta, phi)),
      toward(arrive + Math.PI, chord * velocity(phi, theta)),
    ];
  };
  const rounded = (p: Point): Point => ({
    x: Math.round(p.x * 100) / 100 + 0,
    y: Math.round(p.y * 100) / 100 + 0,
  });
  const points = places.map((now, i): PathPoint => {
    const [before, after] = [places[i - 1], places[i + 1]];
    const at = rounded(place({ x: now[0], y: now[1] }));
    return {
      ...at,
      in: before ? rounded(offset(handle(before, now)[1])) : { x: 0, y: 0 },
      out: after ? rounded(offset(handle(now, after)[0])) : { x: 0, y: 0 },
      kind: now[3] === undefined ? 'smooth' : 'corner',
    };
  });
  return { closed: false, points };
}

/** Places of a letter moved right, to be joined to a word. */
export const at = (dx: number, places: readonly PenPlace[]): PenPlace[] =>
  places.map(([x, y, direction, leaving]) =>
    leaving === undefined ? [x + dx, y, direction] : [x + dx, y, direction, leaving],
  );
