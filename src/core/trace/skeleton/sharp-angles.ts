import { distance, type Point } from '../../geometry';
import { isInk, type Mask } from '../../mask';
import { armOf, crossing, turning, type Arm } from './arms';
import { endsAt } from './prune';
import type { Chain, ChainGraph } from './skeleton';

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
      pushCorner(graph, sharp);
      again = true;
      break;
    }
  }
}

/** Replaces a sharp angle's three runs by one that goes in along one arm, turns at the corner, and leaves by the other. */
function pushCorner(graph: ChainGraph, { tail, a, b, at }: SharpAngle): void {
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
