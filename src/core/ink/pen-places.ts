import { knotsBetween, measurePath, spineOf, spinePlaceAt, type Path, type SpinePlace } from '../geometry';
import type { PenWidth } from './pen-width';

/** The pen at one place: where it is, its directions and its radius. */
export interface Place extends SpinePlace {
  readonly r: number;
}

/** Written out, so that all places have one form: this is run for every place of every frame. */
const placeOf = ({ x, y, into, out, corner }: SpinePlace, s: number, r: number): Place => ({
  x,
  y,
  s,
  into,
  out,
  corner,
  r,
});

/** How far a radius may be from an even run between two places, px. */
export const EVEN = 0.02;
/** Places nearer to each other than this are one. */
export const TOGETHER = 1e-6;

/** Places of the pen along a stretch, as many as the bends and the width ask for. */
export function placesAlong(path: Path, pen: PenWidth, from: number, to: number): Place[] {
  const { length } = measurePath(path);
  const wrap = (s: number): number => (path.closed && s > length ? s - length : s);
  const radiusAt = (s: number): number => Math.max(0, pen.at(wrap(s)) / 2);
  const knots = knotsBetween(path, pen.widest / 2, from, to);
  const spine = spineOf(path, pen.widest / 2);
  const stops = path.closed ? [...pen.breaks, ...pen.breaks.map((s) => s + length)] : pen.breaks;
  const out: Place[] = [];
  /** Goes on from a place to the next, where the radius does not run evenly by way of others. */
  const goOn = (a: Place, b: Place, depth: number): void => {
    const span = b.s - a.s;
    let [worst, at] = [EVEN, 0];
    const look = (s: number): void => {
      const off = Math.abs(radiusAt(s) - a.r - ((b.r - a.r) * (s - a.s)) / span);
      if (off > worst) [worst, at] = [off, s];
    };
    if (span > 0.2 && depth < 12) {
      for (const s of stops) if (s > a.s + TOGETHER && s < b.s - TOGETHER) look(s);
      for (const share of [0.5, 0.23, 0.77]) look(a.s + share * span);
    }
    if (at === 0) {
      out.push(b);
      return;
    }
    const middle = placeOf(spinePlaceAt(spine, wrap(at)), at, radiusAt(at));
    goOn(a, middle, depth + 1);
    goOn(middle, b, depth + 1);
  };
  for (const knot of knots) {
    const next = placeOf(knot, knot.s, radiusAt(knot.s));
    const before = out.at(-1);
    if (!before) out.push(next);
    else if (next.s - before.s > TOGETHER) goOn(before, next, 0);
  }
  return out;
}
