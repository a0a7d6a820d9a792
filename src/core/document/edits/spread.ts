import { distance, measurePath, pathBounds, pointAtLength, type Point } from '../../geometry';
import { fnv1a } from '../../numbers';
import { onSpan, withOnSpan } from '../keys';
import { updateStrokes } from '../parts';
import { strokesOf, widestOf, type Piece, type Stroke } from '../schema';

export type SpreadOrder =
  | 'writing'
  | 'reading'
  | 'shortest first'
  | 'longest first'
  | 'from the middle'
  | 'left to right'
  | 'top to bottom'
  | 'random';

/** Order and overlap of many strokes. */
export interface Spread {
  readonly order: SpreadOrder;
  /** Seed of a random order. */
  readonly seed: number;
  /** How much later each begins: a number of frames after the one before began, or by how much of it they overlap (0..1). */
  readonly step:
    { readonly by: 'frames'; readonly frames: number } | { readonly by: 'overlap'; readonly share: number };
  /** How long each takes: as it did, all alike, or all at one speed (px a frame). */
  readonly each:
    | { readonly by: 'own' }
    | { readonly by: 'frames'; readonly frames: number }
    | { readonly by: 'speed'; readonly speed: number };
  /** Frames from the first start to the last arrival; null for as long as it takes. */
  readonly total: number | null;
  /** A stroke that begins where another ends begins when that one arrives. */
  readonly handOver: boolean;
}

/** A stroke however short takes this many frames. */
const LEAST_FRAMES = 2;

/** A number for a name and a seed, alike on every machine. */
function chance(text: string, seed: number): number {
  let hash = fnv1a(text, seed) | 0;
  hash ^= hash >>> 15;
  return Math.imul(hash, 0x2c1b3c6d) >>> 0;
}

const middleOf = (stroke: Stroke): Point => {
  const box = pathBounds(stroke.path)!;
  return { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
};

/** Strokes in lines from top to bottom, in a line from left to right. */
function inReadingOrder(strokes: readonly Stroke[]): Stroke[] {
  const left = [...strokes].sort((a, b) => middleOf(a).y - middleOf(b).y);
  const out: Stroke[] = [];
  while (left.length > 0) {
    const box = pathBounds(left[0]!.path)!;
    const bottom = Math.max(box.bottom, middleOf(left[0]!).y + 1);
    const line = left.filter((stroke) => middleOf(stroke).y <= bottom);
    line.forEach((stroke) => left.splice(left.indexOf(stroke), 1));
    out.push(...line.sort((a, b) => pathBounds(a.path)!.left - pathBounds(b.path)!.left));
  }
  return out;
}

/** Strokes in the order in which a spread takes them. */
export function inSpreadOrder(strokes: readonly Stroke[], order: SpreadOrder, seed: number): Stroke[] {
  const by = (value: (stroke: Stroke, i: number) => number): Stroke[] =>
    strokes
      .map((stroke, i) => ({ stroke, i, value: value(stroke, i) }))
      .sort((a, b) => a.value - b.value || a.i - b.i)
      .map(({ stroke }) => stroke);
  const length = (stroke: Stroke): number => measurePath(stroke.path).length;
  if (order === 'reading') return inReadingOrder(strokes);
  if (order === 'shortest first') return by(length);
  if (order === 'longest first') return by((s) => -length(s));
  if (order === 'left to right') return by((s) => pathBounds(s.path)!.left);
  if (order === 'top to bottom') return by((s) => pathBounds(s.path)!.top);
  if (order === 'random') return by((s) => chance(s.id, seed));
  if (order === 'from the middle') {
    const all = strokes.map(middleOf);
    const centre = {
      x: (Math.min(...all.map((p) => p.x)) + Math.max(...all.map((p) => p.x))) / 2,
      y: (Math.min(...all.map((p) => p.y)) + Math.max(...all.map((p) => p.y))) / 2,
    };
    return by((s) => distance(middleOf(s), centre));
  }
  return [...strokes];
}

const ends = ({ path }: Stroke): [Point, Point] => {
  const m = measurePath(path);
  return [pointAtLength(m, 0), pointAtLength(m, m.length)];
};

/** How near, in widths, an end must be to a start to hand over to it. */
const CONTACT = 1.5;

/**
 * Times strokes together. Each keeps how it is written on and off; strokes without keys are given a plain writing on by
 * whoever calls. The first starts where the earliest of them did.
 */
export function spreadStrokes(piece: Piece, ids: readonly string[], spread: Spread): Piece {
  const chosen = strokesOf(piece).filter((stroke) => ids.includes(stroke.id) && onSpan(stroke));
  if (chosen.length === 0) return piece;
  const ordered = inSpreadOrder(chosen, spread.order, spread.seed);
  const first = Math.min(...ordered.map((stroke) => onSpan(stroke)!.from));
  const lasts = ordered.map((stroke) => {
    if (spread.each.by === 'frames') return Math.max(LEAST_FRAMES, spread.each.frames);
    if (spread.each.by === 'speed') {
      return Math.max(LEAST_FRAMES, measurePath(stroke.path).length / Math.max(0.1, spread.each.speed));
    }
    const { from, to } = onSpan(stroke)!;
    return Math.max(LEAST_FRAMES, to - from);
  });
  const starts: number[] = [];
  ordered.forEach((_, i) => {
    const contact = spread.handOver ? handedOver(ordered, i) : -1;
    if (i === 0) starts.push(0);
    else if (contact >= 0) starts.push(starts[contact]! + lasts[contact]!);
    else if (spread.step.by === 'frames') starts.push(starts[i - 1]! + spread.step.frames);
    else starts.push(starts[i - 1]! + lasts[i - 1]! * (1 - spread.step.share));
  });
  const least = Math.min(...starts);
  const whole = Math.max(...starts.map((start, i) => start + lasts[i]!)) - least;
  const k = spread.total !== null && whole > 0 ? spread.total / whole : 1;
  return ordered.reduce((result, stroke, i) => {
    const from = Math.round(first + (starts[i]! - least) * k);
    const to = Math.max(from + 1, Math.round(first + (starts[i]! - least + lasts[i]!) * k));
    return updateStrokes(result, [stroke.id], (s) => withOnSpan(s, { from, to }));
  }, piece);
}

/** Which earlier stroke ends where this one starts: the last of them, or −1. */
function handedOver(ordered: readonly Stroke[], i: number): number {
  const [start] = ends(ordered[i]!);
  for (let k = i - 1; k >= 0; k--) {
    const other = ordered[k]!;
    if (distance(ends(other)[1], start) <= Math.max(4, CONTACT * widestOf(other.ink))) return k;
  }
  return -1;
}
