import {
  applyMatrix,
  compose,
  measurePath,
  pointAtLength,
  rotation,
  scaling,
  translation,
  type Matrix,
  type Point,
} from '../../geometry';
import { clamp } from '../../numbers';
import { keysOf, valueAt } from '../../timing';
import { onSpan } from '../keys';
import type { Rider, Stroke } from '../schema';
import { arrivalFrame } from './arrival-frame';
import { windowAt } from './window-at';

/** Where a rider stands, and how much of it is there (0..1). */
export interface Ridden {
  readonly matrix: Matrix;
  readonly presence: number;
}

/** A place on a stroke in the picture, and the direction of travel there (radians). */
interface OnStroke extends Point {
  readonly angle: number;
}

/**
 * The place on a stroke at a length (px), as it stands in the picture.
 * @param over length over which the direction is looked at, px.
 */
export function ownPlaceAt(stroke: Stroke, s: number, over: number, world: Matrix): OnStroke {
  const m = measurePath(stroke.path);
  const on = (at: number): Point => {
    if (!stroke.path.closed) return pointAtLength(m, clamp(at, 0, m.length));
    return pointAtLength(m, m.length > 0 ? ((at % m.length) + m.length) % m.length : 0);
  };
  const half = Math.max(over, 0.02) / 2;
  const [p, a, b] = [on(s), on(s - half), on(s + half)].map((one) => applyMatrix(world, one));
  return { ...p!, angle: Math.atan2(b!.y - a!.y, b!.x - a!.x) };
}

/** Frames between which something at a part of a stroke is under way. */
interface Span {
  readonly from: number;
  readonly to: number;
}

function spanOf(stroke: Stroke, { at, point }: Rider): Span | null {
  if (at === 'head') return onSpan(stroke);
  if (at === 'tail') {
    const keys = keysOf(stroke.window.tail);
    return keys.length > 1 ? { from: keys[0]!.frame, to: keys.at(-1)!.frame } : null;
  }
  const share = valueAt(point, 0);
  const [from, to] = [arrivalFrame(stroke, 'head', share), arrivalFrame(stroke, 'tail', share)];
  return from === null ? null : { from, to: to ?? Infinity };
}

/** The length along a stroke at which something rides, px. */
function lengthAt(stroke: Stroke, { at, point }: Rider, frame: number): number {
  const { length } = measurePath(stroke.path);
  const { head, tail, slide } = windowAt(stroke, frame);
  const share = at === 'point' ? valueAt(point, frame) : clamp(at === 'head' ? head : tail, 0, 1);
  return length * (stroke.path.closed ? share + slide : share);
}

/** Minimum-jerk progress (Flash & Hogan 1985): how a hand goes from one place to another. */
const carried = (t: number): number => t * t * t * (10 + t * (6 * t - 15));

/** The shortest way from one angle to another. */
const turnTo = (from: number, to: number): number => Math.atan2(Math.sin(to - from), Math.cos(to - from));

/**
 * Where a rider is that goes along strokes one after another, lifted from the end of one to the start of the next between them.
 * @param place the place on a stroke at a length, in the picture.
 */
export function ridesAt(
  strokes: readonly Stroke[],
  rider: Rider,
  frame: number,
  place: (stroke: Stroke, s: number) => OnStroke,
): Ridden | null {
  if (strokes.length === 0) return null;
  const timed = strokes.flatMap((stroke) => {
    const span = spanOf(stroke, rider);
    return span ? [{ stroke, span }] : [];
  });
  timed.sort((a, b) => a.span.from - b.span.from);
  const begun = timed.findLast(({ span }) => span.from <= frame) ?? timed[0];
  const stroke = begun?.stroke ?? strokes[0]!;
  const here = place(stroke, lengthAt(stroke, rider, frame));
  const next = begun && timed[timed.indexOf(begun) + 1];
  const lifted = begun && next && frame > begun.span.to && next.span.from > begun.span.to;
  const t = lifted ? carried((frame - begun.span.to) / (next.span.from - begun.span.to)) : 0;
  const there = lifted ? place(next.stroke, lengthAt(next.stroke, rider, next.span.from)) : here;
  const angle = rider.turned ? here.angle + turnTo(here.angle, there.angle) * t : 0;
  const k = rider.sized ? valueAt(stroke.ink.width, frame) / rider.width : 1;
  const at = translation(here.x + (there.x - here.x) * t, here.y + (there.y - here.y) * t);
  const turn = compose(rotation(angle + valueAt(rider.lean, frame)), scaling(k));
  const last = Math.max(...timed.map(({ span }) => span.to));
  return { matrix: compose(at, turn), presence: presenceAt(rider, frame, timed[0]?.span.from ?? null, last) };
}

/** How much of a rider is there between its coming and its going. */
function presenceAt({ comes, goes, stays }: Rider, frame: number, from: number | null, to: number): number {
  if (from === null) return 1;
  if (frame < from) return comes > 0 ? Math.max(0, 1 - (from - frame) / comes) : 0;
  if (frame <= to || stays) return 1;
  return goes > 0 ? Math.max(0, 1 - (frame - to) / goes) : 0;
}
