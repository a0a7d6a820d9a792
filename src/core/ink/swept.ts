import {
  measurePath,
  spineBetween,
  spinePlaceAt,
  type Path,
  type PathCommand,
  type Point,
  type SpinePlace,
} from '../geometry';
import type { Cap, Join, Caps } from './caps-and-joins';
import { disc } from './dot';
import type { PenWidth } from './pen-width';

/** The pen at one place: where it is, its radius, and the length along the path (px). */
interface Place extends Point {
  readonly r: number;
  readonly s: number;
  readonly corner: boolean;
}

/** How far the outline may be from the true one, px. */
const TOLERANCE = 0.02;
/** Places nearer to each other than this are one. */
const TOGETHER = 1e-6;

/** Places of the pen along a stretch, as many as the bends and the width ask for. */
function placesAlong(path: Path, pen: PenWidth, from: number, to: number): Place[] {
  const { length } = measurePath(path);
  const wrap = (s: number): number => (path.closed && s > length ? s - length : s);
  const spine = spineBetween(path, pen.widest / 2, from, to);
  const place = ({ x, y, s, corner }: SpinePlace): Place => ({
    x,
    y,
    s,
    corner,
    r: Math.max(0, pen.at(wrap(s)) / 2),
  });
  const within = (s: number): boolean => s > from + TOGETHER && s < to - TOGETHER;
  const stops = pen.breaks.filter(within);
  if (path.closed) stops.push(...pen.breaks.map((s) => s + length).filter(within));
  const out: Place[] = [];
  /** Between two places, where the radius does not run evenly from one to the other. */
  const refine = (a: Place, b: Place, depth: number): void => {
    const r = Math.max(0, pen.at(wrap((a.s + b.s) / 2)) / 2);
    if (depth < 10 && b.s - a.s > 0.2 && Math.abs(r - (a.r + b.r) / 2) > TOLERANCE) {
      const middle = {
        x: (a.x + b.x) / 2,
        y: (a.y + b.y) / 2,
        s: (a.s + b.s) / 2,
        r,
        corner: false,
      };
      refine(a, middle, depth + 1);
      refine(middle, b, depth + 1);
    } else out.push(b);
  };
  let k = 0;
  for (const next of spine) {
    while (k < stops.length && stops[k]! < next.s - TOGETHER) {
      const s = stops[k++]!;
      if (out.length > 0 && s - out.at(-1)!.s > TOGETHER)
        refine(out.at(-1)!, place({ ...spinePlaceAt(spine, s), s }), 0);
    }
    while (k < stops.length && stops[k]! <= next.s + TOGETHER) k++;
    if (out.length === 0) out.push(place(next));
    else if (next.s - out.at(-1)!.s > TOGETHER) refine(out.at(-1)!, place(next), 0);
  }
  return out;
}

/** The straight flanks of what a disc sweeps on its way to the next: where the common tangents touch both. */
interface Flanks {
  readonly left0: Point;
  readonly left1: Point;
  readonly right0: Point;
  readonly right1: Point;
  readonly angle: number;
  readonly length: number;
}

/** Null where one disc lies within the other. */
function flanksOf(a: Place, b: Place): Flanks | null {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const d = Math.sqrt(dx * dx + dy * dy);
  const shrink = a.r - b.r;
  if (d <= Math.abs(shrink) + 1e-9) return null;
  const [ux, uy] = [dx / d, dy / d];
  const c = shrink / d;
  const n = Math.sqrt(1 - c * c);
  // Left is to the left of travel as seen on the screen: (uy, −ux), y downward.
  const [lx, ly] = [c * ux + n * uy, c * uy - n * ux];
  const [rx, ry] = [c * ux - n * uy, c * uy + n * ux];
  return {
    left0: { x: a.x + lx * a.r, y: a.y + ly * a.r },
    left1: { x: b.x + lx * b.r, y: b.y + ly * b.r },
    right0: { x: a.x + rx * a.r, y: a.y + ry * a.r },
    right1: { x: b.x + rx * b.r, y: b.y + ry * b.r },
    angle: Math.atan2(dy, dx),
    length: d,
  };
}

/** Where a flat end cuts the flanks: half the width there, on the line square to the stroke. */
function flatEnd(p: Place, f: Flanks, at: 'start' | 'end'): [left: Point, right: Point] {
  const [ux, uy] = [Math.cos(f.angle), Math.sin(f.angle)];
  const [left, right] = at === 'start' ? [f.left0, f.right0] : [f.left1, f.right1];
  const slide = (q: Point, other: Point): Point => {
    const along = (q.x - p.x) * ux + (q.y - p.y) * uy;
    const [ex, ey] = [other.x - q.x, other.y - q.y];
    const forward = ex * ux + ey * uy;
    const t = Math.abs(forward) > 1e-9 ? -along / forward : 0;
    return { x: q.x + ex * t, y: q.y + ey * t };
  };
  return at === 'start'
    ? [slide(left, f.left1), slide(right, f.right1)]
    : [slide(left, f.left0), slide(right, f.right0)];
}

function pushPolygon(out: PathCommand[], points: readonly Point[]): void {
  points.forEach((p, i) => out.push([i === 0 ? 'M' : 'L', p.x, p.y]));
  out.push(['Z']);
}

/** A stretch whose flanks run on without a break, collected until something ends it. */
interface Strip {
  readonly left: Point[];
  readonly right: Point[];
}

