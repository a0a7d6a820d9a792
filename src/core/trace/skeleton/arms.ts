import { leadingDirection, type Point } from '../../geometry';
import type { Chain, Fork } from './skeleton';

/** A place on a traced line with half its width there. `corner` marks a turn on the spot. */
export interface Place extends Point {
  readonly r: number;
  readonly corner?: true;
}

/**
 * A run of the middle seen from the fork it leads into. Close to a fork the middle is bent by the ink of the others;
 * `exit` is the last place that is not, and `inward` the direction (unit) the line had there, toward the fork.
 */
export interface Arm {
  readonly chain: Chain;
  readonly end: 'from' | 'to';
  /** Places of the run counted from the fork that are bent. */
  readonly cut: number;
  readonly exit: Place;
  readonly inward: Point;
  /** Half the width of the line, as it is away from the fork. */
  readonly typical: number;
  readonly length: number;
}

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

/** Looks at a run from one of its ends, where it meets the given forks. */
export function armOf(chain: Chain, end: 'from' | 'to', forks: readonly Fork[]): Arm {
  const n = chain.x.length;
  const index = (k: number): number => (end === 'from' ? k : n - 1 - k);
  const x = (k: number) => chain.x[index(k)]!;
  const y = (k: number) => chain.y[index(k)]!;
  const r = (k: number) => chain.r[index(k)]!;
  const s: number[] = [0];
  for (let k = 1; k < n; k++) s.push(s[k - 1]! + Math.hypot(x(k) - x(k - 1), y(k) - y(k - 1)));
  const length = s[n - 1]!;
  const big = Math.max(...forks.map((fork) => fork.r));
  const away: number[] = [];
  for (let k = 0; k < n; k++) if (s[k]! > 1.3 * big && s[k]! < 5 * big) away.push(r(k));
  if (away.length === 0) for (let k = n >> 1; k < n; k++) away.push(r(k));
  const typical = median(away);
  // Between two forks each side gets its half; a run to a free end keeps a tail to go by.
  const both = chain.from !== null && chain.to !== null;
  const most = Math.min(3 * big, length * (both ? 0.42 : 0.7));
  const outside = (k: number): boolean =>
    forks.every((fork) => Math.hypot(x(k) - fork.x, y(k) - fork.y) > 0.95 * fork.r) && r(k) < 1.07 * typical;
  let cut = 0;
  while (cut < n - 2 && s[cut]! < most && !outside(cut)) cut++;
  // The middle is still bent where its width is already back to the usual.
  const settled = Math.min(most, s[cut]! + 0.5 * typical);
  while (cut < n - 2 && s[cut]! < settled) cut++;
  const reach = Math.min(2.6 * typical, both ? (length - s[cut]!) * 0.6 : length - s[cut]!);
  const run: Point[] = [];
  for (let k = cut; k < n && (s[k]! - s[cut]! <= reach || run.length < 3); k++)
    run.push({ x: x(k), y: y(k) });
  const onward = leadingDirection(run, reach > 1.6 * typical);
  return {
    chain,
    end,
    cut,
    exit: { x: x(cut), y: y(cut), r: Math.min(r(cut), 1.15 * typical) },
    inward: { x: -onward.x, y: -onward.y },
    typical,
    length,
  };
}

const angleBetween = (a: Point, b: Point): number =>
  Math.abs(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y));

/** How far a pen turns, in radians, that comes in along one arm and leaves along the other; 0 goes straight on. */
export function turning(a: Arm, b: Arm): number {
  const across = { x: b.exit.x - a.exit.x, y: b.exit.y - a.exit.y };
  const out = { x: -b.inward.x, y: -b.inward.y };
  if (Math.hypot(across.x, across.y) < 1e-6) return angleBetween(a.inward, out);
  return angleBetween(a.inward, across) + angleBetween(across, out);
}

/** Where the lines of two arms cross, with the way from either exit to there; null for parallel ones. */
export function crossing(a: Arm, b: Arm): (Point & { alongA: number; alongB: number }) | null {
  const det = a.inward.x * b.inward.y - a.inward.y * b.inward.x;
  if (Math.abs(det) < 1e-6) return null;
  const dx = b.exit.x - a.exit.x;
  const dy = b.exit.y - a.exit.y;
  const alongA = (dx * b.inward.y - dy * b.inward.x) / det;
  const alongB = (dx * a.inward.y - dy * a.inward.x) / det;
  return { x: a.exit.x + a.inward.x * alongA, y: a.exit.y + a.inward.y * alongA, alongA, alongB };
}
