import { chainLength, type Chain, type ChainGraph } from './skeleton';

type End = 'from' | 'to';

/** The ends of chains that meet at a fork. */
export function endsAt(graph: ChainGraph, fork: number): ChainEnd[] {
  return graph.chains.flatMap((chain) =>
    (['from', 'to'] as const).flatMap((end) => (chain[end] === fork ? [{ chain, end }] : [])),
  );
}

/** The same run the other way round. */
export const reversed = (chain: Chain): Chain => ({
  ...chain,
  x: [...chain.x].reverse(),
  y: [...chain.y].reverse(),
  r: [...chain.r].reverse(),
  from: chain.to,
  to: chain.from,
});

/** An end of a run. */
interface ChainEnd {
  readonly chain: Chain;
  readonly end: End;
}

/** Puts one run, or a ring, in the place of two that meet at a fork by the given ends; it goes from the first into the second. */
export function strungTogether(graph: ChainGraph, a: ChainEnd, b: ChainEnd): Chain {
  const remove = (chain: Chain) => graph.chains.splice(graph.chains.indexOf(chain), 1);
  remove(a.chain);
  let made: Chain;
  if (a.chain === b.chain) made = { ...a.chain, from: null, to: null, closed: true };
  else {
    remove(b.chain);
    const first = a.end === 'to' ? a.chain : reversed(a.chain);
    const second = b.end === 'from' ? b.chain : reversed(b.chain);
    made = {
      ...first,
      x: [...first.x, ...second.x.slice(1)],
      y: [...first.y, ...second.y.slice(1)],
      r: [...first.r, ...second.r.slice(1)],
      to: second.to,
    };
  }
  graph.chains.push(made);
  return made;
}

/** Where only two ends are left at a fork, it is none: the two runs become one, or a ring. */
function dissolve(graph: ChainGraph, fork: number): void {
  const ends = endsAt(graph, fork);
  if (ends.length > 2) return;
  graph.forks.delete(fork);
  if (ends.length === 1) ends[0]!.chain[ends[0]!.end] = null;
  if (ends.length !== 2) return;
  strungTogether(graph, ends[0]!, ends[1]!);
}

/** Half the width of the thinnest other run at a fork, a little away from it. */
function thinnestOther(graph: ChainGraph, spur: Chain, fork: number): number {
  const { r } = graph.forks.get(fork)!;
  const halves = endsAt(graph, fork)
    .filter(({ chain }) => chain !== spur)
    .map(({ chain, end }) => {
      const n = chain.x.length;
      let way = 0;
      let k = 0;
      while (k < n - 1 && way < 2 * r) {
        const [i, j] = end === 'from' ? [k, k + 1] : [n - 1 - k, n - 2 - k];
        way += Math.hypot(chain.x[j]! - chain.x[i]!, chain.y[j]! - chain.y[i]!);
        k++;
      }
      return chain.r[end === 'from' ? k : n - 1 - k]!;
    });
  return Math.min(r, ...halves);
}

/**
 * Takes out spurs: runs to a free end that show hardly more ink than the line they hang on. The least first, since
 * taking one out joins others.
 * @param least how far the ink must stick out of that line, in half its width.
 */
export function pruneSpurs(graph: ChainGraph, least: number): void {
  for (;;) {
    let worst: { chain: Chain; fork: number; out: number } | null = null;
    for (const chain of graph.chains) {
      const fork = chain.from ?? chain.to;
      if (fork === null || (chain.from !== null && chain.to !== null)) continue;
      const tip = chain.from === null ? chain.r[0]! : chain.r.at(-1)!;
      const half = thinnestOther(graph, chain, fork);
      const out = (chainLength(chain) + tip - half) / half;
      if (out < least && (!worst || out < worst.out)) worst = { chain, fork, out };
    }
    if (!worst) return;
    graph.chains.splice(graph.chains.indexOf(worst.chain), 1);
    dissolve(graph, worst.fork);
  }
}
