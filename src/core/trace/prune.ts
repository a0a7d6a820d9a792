import { chainLength, type Chain, type ChainGraph } from './skeleton';

type End = 'from' | 'to';

/** The ends of chains that meet at a fork. */
export function endsAt(graph: ChainGraph, fork: number): { chain: Chain; end: End }[] {
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

/** Where only two ends are left at a fork, it is none: the two runs become one, or a ring. */
function dissolve(graph: ChainGraph, fork: number): void {
  const ends = endsAt(graph, fork);
  if (ends.length > 2) return;
  graph.forks.delete(fork);
  if (ends.length === 1) ends[0]!.chain[ends[0]!.end] = null;
  if (ends.length !== 2) return;
  const [a, b] = ends as [(typeof ends)[0], (typeof ends)[0]];
  const remove = (chain: Chain) => graph.chains.splice(graph.chains.indexOf(chain), 1);
  if (a.chain === b.chain) {
    remove(a.chain);
    graph.chains.push({ ...a.chain, from: null, to: null, closed: true });
    return;
  }
  const first = a.end === 'to' ? a.chain : reversed(a.chain);
  const second = b.end === 'from' ? b.chain : reversed(b.chain);
  remove(a.chain);
  remove(b.chain);
  graph.chains.push({
    ...first,
    x: [...first.x, ...second.x.slice(1)],
    y: [...first.y, ...second.y.slice(1)],
    r: [...first.r, ...second.r.slice(1)],
    to: second.to,
  });
}

/**
 * Takes out spurs: runs to a free end that show no more ink than the disc at their fork nearly holds. The least
 * first, since taking one out joins others.
 * @param least how far the ink must stick out of that disc, in its radius.
 */
export function pruneSpurs(graph: ChainGraph, least: number): void {
  for (;;) {
    let worst: { chain: Chain; fork: number; out: number } | null = null;
    for (const chain of graph.chains) {
      const fork = chain.from ?? chain.to;
      if (fork === null || (chain.from !== null && chain.to !== null)) continue;
      const { r } = graph.forks.get(fork)!;
      const tip = chain.from === null ? chain.r[0]! : chain.r.at(-1)!;
      const out = (chainLength(chain) + tip - r) / r;
      if (out < least && (!worst || out < worst.out)) worst = { chain, fork, out };
    }
    if (!worst) return;
    graph.chains.splice(graph.chains.indexOf(worst.chain), 1);
    dissolve(graph, worst.fork);
  }
}
