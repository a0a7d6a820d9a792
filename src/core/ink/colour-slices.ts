import { oklabOf, rampAt, type Stop } from '../colour';
import {
  measurePath,
  pointAtLength,
  tangentAtLength,
  type MeasuredPath,
  type Path,
  type PathCommand,
  type Point,
} from '../geometry';
import { disc } from './dot';

/** A straight gradient between two places of the picture. */
export interface LinearGradient {
  readonly from: Point;
  readonly to: Point;
  readonly stops: readonly Stop[];
}

/** A part of the ground that a stroke's shape is cut from, coloured along the stroke. */
export interface ColourSlice {
  readonly path: readonly PathCommand[];
  readonly gradient: LinearGradient;
}

/** Greatest step of colour where two slices meet, at the edge of the stroke, in parts of 255. */
const STEP = 1.5;
/** How far a slice reaches under the next, px. */
const LAP = 0.75;
/** A slice that bends more than this, in radians, is cut whatever its colours: its outline would be rough. */
const MOST_TURN = 0.7;

/** How fast the colours of a ramp change at most: parts of 255 over its whole length. */
function steepness(stops: readonly Stop[]): number {
  let most = 0;
  for (let i = 1; i < stops.length; i++) {
    const [p, q] = [stops[i - 1]!, stops[i]!];
    const [a, b] = [oklabOf(p.colour), oklabOf(q.colour)];
    const change =
      Math.hypot(a.l - b.l, 2 * (a.a - b.a), 2 * (a.b - b.b)) * Math.max(p.opacity, q.opacity) +
      Math.abs(p.opacity - q.opacity);
    most = Math.max(most, change / Math.max(1e-3, q.at - p.at));
  }
  return most * 255;
}

const turnOf = (a: Point, b: Point): number => Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y);

/** A place on the spine of the slices: where it is, its direction before and after, px along the path. */
interface Rib extends Point {
  readonly s: number;
  readonly into: Point;
  readonly out: Point;
}

function ribsAlong(m: MeasuredPath, from: number, to: number, most: (turn: number) => boolean): Rib[] {
  const nudge = Math.min(0.01, m.length * 1e-4);
  const wrap = (s: number): number => (m.path.closed ? ((s % m.length) + m.length) % m.length : s);
  const rib = (s: number, vertex: boolean): Rib => {
    const p = pointAtLength(m, wrap(s));
    const into = tangentAtLength(m, wrap(vertex && s > from ? s - nudge : s));
    const out = vertex && s < to ? tangentAtLength(m, wrap(s + nudge)) : into;
    return { ...p, s, into: vertex && s <= from ? out : into, out };
  };
  const stops = [from, to];
  for (const turn of m.path.closed ? [0, m.length] : [0]) stops.push(...m.starts.map((s) => s + turn));
  const sorted = stops
    .filter((s) => s >= from && s <= to)
    .sort((a, b) => a - b)
    .filter((s, i, all) => i === 0 || s - all[i - 1]! > 1e-6);
  const out: Rib[] = [rib(sorted[0]!, true)];
  const refine = (a: Rib, b: Rib, depth: number): void => {
    const middle = rib((a.s + b.s) / 2, false);
    const bent = Math.abs(turnOf(a.out, middle.into)) + Math.abs(turnOf(middle.into, b.into));
    if (depth < 12 && b.s - a.s > 1 && (!most(bent) || (depth < 1 && bent > 1e-3))) {
      refine(a, middle, depth + 1);
      refine(middle, b, depth + 1);
    } else out.push(b);
  };
  for (let i = 1; i < sorted.length; i++) {
    const segment = m.segments[m.starts.findIndex((s) => s > wrap((sorted[i - 1]! + sorted[i]!) / 2)) - 1];
    const b = rib(sorted[i]!, true);
    if (segment?.lengths === null) out.push(b);
    else refine(out.at(-1)!, b, 0);
  }
  return out;
}

/** The line across the stroke where two slices meet: square to it, or the bisector of a corner. */
function across(rib: Rib, half: number, reach: number): [left: Point, right: Point] {
  const [x, y] = [rib.into.x + rib.out.x, rib.into.y + rib.out.y];
  const size = Math.hypot(x, y);
  if (size < 1e-3) return [offset(rib, rib.into, half), offset(rib, rib.into, -half)];
  const [ux, uy] = [x / size, y / size];
  // A bisector crosses the band at a slant: 1/cos of half the turn, held to what a join may reach.
  const k = Math.min(reach, half / Math.max(0.05, ux * rib.out.x + uy * rib.out.y));
  return [offset(rib, { x: ux, y: uy }, k), offset(rib, { x: ux, y: uy }, -k)];
}

