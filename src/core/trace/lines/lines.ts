import type { Arm, Chain, Join, Place } from '../skeleton';

/** One pen movement as places along it. */
export interface Line {
  readonly places: readonly Place[];
  readonly closed: boolean;
  readonly piece: number;
  /** Whether its ends are ends of ink; the others lie on another stroke. */
  readonly freeStart: boolean;
  readonly freeEnd: boolean;
  /** The runs it is strung of, each with whether it is gone through from its first place to its last. */
  readonly runs: readonly { readonly chain: Chain; readonly forward: boolean }[];
}

interface Bounded {
  chain: Chain;
  from: Join | undefined;
  to: Join | undefined;
}

/** A chain's own places between what its two joins cut off, from its `from` end to its `to` end. */
function body(chain: Chain, cutFrom: number, cutTo: number, rFrom: number, rTo: number): Place[] {
  const n = chain.x.length;
  const corners = chain.corners ?? [];
  const out: Place[] = [];
  for (let k = cutFrom; k < n - cutTo; k++) {
    const [x, y] = [chain.x[k]!, chain.y[k]!];
    const corner = corners.some((c) => c.x === x && c.y === y);
    out.push({ x, y, r: chain.r[k]!, ...(corner && { corner }) });
  }
  // Right at its exits a run is still as wide as the fork makes it.
  if (cutFrom > 0 && out[0]) out[0] = { ...out[0], r: Math.min(out[0].r, rFrom) };
  if (cutTo > 0 && out.at(-1)) out[out.length - 1] = { ...out.at(-1)!, r: Math.min(out.at(-1)!.r, rTo) };
  return out;
}

/** Strings the runs of the middle together as the joins say. */
export function linesOf(chains: readonly Chain[], joins: readonly Join[]): Line[] {
  const known = new Map<Chain, Bounded>();
  for (const chain of chains) known.set(chain, { chain, from: undefined, to: undefined });
  const note = (arm: Arm, join: Join): void => {
    const bounded = known.get(arm.chain);
    if (bounded) bounded[arm.end] = join;
  };
  for (const join of joins) {
    note(join.from, join);
    if (join.to) note(join.to, join);
  }
  const armAt = ({ chain, from, to }: Bounded, end: 'from' | 'to'): Arm | null => {
    const join = end === 'from' ? from : to;
    if (!join) return null;
    if (join.from.chain === chain && join.from.end === end) return join.from;
    return join.to && join.to.chain === chain && join.to.end === end ? join.to : null;
  };
  const own = (bounded: Bounded): Place[] => {
    const [a, b] = [armAt(bounded, 'from'), armAt(bounded, 'to')];
    return body(bounded.chain, a?.cut ?? 0, b?.cut ?? 0, a?.exit.r ?? Infinity, b?.exit.r ?? Infinity);
  };
  /** The join met when leaving a run at an end, and where it leads. */
  const onward = (bounded: Bounded, end: 'from' | 'to') => {
    const join = bounded[end];
    if (!join) return null;
    const arm = armAt(bounded, end)!;
    const forward = join.from === arm;
    return {
      between: forward ? join.between : [...join.between].reverse(),
      next: join.to ? (forward ? join.to : join.from) : null,
    };
  };
  const used = new Set<Chain>();
  const follow = (start: Bounded, leaveBy: 'from' | 'to'): Line => {
    const places: Place[] = [];
    const runs: { chain: Chain; forward: boolean }[] = [];
    const entered = leaveBy === 'to' ? 'from' : 'to';
    const before = onward(start, entered);
    const freeStart = !before;
    // A stroke that begins on another one begins with the way from there.
    if (before && !before.next) places.push(...[...before.between].reverse());
    let now = start;
    let leave = leaveBy;
    for (;;) {
      used.add(now.chain);
      runs.push({ chain: now.chain, forward: leave === 'to' });
      const mine = own(now);
      places.push(...(leave === 'to' ? mine : mine.reverse()));
      const way = onward(now, leave);
      if (!way) return { places, closed: false, piece: now.chain.piece, freeStart, freeEnd: true, runs };
      places.push(...way.between);
      if (!way.next)
        return { places, closed: false, piece: now.chain.piece, freeStart, freeEnd: false, runs };
      const following = known.get(way.next.chain)!;
      if (used.has(following.chain)) {
        return { places, closed: true, piece: now.chain.piece, freeStart: false, freeEnd: false, runs };
      }
      leave = way.next.end === 'from' ? 'to' : 'from';
      now = following;
    }
  };
  const lines: Line[] = [];
  const stops = (bounded: Bounded, end: 'from' | 'to'): boolean => !onward(bounded, end)?.next;
  for (const bounded of known.values()) {
    if (used.has(bounded.chain) || bounded.chain.closed) continue;
    if (stops(bounded, 'from')) lines.push(follow(bounded, 'to'));
    else if (stops(bounded, 'to')) lines.push(follow(bounded, 'from'));
  }
  for (const bounded of known.values()) {
    if (used.has(bounded.chain)) continue;
    if (bounded.chain.closed) {
      used.add(bounded.chain);
      const places = body(bounded.chain, 0, 0, Infinity, Infinity).slice(0, -1);
      const runs = [{ chain: bounded.chain, forward: true }];
      lines.push({
        places,
        closed: true,
        piece: bounded.chain.piece,
        freeStart: false,
        freeEnd: false,
        runs,
      });
    } else lines.push(follow(bounded, 'to'));
  }
  return lines;
}
