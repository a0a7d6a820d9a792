import { distance, type Point } from '../../geometry';
import { isInk, reachOfInk, type Mask } from '../../mask';
import { clamp } from '../../numbers';
import { armOf, crossing, turning, type Arm, type Place } from './arms';
import { endsAt } from './prune';
import { chainLength, type Chain, type ChainGraph, type Fork } from './skeleton';

/** How a pen goes on where runs of the middle meet. */
export interface Join {
  readonly from: Arm;
  /** The arm it leaves along, or null where the stroke ends on another. */
  readonly to: Arm | null;
  /** Places between the two exits, or from the exit to the end on the other stroke. */
  readonly between: readonly Place[];
}

interface JoinOptions {
  /** Join what is left over at a fork, with a corner, so that the pen is lifted less often. */
  readonly fewestLifts: boolean;
  /** Says which of the arms at a fork a hand goes on between; where absent the pen turns as little as it can. */
  readonly goesOn?: (arms: readonly Arm[]) => readonly (readonly [Arm, Arm])[];
}

/** A pen that turns further than this does not simply go on. */
const GOES_ON = (70 * Math.PI) / 180;
/** A turn sharper than this, within the width of a line, is a corner. */
const CORNER = (48 * Math.PI) / 180;

interface Knot {
  forks: Fork[];
  ids: Set<number>;
}

/** Forks whose discs lie in one another are one place where lines meet. */
function knotsOf(graph: ChainGraph): { knots: Knot[]; inner: Set<Chain> } {
  const knotOf = new Map<number, Knot>();
  for (const [id, fork] of graph.forks) knotOf.set(id, { forks: [fork], ids: new Set([id]) });
  const inner = new Set<Chain>();
  const merge = (a: number, b: number): void => {
    const [one, other] = [knotOf.get(a)!, knotOf.get(b)!];
    if (one === other) return;
    one.forks.push(...other.forks);
    for (const id of other.ids) {
      one.ids.add(id);
      knotOf.set(id, one);
    }
  };
  for (const chain of graph.chains) {
    if (chain.from === null || chain.to === null || chain.from === chain.to) continue;
    const [a, b] = [graph.forks.get(chain.from)!, graph.forks.get(chain.to)!];
    if (chainLength(chain) < 0.9 * Math.max(a.r, b.r)) {
      merge(chain.from, chain.to);
      inner.add(chain);
    }
  }
  // Lines that cross at a sharp angle share a longer stretch of ink: told by both going straight through it.
  for (const chain of graph.chains) {
    if (inner.has(chain) || chain.from === null || chain.to === null || chain.from === chain.to) continue;
    if (isCrossing(graph, chain)) {
      merge(chain.from, chain.to);
      inner.add(chain);
    }
  }
  return { knots: [...new Set(knotOf.values())], inner };
}

function isCrossing(graph: ChainGraph, bridge: Chain): boolean {
  const [a, b] = [graph.forks.get(bridge.from!)!, graph.forks.get(bridge.to!)!];
  const length = chainLength(bridge);
  if (length > 6 * Math.max(a.r, b.r)) return false;
  const others = (fork: number, place: Fork) =>
    endsAt(graph, fork)
      .filter(({ chain }) => chain !== bridge)
      .map(({ chain, end }) => armOf(chain, end, [place]));
  const [left, right] = [others(bridge.from!, a), others(bridge.to!, b)];
  if (left.length !== 2 || right.length !== 2) return false;
  const width = [...left, ...right].reduce((sum, arm) => sum + arm.typical, 0) / 4;
  // The shared stretch is nowhere thinner than one line.
  if (Math.min(...bridge.r) < 0.9 * width) return false;
  const straight = (p: Arm, q: Arm): boolean => turning(p, q) < 0.5;
  const [l0, l1] = left as [Arm, Arm];
  const [r0, r1] = right as [Arm, Arm];
  return (straight(l0, r0) && straight(l1, r1)) || (straight(l0, r1) && straight(l1, r0));
}

const DIRECTIONS = Array.from({ length: 12 }, (_, i) => ({
  x: Math.cos((i * Math.PI) / 6),
  y: Math.sin((i * Math.PI) / 6),
}));

/** A line grows wider toward another by so much at the most. */
const FLARES = 2.2;

/** Half the width of a pen there: between two known ones, and wider where the ink leaves room, as where lines meet. */
function roomFor(p: Point, half: number, mask: Mask): number {
  const most = FLARES * half;
  const room = Math.min(...DIRECTIONS.map((d) => reachOfInk(mask, p.x, p.y, d.x, d.y, most)));
  return Math.max(half, room);
}

/** A line from where it is itself to where it ends on another, as a few places: it flares where the ink does. */
function flare(from: Place, to: Point, mask: Mask): Place[] {
  const STEPS = 4;
  return Array.from({ length: STEPS }, (_, i): Place => {
    const t = (i + 1) / STEPS;
    const p = { x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) };
    return { ...p, r: roomFor(p, from.r, mask) };
  });
}

