import { isGentle, measurePath, unit, type Path, type PathCommand, type Point } from '../geometry';
import type { Cap, Join, Caps } from './caps-and-joins';
import { disc } from './dot';
import { pushArc, pushFlank, pushFlankBack, type Flank } from './flank';
import { EVEN, placesAlong, TOGETHER, type Place } from './pen-places';
import type { PenWidth } from './pen-width';

/** How the edges of the pen lie where it stands: unit vectors from its middle to where flanks leave or come in. */
interface Stance {
  readonly place: Place;
  /** The direction of travel. */
  readonly u: Point;
  readonly left: Point;
  readonly right: Point;
}

/** @param shrink by how much the radius shrinks, px for each px of the way: less than one. */
function stanceAt(place: Place, u: Point, shrink: number): Stance {
  const n = Math.sqrt(1 - shrink * shrink);
  // Left is to the left of travel as seen on the screen: (uy, −ux), y downward.
  return {
    place,
    u,
    left: { x: shrink * u.x + n * u.y, y: shrink * u.y - n * u.x },
    right: { x: shrink * u.x - n * u.y, y: shrink * u.y + n * u.x },
  };
}

/** Where a direction from the middle of the pen meets its edge. */
const edgeOf = ({ x, y, r }: Place, n: Point): Point => ({ x: x + n.x * r, y: y + n.y * r });

/** Where a flat end cuts the flanks: half the width there, on the line square to the stroke. */
function flatEnd({ place, u, left, right }: Stance): readonly [Point, Point] {
  const slide = (n: Point): Point => {
    const q = edgeOf(place, n);
    // The flank runs square to what leads to it from the pen's middle.
    const t = ((q.x - place.x) * u.x + (q.y - place.y) * u.y) / (n.y * u.x - n.x * u.y);
    return { x: q.x - n.y * t, y: q.y + n.x * t };
  };
  return [slide(left), slide(right)];
}

/** How a strip begins or ends: with a cap, or where another part lies over it. */
interface StripEnd {
  readonly stance: Stance;
  readonly cap: Cap | null;
}

/** A stretch whose flanks run on without a break, collected until something ends it. */
interface Strip {
  readonly left: Flank;
  readonly right: Flank;
  readonly start: StripEnd;
}

/** Takes the flanks of a strip on to where they meet the pen, or what cuts it off. */
function runOn(strip: Strip, { place, left, right }: Stance, ends?: readonly [Point, Point]): void {
  const [l, r] = ends ?? [edgeOf(place, left), edgeOf(place, right)];
  strip.left.push(l.x, l.y, -left.y, left.x);
  strip.right.push(r.x, r.y, right.y, -right.x);
}

const isCut = (cap: Cap | null): boolean => cap === 'flat' || cap === 'square';

function beginStrip(stance: Stance, cap: Cap | null): Strip {
  const strip: Strip = { left: [], right: [], start: { stance, cap } };
  runOn(strip, stance, isCut(cap) ? flatEnd(stance) : undefined);
  return strip;
}

/** Leads from one flank over an end to the other, clockwise on the screen. */
function pushEnd(out: PathCommand[], { stance, cap }: StripEnd, at: 'start' | 'end'): void {
  const { place, u } = stance;
  const [left, right] = isCut(cap)
    ? flatEnd(stance)
    : [edgeOf(place, stance.left), edgeOf(place, stance.right)];
  const [way, from, onto] = at === 'end' ? [1, left, right] : [-1, right, left];
  if (cap === 'round' && place.r > TOGETHER) {
    if (at === 'end') pushArc(out, place, stance.left, stance.right);
    else pushArc(out, place, stance.right, stance.left);
    return;
  }
  if (cap === 'square') {
    const [x, y] = [u.x * place.r * way, u.y * place.r * way];
    out.push(['L', from.x + x, from.y + y], ['L', onto.x + x, onto.y + y]);
  }
  if (at === 'end') out.push(['L', onto.x, onto.y]);
}

/** Closes a strip at an end. All parts turn the same way (clockwise on the screen), so that overlaps neither cancel nor double. */
function closeStrip(out: PathCommand[], strip: Strip, stance: Stance, cap: Cap | null): void {
  const { left, right, start } = strip;
  runOn(strip, stance, isCut(cap) ? flatEnd(stance) : undefined);
  out.push(['M', left[0]!, left[1]!]);
  pushFlank(out, left);
  pushEnd(out, { stance, cap }, 'end');
  pushFlankBack(out, right);
  pushEnd(out, start, 'start');
  out.push(['Z']);
}

/** How far one direction turns from another: the cosine and, positive to the right (clockwise on the screen), the sine. */
const turnOf = (a: Point, b: Point): { readonly cos: number; readonly sin: number } => ({
  cos: a.x * b.x + a.y * b.y,
  sin: a.x * b.y - a.y * b.x,
});

