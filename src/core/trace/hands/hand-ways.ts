import { cornersOf, measurePath, type Path, type Point } from '../../geometry';
import type { TracedStroke } from '../lines';
import { asOne, between, goesBackward, passages, seenByHand, type WritingDirection } from '../order';
import { asWritten, ringOpened, turnedRound } from './as-written';

/**
 * Which way a hand goes through ink of which nothing is known, and where it lifts the pen: lines are cut at their corners, and of
 * all ways through the parts the one that costs a hand least is taken. Moving the pen away from the hand and down is easy, pushing
 * it up or back is not, least of all to begin with; so a P is a stem that falls and a bowl from its top, though its line leads up
 * the stem and on into the bowl, and a V is one movement. That the easiest of the possible ways was the one taken is how Kato &
 * Yasuhara (2000, IEEE TPAMI 22(9)) and others recover drawing orders; the costs here are our own, from print models in memory.
 */

/** A line that turns by more than this may be two movements. */
const CORNER = (40 * Math.PI) / 180;
/** What lifting the pen costs, and what beginning a movement the wrong way does. */
const LIFT = 1;
const BEGUN_WRONG = 1.2;
/** What going on the wrong way costs: up a slant with the writing, up a slant against it, straight up, back, round a bend. */
const GONE_ON = { slantOn: 0.5, slantBack: 2.2, upright: 2.1, back: 0.7, bendOn: 0.6, bend: 1.1 };
/** Over an arch or through a bowl a hand goes back nearly as easily as on. */
const BENT_BACK: Cost = { begun: 0.6, goneOn: 0.4 };
/** A hook or serif costs little whichever way it goes: parts shorter than this share of the longest, the less the shorter they are. */
const WEIGHTY = 0.35;
/** A straight part is upright from this share of rise to length. */
const UPRIGHT = 0.985;

interface Part {
  readonly path: Path;
  /** What it costs to begin with it, and to go on through it, as it stands and the other way. */
  readonly cost: readonly [Cost, Cost];
}

interface Cost {
  readonly begun: number;
  readonly goneOn: number;
}

const EASY: Cost = { begun: 0, goneOn: 0 };

/** What it costs a hand to go through an open part as it stands, and the other way. */
function costOf(path: Path, direction: WritingDirection): readonly [Cost, Cost] {
  const isWrong = goesBackward(path, direction);
  const { isStraight, isLevel, dx, dy, plainly } = seenByHand(path, direction);
  const isUpright = Math.abs(dy) > UPRIGHT * Math.hypot(dx, dy);
  // Gone through upward, a slant leads on where its foot lies before its head.
  const slant = dx * dy < 0 ? GONE_ON.slantOn : GONE_ON.slantBack;
  const straight = isLevel ? GONE_ON.back : isUpright ? GONE_ON.upright : slant;
  const bend = dx * dy < 0 && Math.abs(dx) > 0.35 * Math.abs(dy) ? GONE_ON.bendOn : GONE_ON.bend;
  const wrong = isStraight
    ? { begun: BEGUN_WRONG, goneOn: straight }
    : isLevel
      ? BENT_BACK
      : { begun: BEGUN_WRONG * plainly, goneOn: bend * plainly };
  return isWrong ? [wrong, EASY] : [EASY, wrong];
}

/** Where a path turns so sharply that it may be two movements, as lengths from its start. */
const sharpTurns = (path: Path): number[] =>
  cornersOf(path)
    .filter(({ into, out }) => turn(into, out) > CORNER)
    .map(({ s }) => s);

const turn = (u: Point, v: Point): number =>
  Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y));

interface Way {
  readonly cost: number;
  /** For each part whether it is gone through backward, and whether the one before it is joined to it. */
  readonly backward: readonly boolean[];
  readonly joined: readonly boolean[];
}

/**
 * The cheapest way through parts that follow one another: each forward or backward, joined with its neighbour or after a lift.
 * A part is begun with where nothing is joined to the end at which it is entered.
 */
