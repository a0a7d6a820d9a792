import { distance, type Point } from '../../geometry';
import { reachOfInk, type Mask } from '../../mask';
import type { Place } from '../skeleton';
import type { Line } from './lines';

const lengthsOf = (places: readonly Point[]): number[] => {
  const s = [0];
  for (let i = 1; i < places.length; i++) s.push(s[i - 1]! + distance(places[i]!, places[i - 1]!));
  return s;
};

/** The line through places by least squares: a point on it and its direction, from the first toward the last. */
function lineThrough(places: readonly Point[]): { at: Point; along: Point } {
  const n = places.length;
  const at = {
    x: places.reduce((sum, p) => sum + p.x, 0) / n,
    y: places.reduce((sum, p) => sum + p.y, 0) / n,
  };
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of places) {
    xx += (p.x - at.x) ** 2;
    xy += (p.x - at.x) * (p.y - at.y);
    yy += (p.y - at.y) ** 2;
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  const along = { x: Math.cos(angle), y: Math.sin(angle) };
  const [first, last] = [places[0]!, places.at(-1)!];
  const forward = along.x * (last.x - first.x) + along.y * (last.y - first.y) >= 0;
  return { at, along: forward ? along : { x: -along.x, y: -along.y } };
}

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** So far beside the middle of a line its end is looked at, and so much sooner or later it may end there, in half widths. */
const SIDE = 0.6;
const ACROSS = 0.3;

/**
 * Takes a free end as far as the ink reaches: the middle alone stops half a width short, and near the end it wavers.
 * The last bit is laid anew along the direction the line had before.
 */
function reachEnd(places: readonly Place[], mask: Mask): { places: Place[]; flat: boolean } {
  const n = places.length;
  const s = lengthsOf(places);
  const whole = s[n - 1]!;
  const tip = places[n - 1]!;
  const typical = median(places.filter((_, i) => whole - s[i]! < 4 * tip.r).map((p) => p.r));
  // Leave what wavers: the last half width, unless that is most of the line.
  const drop = Math.min(0.9 * typical, whole * 0.35);
  const before = (index: number): { along: Point; off: number } => {
    let first = index;
    while (first > 0 && s[index]! - s[first]! < 1.6 * typical) {
      first--;
      if (places[first]!.corner) break;
    }
    const { at, along } =
      index > first ? lineThrough(places.slice(first, index + 1)) : { at: tip, along: { x: 1, y: 0 } };
    return { along, off: Math.abs((tip.x - at.x) * along.y - (tip.y - at.y) * along.x) };
  };
  let last = n - 1;
  while (last > 1 && whole - s[last]! < drop && !places[last - 1]!.corner) last--;
  // An end that curls away from its line is followed to the tip instead.
  if (before(last).off > 0.1 * typical) last = n - 1;
  const from = places[last]!;
  const { along } = before(last);
  const reach = reachOfInk(mask, from.x, from.y, along.x, along.y, 6 * typical + whole);
  const edge = { x: from.x + along.x * reach, y: from.y + along.y * reach };
  // A quarter width inside the edge a round end is narrowed to two thirds; a square one is as wide as ever.
  const depth = Math.min(0.28 * typical, reach);
  const [px, py] = [edge.x - along.x * depth, edge.y - along.y * depth];
  const half =
    (reachOfInk(mask, px, py, -along.y, along.x, 3 * typical) +
      reachOfInk(mask, px, py, along.y, -along.x, 3 * typical)) /
    2;
  // And its edge lies straight across the line: beside the middle the ink ends no sooner and no later.
  const isAcross = [-SIDE, SIDE].every((side) => {
    const [x, y] = [from.x - along.y * side * typical, from.y + along.x * side * typical];
    return Math.abs(reachOfInk(mask, x, y, along.x, along.y, reach + typical) - reach) < ACROSS * typical;
  });
  const isFlat = half > 0.87 * typical && isAcross;
  const tapers = tip.r < 0.6 * typical;
  const inset = isFlat ? 0 : Math.min(tapers ? tip.r : typical, reach);
  const end = { x: edge.x - along.x * inset, y: edge.y - along.y * inset };
  const kept = places.slice(0, last + 1);
  // The end may lie behind the place from which it was looked for.
  const ahead = (p: Point) => (end.x - p.x) * along.x + (end.y - p.y) * along.y;
  while (kept.length > 1 && ahead(kept.at(-1)!) <= 1e-6) kept.pop();
  return { places: [...kept, { ...end, r: tapers ? tip.r : from.r }], flat: isFlat };
}

/** Whether a line's ink ends square, at its beginning and at its end. */
interface FlatEnds {
  readonly start: boolean;
  readonly end: boolean;
}

/** Both free ends of a line taken to the edge of the ink. One that lies on another line is like the one that is free. */
export function reachEnds(line: Line, mask: Mask): { line: Line; flat: FlatEnds } {
  if (line.closed || line.places.length < 2 || (!line.freeStart && !line.freeEnd))
    return { line, flat: { start: false, end: false } };
  const turn = (places: readonly Place[]): Place[] => [...places].reverse();
  let { places } = line;
  const ends: { start?: boolean; end?: boolean } = {};
  if (line.freeEnd) ({ places, flat: ends.end } = reachEnd(places, mask));
  if (line.freeStart) {
    const reached = reachEnd(turn(places), mask);
    places = turn(reached.places);
    ends.start = reached.flat;
  }
  const flat = { start: ends.start ?? ends.end!, end: ends.end ?? ends.start! };
  return { line: { ...line, places }, flat };
}

