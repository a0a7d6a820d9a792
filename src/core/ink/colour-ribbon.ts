import type { Stop } from '../colour';
import {
  cornersOf,
  measurePath,
  spineBetween,
  spinePlaceAt,
  type Path,
  type Point,
  type SpinePlace,
} from '../geometry';

/**
 * Ground under a stroke whose colours run along it by arc length, to be cut to the stroke's shape. Its ribs are places on
 * the path with the direction across which the colour is the same; between two ribs colour and width run evenly from one
 * to the other. Later parts lie over earlier ones as far as the stroke is wide there.
 */
export interface ColourRibbon {
  /** Rib after rib, each the six numbers of `RIB`. */
  readonly ribs: readonly number[];
  /** How far joins and caps may stick out of the path, px. */
  readonly reach: number;
  readonly stops: readonly Stop[];
}

/**
 * What each number of a rib is: its place, the direction of travel there (a unit vector, on a corner the bisector's),
 * its share of the gradient, and half the stroke's width (px).
 */
export const RIB = { x: 0, y: 1, alongX: 2, alongY: 3, share: 4, half: 5, size: 6 } as const;
/** Ribs are set where, since the last, the path has turned by this much (radians), left the straight way, or its half
 * width has changed (px). */
const TURN = 0.16;
const SAG = 0.15;
const CHANGE = 1;

const turnOf = (a: Point, b: Point): number =>
  Math.abs(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y));

/**
 * The ribbon under a stretch of a path.
 * @param halfAt half the width at a length from the path's start; `half` the greatest it is, px.
 * @param reach how far joins and caps may stick out of the path, px.
 * @param inked what is to be covered; `span` what the stops run over: both px along the path.
 */
export function colourRibbon(
  path: Path,
  halfAt: (s: number) => number,
  half: number,
  reach: number,
  stops: readonly Stop[],
  inked: { readonly from: number; readonly to: number },
  span: { readonly from: number; readonly to: number },
): ColourRibbon {
  const { length: whole } = measurePath(path);
  const length = Math.max(1e-6, span.to - span.from);
  const spine = spineBetween(path, half, inked.from, inked.to);
  const widthAt = (s: number): number => Math.max(0, halfAt(path.closed && s > whole ? s - whole : s));
  const ribs: number[] = [];
  let last: { readonly s: number; readonly out: Point; readonly half: number } | null = null;
  const put = (place: SpinePlace, end: boolean): void => {
    const [x, y] = end
      ? [place.out.x, place.out.y]
      : [place.into.x + place.out.x, place.into.y + place.out.y];
    const size = Math.hypot(x, y) || 1;
    const own = widthAt(place.s);
    ribs.push(place.x, place.y, x / size, y / size, (place.s - span.from) / length, own);
    last = { s: place.s, out: place.out, half: own };
  };
  spine.forEach((place, i) => {
    const next = spine[i + 1];
    const before = last;
    const turn = before && next ? turnOf(before.out, next.into) : 0;
    const turned = before && next && (turn > TURN || (turn * (next.s - before.s)) / 8 > SAG);
    const changed = before && Math.abs(widthAt(place.s) - before.half) > CHANGE;
    if (i === 0 || !next || place.corner || turned || changed) put(place, i === 0 || !next);
    if (!next) return;
    // Along a straight line the width may change without the spine.
    const steps = Math.ceil(next.s - place.s > 12 ? (next.s - place.s) / 8 : 1);
    for (let k = 1; k < steps; k++) {
      const s = place.s + ((next.s - place.s) * k) / steps;
      if (Math.abs(widthAt(s) - last!.half) > CHANGE) put({ ...spinePlaceAt(spine, s), s }, false);
    }
  });
  return { ribs, reach, stops };
}

/** Whether colour along a path is a gradient along one straight line. */
export const isOneLine = (path: Path): boolean =>
  path.points.length > 1 &&
  !path.closed &&
  cornersOf(path).length === 0 &&
  path.points.every((p) => p.in.x === 0 && p.in.y === 0 && p.out.x === 0 && p.out.y === 0);