function easiestWay(parts: readonly Part[]): Way {
  const states = [
    [false, false],
    [false, true],
    [true, false],
    [true, true],
  ] as const;
  // A state says how a part is gone through and whether the part before it is joined to it.
  let best = states.map(([back, joined]): Way | null =>
    joined ? null : { cost: 0, backward: [back], joined: [joined] },
  );
  parts.forEach(({ cost }, k) => {
    const isLast = k === parts.length - 1;
    const next: (Way | null)[] = states.map(() => null);
    states.forEach(([back, joined], i) => {
      const way = best[i];
      if (!way) return;
      for (const [nextBack, link] of isLast ? ([[false, false]] as const) : states) {
        if (link && nextBack !== back) continue;
        const enteredFrom = back ? link : joined;
        const here = cost[back ? 1 : 0];
        const whole = way.cost + (enteredFrom ? here.goneOn : here.begun) + (link || isLast ? 0 : LIFT);
        const at = states.findIndex(([b, j]) => b === nextBack && j === link);
        if (next[at] && next[at].cost <= whole) continue;
        next[at] = {
          cost: whole,
          backward: isLast ? way.backward : [...way.backward, nextBack],
          joined: isLast ? way.joined : [...way.joined, link],
        };
      }
    });
    best = next;
  });
  return best.reduce<Way | null>(
    (least, way) => (way && (!least || way.cost < least.cost) ? way : least),
    null,
  )!;
}

const partsOf = (stroke: TracedStroke, direction: WritingDirection): { parts: Part[]; cuts: number[] } => {
  const { length } = measurePath(stroke.path);
  const cuts = [0, ...sharpTurns(stroke.path), length];
  const longest = Math.max(...cuts.slice(1).map((to, i) => to - cuts[i]!));
  const parts = cuts.slice(1).map((to, i) => {
    const { path } = between(stroke, cuts[i]!, to);
    const weight = Math.min(1, (to - cuts[i]!) / (WEIGHTY * longest));
    const weighed = ({ begun, goneOn }: Cost): Cost => ({ begun: begun * weight, goneOn: goneOn * weight });
    const [forward, backward] = costOf(path, direction);
    return { path, cost: [weighed(forward), weighed(backward)] as const };
  });
  return { parts, cuts };
};

/** A loop is at least so many widths of its line round. */
const LOOP = 6;

/**
 * A line that comes back to its own beginning, as the bowl of a 9 with its stem: the bowl goes against the clock where one writes
 * from the left, and the stem on from where it closes.
 */
function loopFirst(stroke: TracedStroke, direction: WritingDirection): TracedStroke {
  const { path, width } = stroke;
  const { length } = measurePath(path);
  const closes = passages(path, path.points[0]!, width / 2).find((s) => s > LOOP * width);
  if (closes === undefined || length - closes < 2 * width) return stroke;
  const bowl = between(stroke, 0, closes);
  const isWrong = goesBackward({ ...bowl.path, closed: true }, direction);
  const tail = between(stroke, closes, length);
  if (!isWrong || seenByHand(tail.path, direction).dy < 0) return stroke;
  return asOne([between(stroke, closes, 0), tail], stroke);
}

/** The movements in which a hand would make a stroke that was found, each in its direction; one where it need not lift the pen. */
export function handWays(stroke: TracedStroke, direction: WritingDirection): TracedStroke[] {
  const { path } = stroke;
  const turns = path.points.length < 2 ? [] : sharpTurns(path);
  if (turns.length === 0 && !path.closed && path.points.length > 1) {
    for (const one of [stroke, turnedRound(stroke)]) {
      const made = loopFirst(one, direction);
      if (made !== one) return [made];
    }
  }
  if (turns.length === 0 || (path.closed && turns.length < 2)) return [asWritten(stroke, direction)];
  const opened = path.closed ? turns.map((s) => ringOpened(stroke, s)) : [stroke];
  const found = opened.map((open) => {
    const { parts, cuts } = partsOf(open, direction);
    return { open, cuts, way: easiestWay(parts) };
  });
  const { open, cuts, way } = found.reduce((least, one) => (one.way.cost < least.way.cost ? one : least));
  const out: TracedStroke[] = [];
  for (let k = 0; k < way.backward.length;) {
    let last = k;
    while (way.joined[last + 1]) last++;
    const [from, to] = [cuts[k]!, cuts[last + 1]!];
    const back = way.backward[k]!;
    const made = between(open, back ? to : from, back ? from : to);
    const free = [k === 0 && stroke.freeStart, last === way.backward.length - 1 && stroke.freeEnd];
    const [freeStart, freeEnd] = (back ? free.reverse() : free) as [boolean, boolean];
    out.push({ ...stroke, ...made, kind: 'line', freeStart, freeEnd });
    k = last + 1;
  }
  return out;
}