/** The curve that leaves a place in one direction and arrives at another in its own: a cubic, as seven places. */
function bend(a: Place, along: Point, b: Place, arriving: Point, mask: Mask): Place[] {
  const reach = distance(a, b) / 3;
  const STEPS = 8;
  return Array.from({ length: STEPS - 1 }, (_, i): Place => {
    const t = (i + 1) / STEPS;
    const u = 1 - t;
    const [k0, k1, k2, k3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
    const at = (p: number, dp: number, q: number, dq: number) =>
      k0 * p + k1 * (p + dp * reach) + k2 * (q - dq * reach) + k3 * q;
    const p = { x: at(a.x, along.x, b.x, arriving.x), y: at(a.y, along.y, b.y, arriving.y) };
    return { ...p, r: roomFor(p, a.r * u + b.r * t, mask) };
  });
}

/** What lies between two joined arms: a corner where their lines meet, or a bend. */
function connect(a: Arm, b: Arm, mask: Mask): Place[] {
  const turn = turning(a, b);
  const at = crossing(a, b);
  const r = (a.exit.r + b.exit.r) / 2;
  if (turn > CORNER && at && at.alongA > -0.2 * r && at.alongB > -0.2 * r) {
    if (at.alongA < 8 * r && at.alongB < 8 * r && isInk(mask, at.x, at.y)) {
      return [{ x: at.x, y: at.y, r, corner: true }];
    }
  }
  return bend(a.exit, a.inward, b.exit, { x: -b.inward.x, y: -b.inward.y }, mask);
}

/** The first place where a ray meets a line of places, within a reach. */
function meet(from: Point, along: Point, line: readonly Point[], reach: number): Point | null {
  let best = reach;
  let found: Point | null = null;
  for (let i = 1; i < line.length; i++) {
    const [p, q] = [line[i - 1]!, line[i]!];
    const [ex, ey] = [q.x - p.x, q.y - p.y];
    const det = along.x * ey - along.y * ex;
    if (Math.abs(det) < 1e-9) continue;
    const [dx, dy] = [p.x - from.x, p.y - from.y];
    const s = (dx * ey - dy * ex) / det;
    const t = (dx * along.y - dy * along.x) / det;
    if (t < 0 || t > 1 || s < 0 || s > best) continue;
    best = s;
    found = { x: from.x + along.x * s, y: from.y + along.y * s };
  }
  return found;
}

function nearestOn(line: readonly Point[], to: Point): Point {
  let best = line[0]!;
  let least = Infinity;
  for (let i = 1; i < line.length; i++) {
    const [p, q] = [line[i - 1]!, line[i]!];
    const [ex, ey] = [q.x - p.x, q.y - p.y];
    const t = clamp(((to.x - p.x) * ex + (to.y - p.y) * ey) / (ex * ex + ey * ey || 1), 0, 1);
    const here = { x: p.x + ex * t, y: p.y + ey * t };
    if (distance(here, to) < least) {
      least = distance(here, to);
      best = here;
    }
  }
  return best;
}

/** Some of an arm beyond its exit, from afar toward the fork: what an ending stroke may also run into. */
function stretch(arm: Arm): Point[] {
  const { chain, end, cut } = arm;
  const n = chain.x.length;
  const out: Point[] = [];
  for (let k = Math.min(n - 1, cut + 24); k >= cut; k--) {
    const i = end === 'from' ? k : n - 1 - k;
    out.push({ x: chain.x[i]!, y: chain.y[i]! });
  }
  return out;
}

/** Decides at every place where lines meet which goes on as which, and which ends there. */
export function joinsOf(
  graph: ChainGraph,
  mask: Mask,
  options: JoinOptions,
): { joins: Join[]; inner: Set<Chain> } {
  const { knots, inner } = knotsOf(graph);
  const joins: Join[] = [];
  for (const knot of knots) {
    const ends = [...knot.ids].flatMap((id) => endsAt(graph, id)).filter(({ chain }) => !inner.has(chain));
    const arms = ends.map(({ chain, end }) => armOf(chain, end, knot.forks));
    const free = new Set(arms);
    const pairs: { a: Arm; b: Arm; turn: number }[] = [];
    arms.forEach((a, i) => arms.slice(i + 1).forEach((b) => pairs.push({ a, b, turn: turning(a, b) })));
    pairs.sort((p, q) => p.turn - q.turn);
    const through: Place[][] = [];
    const join = (a: Arm, b: Arm): void => {
      free.delete(a);
      free.delete(b);
      const between = connect(a, b, mask);
      joins.push({ from: a, to: b, between });
      through.push([...stretch(a), ...between, ...stretch(b).reverse()].map((p) => ({ r: 0, ...p })));
    };
    if (options.goesOn) for (const [a, b] of options.goesOn(arms)) join(a, b);
    else {
      for (const { a, b, turn } of pairs) {
        if (!free.has(a) || !free.has(b)) continue;
        if (turn < GOES_ON || arms.length === 2) join(a, b);
      }
      // Three lines that meet without any going on: the straightest two do.
      if (through.length === 0 && pairs.length > 0) join(pairs[0]!.a, pairs[0]!.b);
    }
    const reach = 6 * Math.max(...knot.forks.map((fork) => fork.r));
    const fork = knot.forks[0]!;
    const endOf = (arm: Arm): Point => {
      const met = through
        .map((line) => meet(arm.exit, arm.inward, line, reach))
        .filter((p) => p !== null)
        .sort((p, q) => distance(p, arm.exit) - distance(q, arm.exit))[0];
      return met ?? (through[0] ? nearestOn(through[0], fork) : fork);
    };
    if (options.fewestLifts && !options.goesOn) {
      // What is left over comes in to the line it meets and leaves from the same place.
      for (const { a, b, turn } of pairs) {
        if (!free.has(a) || !free.has(b) || a.chain === b.chain || turn > 2.8) continue;
        const [p, q] = [endOf(a), endOf(b)];
        if (distance(p, q) > a.typical + b.typical) continue;
        free.delete(a);
        free.delete(b);
        const middle = nearestOn(through[0]!, { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 });
        joins.push({ from: a, to: b, between: [{ ...middle, r: (a.exit.r + b.exit.r) / 2, corner: true }] });
      }
    }
    for (const arm of free) {
      const at = endOf(arm);
      joins.push({ from: arm, to: null, between: flare(arm.exit, at, mask) });
    }
  }
  return { joins, inner };
}
