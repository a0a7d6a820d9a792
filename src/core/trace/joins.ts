import { distance, type Point } from '../geometry';
import { armOf, crossing, turning, type Arm, type Place } from './arms';
import { isInk, reachOfInk, type Mask } from './mask';
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

export interface JoinOptions {
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
    const t = Math.min(1, Math.max(0, ((to.x - p.x) * ex + (to.y - p.y) * ey) / (ex * ex + ey * ey || 1)));
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

/**
 * Two lines that melt into one: so many half widths of one it is wide where they begin to, and so many at their tip at the most. The
 * width between falls evenly; that of a line which ends on another is its own at once. So much of what it falls by is left there.
 */
const MELTED = { begun: 1.3, tip: 1.12, quarter: 0.5, half: 0.3 };
/** And neither is wider than the other by more than this. */
const ALIKE = 1.2;
/** Two lines of which a pen turns less from one into the other go on as one, and what hangs on them is no tip of theirs. */
const TURNS = { melted: 0.7, crossed: 0.9 };

/** Whether a run is two lines on their way to the tip they share: as wide as both where they meet it, ever less wide toward its end. */
function isMelted({ chain, end }: Arm, a: Arm, b: Arm): boolean {
  const half = (a.typical + b.typical) / 2;
  const last = chain.r.length - 1;
  const at = (share: number): number =>
    chain.r[Math.round(last * (end === 'from' ? share : 1 - share))]! / half;
  const fall = at(0) - at(1);
  const [wide, narrow] = [Math.max(a.typical, b.typical), Math.min(a.typical, b.typical)];
  return (
    at(0) > MELTED.begun &&
    at(1) < MELTED.tip &&
    at(0.25) - at(1) > MELTED.quarter * fall &&
    at(0.5) - at(1) > MELTED.half * fall &&
    wide < ALIKE * narrow
  );
}

/** A sharp angle: the run that its filled ink made, the two lines, and where they meet. */
interface SharpAngle {
  readonly tail: Arm;
  readonly a: Arm;
  readonly b: Arm;
  readonly at: Point;
}

/**
 * A sharp angle (V, A, M) fills with ink: two lines that meet at the tip of a short run to a free end. Its run goes, if the two
 * lines, drawn to where they meet, cover what it covered, or if its width says that both lie in it, up to their tip.
 */
function sharpAngle(arms: readonly Arm[], mask: Mask): SharpAngle | null {
  if (arms.length !== 3) return null;
  for (const tail of arms) {
    const free = (tail.end === 'from' ? tail.chain.to : tail.chain.from) === null;
    const [a, b] = arms.filter((arm) => arm !== tail) as [Arm, Arm];
    const half = (a.typical + b.typical) / 2;
    if (!free || tail.length > 10 * half) continue;
    const turn = turning(a, b);
    const n = tail.chain.x.length - 1;
    const k = tail.end === 'from' ? n : 0;
    const tip = { x: tail.chain.x[k]!, y: tail.chain.y[k]! };
    const at = crossing(a, b);
    if (turn > TURNS.crossed && at && at.alongA >= 0 && at.alongB >= 0 && isInk(mask, at.x, at.y)) {
      const beyond = distance(at, tip);
      const uncovered = beyond + tail.chain.r[k]! - half;
      if (uncovered < 1.0 * half && beyond < 1.6 * half) return { tail, a, b, at };
    }
    if (turn > TURNS.melted && isMelted(tail, a, b)) return { tail, a, b, at: tip };
  }
  return null;
}

/** Turns the filled angles of letters like V into corners, one after another. */
export function sharpenAngles(graph: ChainGraph, mask: Mask): void {
  for (let again = true; again;) {
    again = false;
    for (const [id, fork] of graph.forks) {
      const arms = endsAt(graph, id).map(({ chain, end }) => armOf(chain, end, [fork]));
      const sharp = sharpAngle(arms, mask);
      if (!sharp || sharp.a.chain === sharp.b.chain) continue;
      cornerInto(graph, sharp);
      again = true;
      break;
    }
  }
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

/** Replaces a sharp angle's three runs by one that goes in along one arm, turns at the corner, and leaves by the other. */
function cornerInto(graph: ChainGraph, { tail, a, b, at }: SharpAngle): void {
  const rest = (arm: Arm): { x: number[]; y: number[]; r: number[]; far: number | null } => {
    const { chain, end, cut } = arm;
    const turned = end === 'to';
    const cutOff = (v: readonly number[]) => (turned ? v.slice(0, v.length - cut) : v.slice(cut).reverse());
    return {
      x: cutOff(chain.x),
      y: cutOff(chain.y),
      r: cutOff(chain.r),
      far: turned ? chain.from : chain.to,
    };
  };
  const [one, other] = [rest(a), rest(b)];
  const r = (a.exit.r + b.exit.r) / 2;
  const merged: Chain = {
    x: [...one.x, at.x, ...other.x.reverse()],
    y: [...one.y, at.y, ...other.y.reverse()],
    r: [...one.r, r, ...other.r.reverse()],
    from: one.far,
    to: other.far,
    closed: false,
    piece: a.chain.piece,
    corners: [...(a.chain.corners ?? []), ...(b.chain.corners ?? []), at],
  };
  const fork = tail.chain[tail.end]!;
  for (const chain of [tail.chain, a.chain, b.chain]) graph.chains.splice(graph.chains.indexOf(chain), 1);
  graph.chains.push(merged);
  graph.forks.delete(fork);
}
