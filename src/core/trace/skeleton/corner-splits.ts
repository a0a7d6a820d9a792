import type { Point } from '../../geometry';
import { clamp } from '../../numbers';
import { endsAt, strungTogether } from './prune';
import type { Chain, ChainGraph } from './skeleton';

/** A run that turns by more than this within its own width may be two that a hand writes apart. */
const CORNER = (55 * Math.PI) / 180;

/** A place where a run was cut: a fork of two ends, and the corner it is, where the line turns on the spot. */
export interface Cut {
  readonly fork: number;
  readonly turns: Point | null;
}

const turn = (a: Point, b: Point, c: Point): number => {
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, c.x - b.x, c.y - b.y];
  return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy));
};

/** Places of a run at which it turns sharply, by index. */
function cornersOf(chain: Chain): number[] {
  const n = chain.x.length;
  const at = (i: number): Point => ({ x: chain.x[i]!, y: chain.y[i]! });
  const known = new Set(
    (chain.corners ?? []).flatMap((c) => {
      const i = chain.x.findIndex((x, k) => x === c.x && chain.y[k] === c.y);
      return i > 0 && i < n - 1 ? [i] : [];
    }),
  );
  const s = [0];
  for (let i = 1; i < n; i++)
    s.push(s[i - 1]! + Math.hypot(chain.x[i]! - chain.x[i - 1]!, chain.y[i]! - chain.y[i - 1]!));
  // The last place of a ring is its first.
  const ring = chain.closed ? n - 1 : 0;
  const step = (i: number, by: 1 | -1, length: number): number | null => {
    let k = i;
    for (let way = 0; way < length;) {
      let next = k + by;
      if (ring > 0) next = (next + ring) % ring;
      else if (next < 0 || next >= n) return null;
      way += Math.hypot(chain.x[next]! - chain.x[k]!, chain.y[next]! - chain.y[k]!);
      k = next;
      if (ring > 0 && k === i) return null;
    }
    return k;
  };
  const turns: { i: number; by: number }[] = [];
  for (let i = 0; i < (ring || n); i++) {
    const reach = 1.4 * chain.r[i]!;
    const [before, after] = [step(i, -1, reach), step(i, 1, reach)];
    if (before === null || after === null) continue;
    const by = turn(at(before), at(i), at(after));
    if (by > CORNER) turns.push({ i, by });
  }
  const taken = [...known];
  for (const { i } of turns.sort((a, b) => b.by - a.by)) {
    const apart = (k: number): number => {
      const way = Math.abs(s[i]! - s[k]!);
      return ring > 0 ? Math.min(way, s[n - 1]! - way) : way;
    };
    if (taken.every((k) => apart(k) > 2.2 * chain.r[i]!)) taken.push(i);
  }
  return taken.sort((a, b) => a - b);
}

const part = (chain: Chain, from: number, to: number): Pick<Chain, 'x' | 'y' | 'r'> => {
  const cut = (v: readonly number[]): number[] =>
    from <= to ? v.slice(from, to + 1) : [...v.slice(from, -1), ...v.slice(0, to + 1)];
  return { x: cut(chain.x), y: cut(chain.y), r: cut(chain.r) };
};

/**
 * Cuts the runs of a graph where they turn sharply: a hand may lift the pen there, or begin.
 * @returns the cuts.
 */
export function splitAtCorners(graph: ChainGraph): Cut[] {
  const cuts: Cut[] = [];
  let id = Math.max(-1, ...graph.forks.keys()) + 1;
  for (const chain of [...graph.chains]) {
    const corners = cornersOf(chain);
    // A ring that turns sharply at one place is a ring that is begun anywhere.
    if (corners.length === 0 || (chain.closed && corners.length === 1)) continue;
    const fork = (i: number): number => {
      const place = { x: chain.x[i]!, y: chain.y[i]!, r: chain.r[i]! };
      graph.forks.set(id, place);
      const turns = chain.corners?.find(({ x, y }) => x === place.x && y === place.y);
      cuts.push({ fork: id, turns: turns ?? null });
      return id++;
    };
    const forks = corners.map(fork);
    const common = { closed: false, piece: chain.piece };
    const made: Chain[] = chain.closed
      ? corners.map((from, k) => {
          const next = (k + 1) % corners.length;
          return { ...common, ...part(chain, from, corners[next]!), from: forks[k]!, to: forks[next]! };
        })
      : [0, ...corners].map((from, k) => ({
          ...common,
          ...part(chain, from, corners[k] ?? chain.x.length - 1),
          from: k === 0 ? chain.from : forks[k - 1]!,
          to: forks[k] ?? chain.to,
        }));
    graph.chains.splice(graph.chains.indexOf(chain), 1, ...made);
  }
  return cuts;
}

/** Cuts a run that comes back to its fork at a share of its places. */
export function cutLoop(
  graph: ChainGraph,
  chain: Chain,
  at: number,
): { cut: Cut; first: Chain; second: Chain } {
  const n = chain.x.length;
  const i = clamp(Math.round(at * (n - 1)), 1, n - 2);
  const fork = Math.max(-1, ...graph.forks.keys()) + 1;
  graph.forks.set(fork, { x: chain.x[i]!, y: chain.y[i]!, r: chain.r[i]! });
  const common = { closed: false, piece: chain.piece };
  const first: Chain = { ...common, ...part(chain, 0, i), from: chain.from, to: fork };
  const second: Chain = { ...common, ...part(chain, i, n - 1), from: fork, to: chain.to };
  graph.chains.splice(graph.chains.indexOf(chain), 1, first, second);
  return { cut: { fork, turns: null }, first, second };
}

/** Takes a cut back: its two ends are one run again, which turns at it, or a ring. Answers with that run. */
export function mend(graph: ChainGraph, { fork, turns }: Cut): Chain | null {
  const [a, b] = endsAt(graph, fork);
  if (!a || !b) return null;
  graph.forks.delete(fork);
  const corners = [...new Set([a.chain, b.chain])].flatMap((chain) => chain.corners ?? []);
  const made = strungTogether(graph, a, b);
  const all = turns ? [...corners, turns] : corners;
  const known: Chain = all.length > 0 ? { ...made, corners: all } : made;
  graph.chains[graph.chains.length - 1] = known;
  return known;
}

/** Leaves a cut as it is: both runs end there. */
export function leave(graph: ChainGraph, { fork }: Cut): void {
  for (const { chain, end } of endsAt(graph, fork)) chain[end] = null;
  graph.forks.delete(fork);
}