const offset = (p: Point, along: Point, by: number): Point => ({
  x: p.x + along.y * by,
  y: p.y - along.x * by,
});

/**
 * Coloured ground under a stroke, whose colours run along it by arc length: slices from side to side, each with a
 * straight gradient of its own, short enough that where two meet no step shows. The stroke's own shape is to be cut from
 * it, so that edges, caps, joins, dashes and crossings are those of a plain stroke. Later slices lie over earlier ones.
 * @param half half the greatest width, px; `reach` how far joins and caps may stick out of the path, px.
 * @param inked what is to be covered; `span` what the stops run over: both px along the path.
 */
export function colourSlices(
  path: Path,
  half: number,
  reach: number,
  stops: readonly Stop[],
  inked: { readonly from: number; readonly to: number },
  span: { readonly from: number; readonly to: number },
): ColourSlice[] {
  const m = measurePath(path);
  const length = Math.max(1e-6, span.to - span.from);
  const rate = steepness(stops) / length;
  const wide = half + LAP;
  const ribs = ribsAlong(
    m,
    inked.from,
    inked.to,
    (turn) => turn < 0.02 || (turn < MOST_TURN && wide * turn * rate < STEP),
  );
  const rampBetween = (from: number, to: number): Stop[] => {
    const at = (s: number): number => (s - span.from) / length;
    const [a, b] = [at(from), at(to)];
    const wide = Math.max(1e-9, b - a);
    // Every stop within, and so many steps between that sRGB, in which canvases blend, shows what OKLab would.
    const count = Math.min(64, Math.max(1, Math.ceil(((to - from) * rate) / 6)));
    const places = [
      ...Array.from({ length: count + 1 }, (_, i) => a + (wide * i) / count),
      ...stops.map((s) => s.at).filter((s) => s > a && s < b),
    ].sort((p, q) => p - q);
    return places.map((p) => ({ ...rampAt(stops, p), at: Math.min(1, Math.max(0, (p - a) / wide)) }));
  };
  const out: ColourSlice[] = [];
  const last = ribs.length - 1;
  for (let i = 1; i <= last; i++) {
    const [a, b] = [ribs[i - 1]!, ribs[i]!];
    const chord = Math.hypot(b.x - a.x, b.y - a.y);
    if (chord < 1e-9) continue;
    const way = { x: (b.x - a.x) / chord, y: (b.y - a.y) / chord };
    const [left0, right0] = across(a, wide, reach);
    const [left1, right1] = across(b, wide, reach);
    const moved = (p: Point, along: Point, by: number): Point => ({
      x: p.x + along.x * by,
      y: p.y + along.y * by,
    });
    const [back, on] = [i === 1 ? reach : LAP, i === last ? reach : LAP];
    const bentAt = (rib: Rib): boolean => Math.abs(turnOf(rib.into, rib.out)) > 0.02;
    const path: PathCommand[] = [];
    const polygon = (points: readonly Point[]): void => {
      points.forEach((p, k) => path.push([k === 0 ? 'M' : 'L', p.x, p.y]));
      path.push(['Z']);
    };
    // Where the path bends tighter than the stroke is wide, lines across it meet: discs cover what they leave.
    const crossed =
      (left1.x - left0.x) * way.x + (left1.y - left0.y) * way.y < 0.2 * chord ||
      (right1.x - right0.x) * way.x + (right1.y - right0.y) * way.y < 0.2 * chord;
    if (crossed) {
      path.push(...disc(a.x, a.y, wide), ...disc(b.x, b.y, wide));
      const [p, q] = [moved(a, way, -back), moved(b, way, on)];
      polygon([offset(p, way, wide), offset(q, way, wide), offset(q, way, -wide), offset(p, way, -wide)]);
    } else {
      if (i < last && bentAt(b)) path.push(...disc(b.x, b.y, Math.min(reach, wide)));
      const lap = i === 1 || !bentAt(a) ? -back : 0;
      polygon([
        moved(left0, a.out, lap),
        left0,
        moved(left1, b.into, on),
        moved(right1, b.into, on),
        right0,
        moved(right0, a.out, lap),
      ]);
    }
    // The gradient runs as far as the slice does, so that what sticks out goes on in the same way.
    const pad = wide + reach;
    const [s0, s1] = [a.s - pad, b.s + pad];
    const stretch = (b.s - a.s) / chord;
    out.push({
      path,
      gradient: {
        from: moved({ x: a.x, y: a.y }, way, -pad / stretch),
        to: moved({ x: b.x, y: b.y }, way, pad / stretch),
        stops: rampBetween(s0, s1),
      },
    });
  }
  return out;
}
