import { z } from 'zod';
import { intervalOf, measurePath, tangentAtLength, type Path } from '../geometry';
import { clamp } from '../numbers';

/**
 * How progress is spread along a path: the same time for every curve between two points; as a hand would (slower in tight
 * bends, softened where the pen is set down and lifted); or as it was written. Where there is none, speed is even.
 */
export const paceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('segments') }),
  z.strictObject({
    kind: z.literal('hand'),
    /** 1 is the law itself, 0 an even speed. */
    strength: z.number().min(0).max(2),
    /** How much slower the pen is set down and lifted, 0..1. */
    soft: z.number().min(0).max(1),
  }),
  z.strictObject({ kind: z.literal('written') }),
]);
export type Pace = z.infer<typeof paceSchema>;

/** Time and length so far, both as shares of the whole, at places along a stroke. */
export interface PaceTable {
  readonly time: Float64Array;
  readonly share: Float64Array;
}

/** A share of the recorded time at a share of the length. */
interface Written {
  readonly at: number;
  readonly time: number;
}

const tables = new WeakMap<Path, Map<string, PaceTable>>();

/** The table of a pace on a path; kept while the path lives. Null where speed is even. */
export function paceTable(path: Path, pace: Pace, written?: readonly Written[]): PaceTable | null {
  if (pace.kind === 'written') return written ? tableOf(written) : null;
  if (measurePath(path).length === 0) return null;
  const key = JSON.stringify(pace);
  let of = tables.get(path);
  if (!of) tables.set(path, (of = new Map()));
  let table = of.get(key);
  if (!table)
    of.set(
      key,
      (table = pace.kind === 'segments' ? bySegments(path) : byHand(path, pace.strength, pace.soft)),
    );
  return table;
}

const tableOf = (points: readonly Written[]): PaceTable => ({
  time: Float64Array.from(points, (p) => p.time),
  share: Float64Array.from(points, (p) => p.at),
});

function bySegments(path: Path): PaceTable {
  const { starts, length } = measurePath(path);
  const count = starts.length - 1;
  return {
    time: Float64Array.from(starts, (_, i) => i / count),
    share: Float64Array.from(starts, (s) => s / length),
  };
}

/** Curvature below this share of a circle's of the same length counts as none: a straight line has a finite speed. */
const STRAIGHT = 0.05;
/** Bends tighter than this share of the length are as slow as it. */
const TIGHTEST = 1 / 400;
/** The stretch at either end over which a pen is set down or lifted, as a share of the length. */
const LIFT = 0.07;

/**
 * Speed by the two-thirds power law, v ∝ κ^(−1/3) (Lacquaniti, Terzuolo & Viviani 1983, Acta Psychologica 54): time on a
 * stretch grows with the third root of its curvature.
 */
function byHand(path: Path, strength: number, soft: number): PaceTable {
  const m = measurePath(path);
  const count = clamp(Math.ceil(m.length), 96, 2400);
  const least = (STRAIGHT * 2 * Math.PI) / m.length;
  const most = 1 / (TIGHTEST * m.length);
  const time = new Float64Array(count + 1);
  const share = new Float64Array(count + 1);
  const angle = (s: number): number => {
    const t = tangentAtLength(m, s);
    return Math.atan2(t.y, t.x);
  };
  let before = angle(0);
  for (let i = 1; i <= count; i++) {
    const here = angle((m.length * i) / count);
    let turn = Math.abs(here - before);
    if (turn > Math.PI) turn = 2 * Math.PI - turn;
    before = here;
    const curvature = Math.min(most, (turn * count) / m.length);
    const slow = (curvature * curvature + least * least) ** (strength / 6);
    const away = Math.min(i - 0.5, count - i + 0.5) / count;
    const ends = path.closed ? 0 : soft * 3 * Math.exp(-((away / LIFT) ** 2));
    share[i] = i / count;
    time[i] = time[i - 1]! + slow * (1 + ends);
  }
  const whole = time[count]!;
  for (let i = 1; i <= count; i++) time[i] = time[i]! / whole;
  return { time, share };
}

function between(x: number, from: Float64Array, to: Float64Array): number {
  const i = intervalOf(from, x);
  const [a, b] = [from[i]!, from[i + 1]!];
  return b > a ? to[i]! + ((to[i + 1]! - to[i]!) * (x - a)) / (b - a) : to[i + 1]!;
}

/** The share of the length at a progress; beyond 0..1 progress is the share. */
export const pacedShare = ({ time, share }: PaceTable, progress: number): number =>
  progress <= 0 || progress >= 1 ? progress : between(progress, time, share);

/** The progress at which a share of the length is reached. */
export const progressAt = ({ time, share }: PaceTable, of: number): number =>
  of <= 0 || of >= 1 ? of : between(of, share, time);