const angle = (a: Point, b: Point): number =>
  Math.abs(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y));

/** A turn of more than this within the width of the line may be a corner. */
const CORNER = (42 * Math.PI) / 180;

/**
 * Puts corners back: in a corner the middle of the ink takes the inside of the bend. Where the line turns within its
 * own width, and the ink reaches as far beyond the meeting of the two straight sides as a pen turning there would
 * leave it, that meeting is the corner.
 */
export function sharpenCorners(line: Line, mask: Mask): Line {
  const { places, closed } = line;
  const n = places.length;
  if (n < 8) return line;
  const s = lengthsOf(places);
  const whole = s[n - 1]! + (closed ? distance(places[n - 1]!, places[0]!) : 0);
  const at = (i: number): Place => places[((i % n) + n) % n]!;
  const way = (i: number): number => {
    const turns = Math.floor(i / n);
    return s[i - turns * n]! + turns * whole;
  };
  const step = (i: number, by: 1 | -1, length: number): number | null => {
    let k = i;
    while (Math.abs(way(k) - way(i)) < length) {
      k += by;
      if (!closed && (k < 0 || k >= n)) return null;
      if (Math.abs(k - i) >= n) return null;
    }
    return k;
  };
  const turns: { i: number; turn: number }[] = [];
  for (let i = 0; i < n; i++) {
    const r = places[i]!.r;
    const before = step(i, -1, 1.1 * r);
    const after = step(i, 1, 1.1 * r);
    if (before === null || after === null) continue;
    const a = { x: at(i).x - at(before).x, y: at(i).y - at(before).y };
    const b = { x: at(after).x - at(i).x, y: at(after).y - at(i).y };
    const turn = angle(a, b);
    if (turn > CORNER * 0.8) turns.push({ i, turn });
  }
  turns.sort((p, q) => q.turn - p.turn);
  const taken: { from: number; to: number; corner: Place }[] = [];
  for (const { i } of turns) {
    const here = at(i);
    const nearCorner = (k: number) => {
      for (let m = -k; m <= k; m++) if (at(i + m).corner) return true;
      return false;
    };
    if (taken.some((t) => i >= t.from - 2 && i <= t.to + 2) || nearCorner(3)) continue;
    let r = here.r;
    // The middle swells in a corner; the sides tell the width of the line.
    for (const by of [-1, 1] as const) {
      const k = step(i, by, 2 * here.r);
      if (k !== null) r = Math.min(r, Math.max(at(k).r, 0.6 * here.r));
    }
    const [b0, a0] = [step(i, -1, 1.25 * r), step(i, 1, 1.25 * r)];
    if (b0 === null || a0 === null) continue;
    const sideEnd = (from: number, by: 1 | -1): number => step(from, by, 1.8 * r) ?? (by < 0 ? 0 : n - 1);
    const [b1, a1] = [sideEnd(b0, -1), sideEnd(a0, 1)];
    if (b0 - b1 < 2 || a1 - a0 < 2) continue;
    const side = (from: number, to: number) =>
      lineThrough(Array.from({ length: to - from + 1 }, (_, k) => at(from + k)));
    const [one, other] = [side(b1, b0), side(a0, a1)];
    if (angle(one.along, other.along) < CORNER) continue;
    const det = one.along.x * other.along.y - one.along.y * other.along.x;
    const [dx, dy] = [other.at.x - one.at.x, other.at.y - one.at.y];
    const t = (dx * other.along.y - dy * other.along.x) / det;
    const meet = { x: one.at.x + one.along.x * t, y: one.at.y + one.along.y * t };
    if (distance(meet, here) > 2.5 * r) continue;
    const out = { x: one.along.x - other.along.x, y: one.along.y - other.along.y };
    const norm = Math.hypot(out.x, out.y) || 1;
    if (reachOfInk(mask, meet.x, meet.y, out.x / norm, out.y / norm, 4 * r) < 0.8 * r) continue;
    taken.push({ from: b0, to: a0, corner: { ...meet, r, corner: true } });
  }
  if (taken.length === 0) return line;
  taken.sort((p, q) => p.from - q.from);
  if (!closed) {
    const out: Place[] = [];
    let k = 0;
    for (const t of taken) {
      while (k <= t.from) out.push(places[k++]!);
      out.push(t.corner);
      k = Math.max(k, t.to);
    }
    while (k < n) out.push(places[k++]!);
    return { ...line, places: out };
  }
  // Round a ring, begin at the first corner.
  const out: Place[] = [];
  taken.forEach((t, index) => {
    out.push(t.corner);
    const next = taken[index + 1]?.from ?? taken[0]!.from + n;
    for (let k = t.to; k <= next; k++) out.push(at(k));
  });
  return { ...line, places: out };
}