/** What a join adds outside a corner; the flat flanks meet there already. */
function join(out: PathCommand[], before: Stance, after: Stance, kind: Join, miterLimit: number): void {
  const p = before.place;
  if (p.r <= 0) return;
  if (kind === 'round') {
    out.push(...disc(p.x, p.y, p.r));
    return;
  }
  const { cos, sin } = turnOf(before.u, after.u);
  // Turning right opens the left side, and the other way round.
  const side = sin > 0 ? 'left' : 'right';
  const [outer0, outer1] = [edgeOf(p, before[side]), edgeOf(p, after[side])];
  const points: Point[] = [p, outer0];
  const sharp = 1 / Math.sqrt(Math.max(0, 1 + cos) / 2);
  if (kind === 'miter' && sharp <= miterLimit) {
    const middle = unit({ x: (outer0.x + outer1.x) / 2 - p.x, y: (outer0.y + outer1.y) / 2 - p.y });
    points.push({ x: p.x + middle.x * p.r * sharp, y: p.y + middle.y * p.r * sharp });
  }
  points.push(outer1);
  if (sin <= 0) points.reverse();
  points.forEach((at, i) => out.push([i === 0 ? 'M' : 'L', at.x, at.y]));
  out.push(['Z']);
}

/** By so much an edge would be rounded off where the width begins to change otherwise, px: from there on that is a kink. */
const KINK = 0.02;
/** How far a curve swings out that leaves its chord at a small angle and comes in along it, as a share of chord times angle: 4/27. */
const SWING = 4 / 27;

/** The way from one place to the next: its length along the path, px, and by how much the radius shrinks with each px of it. */
interface Way {
  readonly length: number;
  readonly shrink: number;
  /** Its direction where it bends so tightly that the pen goes straight. */
  readonly straight: Point | null;
}

/** Null where one pen lies within the other. */
function wayBetween(a: Place, b: Place): Way | null {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const d = Math.sqrt(dx * dx + dy * dy);
  const shrink = a.r - b.r;
  if (d <= Math.abs(shrink) + 1e-9) return null;
  const length = b.s - a.s;
  const isTight = !isGentle(a, b, Math.max(a.r, b.r));
  return {
    length,
    shrink: shrink / (isTight ? d : Math.max(d, length)),
    straight: isTight ? { x: dx / d, y: dy / d } : null,
  };
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
  const caps = whole ? { start: null, end: null } : look.caps;
  let strip: Strip | null = null;
  let before: Way | null = null;
  let first: Stance | null = null;
  let final: Stance | null = null;
  for (let i = 1; i <= last; i++) {
    const [a, b] = [places[i - 1]!, places[i]!];
    const way = wayBetween(a, b);
    final = null;
    if (!way) {
      if (strip && before) closeStrip(out, strip, stanceAt(a, a.into, before.shrink), null);
      strip = null;
      before = null;
      const big = a.r >= b.r ? a : b;
      if (big.r > 0) out.push(...disc(big.x, big.y, big.r));
      continue;
    }
    const { straight } = way;
    const leave = stanceAt(a, straight ?? a.out, way.shrink);
    const arrive = stanceAt(b, straight ?? b.into, way.shrink);
    if (i === 1) first = leave;
    if (i === last) final = arrive;
    if (before && strip && !a.corner && !straight) {
      const all = way.length + before.length;
      const longer = Math.max(way.length, before.length);
      // Between the two directions the edge takes, nearly that of the shorter way: from there the longer one swings back.
      const bend = (Math.abs(way.shrink - before.shrink) * longer) / all;
      const turn = Math.abs(turnOf(a.into, a.out).sin);
      if (Math.max(bend, turn) * longer * SWING > KINK) {
        runOn(strip, stanceAt(a, a.into, before.shrink));
        runOn(strip, leave);
      } else {
        const shrink = (way.shrink * before.length + before.shrink * way.length) / all;
        runOn(strip, stanceAt(a, a.out, shrink));
      }
    } else if (before) {
      const come = stanceAt(a, before.straight ?? a.into, before.shrink);
      if (strip) closeStrip(out, strip, come, null);
      join(out, come, leave, a.corner ? look.join : 'round', look.miterLimit);
      strip = null;
    }
    strip ??= beginStrip(leave, i === 1 ? caps.start : null);
    if (straight || i === last) {
      closeStrip(out, strip, arrive, i === last ? caps.end : null);
      strip = null;
    }
    before = way;
  }
  if (whole && first && final) {
    const [a, b] = [final.place, first.place];
    // A profile may end at another width than it began with: there the wider pen shows.
    const even = Math.abs(a.r - b.r) < EVEN;
    const kind = even && a.corner ? look.join : 'round';
    const [one, other] = a.r > b.r ? [final, first] : [{ ...final, place: b }, first];
    if (!even || Math.hypot(final.left.x - first.left.x, final.left.y - first.left.y) > 1e-9)
      join(out, one, other, kind, look.miterLimit);
  }
  return out;
}