/** All parts turn the same way (clockwise on the screen), so that overlaps neither cancel nor double. */
function closeStrip(out: PathCommand[], strip: Strip | null): void {
  if (!strip) return;
  const { left, right } = strip;
  out.push(['M', left[0]!.x, left[0]!.y]);
  for (let i = 1; i < left.length; i++) out.push(['L', left[i]!.x, left[i]!.y]);
  for (let i = right.length - 1; i >= 0; i--) out.push(['L', right[i]!.x, right[i]!.y]);
  out.push(['Z']);
}

const turnBetween = (a: number, b: number): number => {
  const turn = b - a;
  return turn > Math.PI ? turn - 2 * Math.PI : turn < -Math.PI ? turn + 2 * Math.PI : turn;
};

/** What a join adds outside a corner; the flat flanks meet there already. */
function join(out: PathCommand[], p: Place, a: Flanks, b: Flanks, kind: Join, miterLimit: number): void {
  if (p.r <= 0) return;
  if (kind === 'round') {
    out.push(...disc(p.x, p.y, p.r));
    return;
  }
  const turn = turnBetween(a.angle, b.angle);
  // Turning right (clockwise on the screen) opens the left side, and the other way round.
  const [outer0, outer1] = turn > 0 ? [a.left1, b.left0] : [a.right1, b.right0];
  const points: Point[] = [p, outer0];
  const sharp = 1 / Math.sin((Math.PI - Math.abs(turn)) / 2);
  if (kind === 'miter' && sharp <= miterLimit) {
    const middle = { x: (outer0.x + outer1.x) / 2 - p.x, y: (outer0.y + outer1.y) / 2 - p.y };
    const size = Math.hypot(middle.x, middle.y) || 1;
    points.push({ x: p.x + (middle.x / size) * p.r * sharp, y: p.y + (middle.y / size) * p.r * sharp });
  }
  points.push(outer1);
  pushPolygon(out, turn > 0 ? points : points.reverse());
}

function pushCap(out: PathCommand[], p: Place, f: Flanks, kind: Cap, at: 'start' | 'end'): void {
  if (p.r <= 0 || kind === 'flat') return;
  if (kind === 'round') {
    out.push(...disc(p.x, p.y, p.r));
    return;
  }
  const k = at === 'end' ? p.r : -p.r;
  const [x, y] = [Math.cos(f.angle) * k, Math.sin(f.angle) * k];
  const [left, right] = flatEnd(p, f, at);
  const moved = [left, right].map((q) => ({ x: q.x + x, y: q.y + y })) as [Point, Point];
  pushPolygon(out, at === 'end' ? [left, moved[0], moved[1], right] : [moved[0], left, right, moved[1]]);
}

/**
 * What a pen of changing width leaves along a stretch of a path, to be filled by the nonzero rule: long strips between
 * the flanks where the path bends gently, and discs wherever it turns tighter than the pen is wide, at cusps, and where
 * one place of the pen hides another. Every part turns the same way, so there are no holes and nothing is doubled.
 * @param from, to stretch in pixels along the path; on a closed path `to` may pass the whole length.
 */
export function sweptOutline(
  path: Path,
  pen: PenWidth,
  from: number,
  to: number,
  look: { readonly caps: Caps; readonly join: Join; readonly miterLimit: number },
): PathCommand[] {
  const places = placesAlong(path, pen, from, to);
  const out: PathCommand[] = [];
  const whole = path.closed && to - from >= measurePath(path).length - TOGETHER;
  const last = places.length - 1;
  if (last < 1) return out;
  let strip: Strip | null = null;
  let before: Flanks | null = null;
  let first: Flanks | null = null;
  for (let i = 1; i <= last; i++) {
    const [a, b] = [places[i - 1]!, places[i]!];
    const f = flanksOf(a, b);
    if (!f) {
      closeStrip(out, strip);
      strip = null;
      before = null;
      const big = a.r >= b.r ? a : b;
      if (big.r > 0) out.push(...disc(big.x, big.y, big.r));
      continue;
    }
    if (i === 1) {
      first = f;
      const [left, right] =
        whole || look.caps.start === 'round' ? [f.left0, f.right0] : flatEnd(a, f, 'start');
      if (!whole) pushCap(out, a, f, look.caps.start, 'start');
      strip = { left: [left], right: [right] };
    } else if (!before) {
      strip = { left: [f.left0], right: [f.right0] };
    } else {
      const turn = Math.abs(turnBetween(before.angle, f.angle));
      const tight = a.r * Math.tan(Math.min(1.5, turn / 2)) > 0.8 * Math.min(before.length, f.length);
      if (!a.corner && !tight) {
        if (turn > 1e-9 || before.left1.x !== f.left0.x) {
          strip!.left.push(f.left0);
          strip!.right.push(f.right0);
        }
      } else {
        closeStrip(out, strip);
        strip = { left: [f.left0], right: [f.right0] };
        join(out, a, before, f, a.corner ? look.join : 'round', look.miterLimit);
      }
    }
    const ends = i === last && !whole && look.caps.end !== 'round';
    const [left, right] = ends ? flatEnd(b, f, 'end') : [f.left1, f.right1];
    strip!.left.push(left);
    strip!.right.push(right);
    before = f;
    if (i === last && !whole) pushCap(out, b, f, look.caps.end, 'end');
  }
  closeStrip(out, strip);
  if (whole && before && first) {
    const turn = Math.abs(turnBetween(before.angle, first.angle));
    const [a, b] = [places[last]!, places[0]!];
    // A profile may end at another width than it began with: there the wider pen shows.
    const even = Math.abs(a.r - b.r) < TOLERANCE;
    const kind = even && a.corner ? look.join : 'round';
    if (turn > 1e-9 || !even) join(out, a.r > b.r ? a : b, before, first, kind, look.miterLimit);
  }
  return out;
}
