import type { Stop } from '../colour';
import { applyMatrix, compose, type Matrix, type Point } from '../geometry';
import { mappedRibbon, type ColourRibbon } from './colour-ribbon';

/** A straight gradient between two places of the picture. */
export interface LinearGradient {
  readonly from: Point;
  readonly to: Point;
  readonly stops: readonly Stop[];
}

/** A gradient from one circle to another; they lie in the picture as `transform` has it, which may make them ellipses. */
export interface RadialGradient {
  readonly centre: Point;
  readonly radius: number;
  readonly focus: Point;
  readonly focusRadius: number;
  readonly transform: Matrix;
  readonly stops: readonly Stop[];
}

/** #rrggbb, or colours that change across a shape as formats and canvases know it. */
export type PlainColouring = string | LinearGradient | RadialGradient;

/** What a shape is painted with. */
export type Colouring = PlainColouring | ColourRibbon;

export const isRibbon = (colour: Colouring): colour is ColourRibbon =>
  typeof colour === 'object' && 'ribs' in colour;

export const isRadial = (colour: Colouring): colour is RadialGradient =>
  typeof colour === 'object' && 'radius' in colour;

/** A colour or gradient with each of its colours changed; how opaque it is where stays. */
export const withColours = (colour: Colouring, to: (colour: string) => string): Colouring =>
  typeof colour === 'string'
    ? to(colour)
    : { ...colour, stops: colour.stops.map((stop) => ({ ...stop, colour: to(stop.colour) })) };

const turnOf = ([a, b, c, d]: Matrix): Matrix => [a, b, c, d, 0, 0];

/** A straight gradient as it looks mapped: its lines of one colour are mapped, and it runs square to them. */
export function mappedGradient({ from, to, stops }: LinearGradient, m: Matrix): LinearGradient {
  const [start, end] = [applyMatrix(m, from), applyMatrix(m, to)];
  const along = applyMatrix(turnOf(m), { x: from.y - to.y, y: to.x - from.x });
  const size = Math.hypot(along.x, along.y);
  if (size === 0) return { from: start, to: end, stops };
  const across = { x: -along.y / size, y: along.x / size };
  const reach = (end.x - start.x) * across.x + (end.y - start.y) * across.y;
  return { from: start, to: { x: start.x + across.x * reach, y: start.y + across.y * reach }, stops };
}

/** What a shape is painted with, where the shape is mapped. */
export function mappedColouring(colour: Colouring, m: Matrix): Colouring {
  if (typeof colour === 'string') return colour;
  if (isRibbon(colour)) return mappedRibbon(colour, m);
  return isRadial(colour)
    ? { ...colour, transform: compose(m, colour.transform) }
    : mappedGradient(colour, m);
}
