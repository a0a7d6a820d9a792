import type { Form, Laid, LetterLine, Match } from '../../ductus';
import type { Point } from '../../geometry';
import {
  chainLength,
  cutLoop,
  endsAt,
  leave,
  mend,
  splitAtCorners,
  turning,
  type Arm,
  type Chain,
  type ChainGraph,
} from '../skeleton';
import type { Line } from './lines';

/** When in its letter a line is written. */
export interface Written {
  /** Which of the letter's movements it belongs to. */
  readonly movement: number;
  /** Where on that movement it begins, a share of its length. */
  readonly from: number;
  /** A dot, bar or accent: it may wait until the word is written. */
  readonly isMark: boolean;
  /** A stretch of the line that its word hangs on: it is written when all the word is. */
  readonly isHeadLine: boolean;
  /** Whether a hand that joins letters goes on to it without lifting the pen. */
  readonly runsOn: boolean;
}

/** Lays the lines of a letter over the forms in which a hand writes it; null where it is like none of them. */
export type Ductus = (lines: readonly LetterLine[]) => Match | null;

/** A run in its place in a letter, as the hand goes through it. */
interface Placed {
  readonly movement: number;
  readonly from: number;
  /** The movement in which it ends: a later one where the hand turned at a corner and went on. */
  readonly last: number;
  readonly to: number;
  readonly turned: boolean;
  readonly start: number;
}

/** The runs of a letter as a hand goes through them. */
interface WrittenGraph {
  readonly placed: Map<Chain, Placed>;
  readonly placedDots: readonly Placed[];
  readonly match: Match;
}

/** Whether a run comes back to where it left; a crossing may be two forks beside one another. */
const comesBack = ({ x, y, r, closed, from, to }: Chain): boolean =>
  !closed &&
  from !== null &&
  to !== null &&
  (from === to || Math.hypot(x.at(-1)! - x[0]!, y.at(-1)! - y[0]!) < r[0]! + r.at(-1)!) &&
  x.some((at, i) => Math.hypot(at - x[0]!, y[i]! - y[0]!) > 2 * (r[0]! + r.at(-1)!));

const linesOfChains = (chains: readonly Chain[]): LetterLine[] =>
  chains.map((chain) => ({
    closed: chain.closed,
    isLoop: comesBack(chain),
    isDot: false,
    // The last place of a ring is its first.
    places: chain.x.map((at, i) => ({ x: at, y: chain.y[i]! })).slice(0, chain.closed ? -1 : undefined),
  }));

const lineOfDot = ({ x, y }: Point): LetterLine => ({
  closed: false,
  isLoop: false,
  isDot: true,
  places: [
    { x, y },
    { x: x + 0.1, y },
  ],
});

/** Stretches that follow one another within this share of a movement belong together. */
const NEAR = 0.17;

const placedAs = (laid: Laid): Placed => ({ ...laid, last: laid.movement });

const arrivesAt = ({ turned }: Placed): 'from' | 'to' => (turned ? 'from' : 'to');

/** A movement that ends where the next begins is gone on from, where the hand does not lift the pen. */
const MEETS = 0.12;

const goesInto = ({ movements }: Form, before: number): boolean => {
  const [a, b] = [movements[before], movements[before + 1]];
  if (!a || !b?.runsOn) return false;
  const [p, q] = [a.way.at(-1)!, b.way[0]!];
  return Math.hypot(p.x - q.x, p.y - q.y) < MEETS;
};

/** How far apart in a form one run ends and another begins; null where the second does not follow the first. */
function gap(form: Form, a: Placed, b: Placed): number | null {
  const isNext = b.movement === a.last + 1 && goesInto(form, a.last);
  const off = isNext ? 1 - a.to + b.from : Math.abs(b.from - a.to);
  if (!isNext && (a.last !== b.movement || b.from + b.to <= a.to + (a.movement === a.last ? a.from : 0)))
    return null;
  return off <= NEAR ? off : null;
}

/**
 * Cuts a letter's runs at their corners, lays them over its forms, and mends the cuts that a hand goes through. The graph is
 * changed in place; where the letter is like no form it is left as it was.
 * @param dots the middles of pieces of ink that have no run.
 */
export function writtenGraph(graph: ChainGraph, dots: readonly Point[], ductus: Ductus): WrittenGraph | null {
  const cuts = splitAtCorners(graph);
  const match = ductus([...linesOfChains(graph.chains), ...dots.map(lineOfDot)]);
  if (!match) {
    for (const cut of cuts) mend(graph, cut);
    return null;
  }
  const chains = [...graph.chains];
  const placed = new Map<Chain, Placed>(chains.map((chain, i) => [chain, placedAs(match.laid[i]!)]));
  const placedDots = match.laid.slice(chains.length).map(placedAs);
  for (const [i, chain] of chains.entries()) {
    const { rest, cutAt } = match.laid[i]!;
    if (!rest) continue;
    const { cut, first, second } = cutLoop(graph, chain, cutAt);
    cuts.push(cut);
    placed.delete(chain);
    placed.set(first, placedAs(match.laid[i]!));
    placed.set(second, placedAs(rest));
  }
  for (const cut of cuts) {
    const [a, b] = endsAt(graph, cut.fork);
    if (!a || !b) continue;
    const [one, other] = [placed.get(a.chain)!, placed.get(b.chain)!];
    const arrives = a.end === arrivesAt(one);
    const leaves = b.end !== arrivesAt(other);
    const follows =
      arrives === leaves && (arrives ? gap(match.form, one, other) : gap(match.form, other, one)) !== null;
    // The last cut of a ring is where the hand begins it and comes back.
    if (a.chain === b.chain || !follows) {
      leave(graph, cut);
      continue;
    }
    const [first, second] = arrives ? [one, other] : [other, one];
    const made = mend(graph, cut)!;
    // What is mended goes from the first run into the second.
    placed.set(made, {
      movement: first.movement,
      from: first.from,
      last: second.last,
      to: second.to,
      turned: !arrives,
      start: 0,
    });
  }
  return { placed, placedDots, match };
}

/** The arms at a fork between which a hand goes on, as its letter says. */
export function goesOn({ placed, match }: WrittenGraph, arms: readonly Arm[]): (readonly [Arm, Arm])[] {
  const pairs: { a: Arm; b: Arm; worth: number }[] = [];
  for (const a of arms) {
    const from = placed.get(a.chain);
    if (!from || a.end !== arrivesAt(from)) continue;
    for (const b of arms) {
      const to = placed.get(b.chain);
      if (!to || b === a || b.chain === a.chain || b.end === arrivesAt(to)) continue;
      const apart = gap(match.form, from, to);
      if (apart !== null) pairs.push({ a, b, worth: apart + 0.05 * turning(a, b) });
    }
  }
  const free = new Set(arms);
  const taken = (inOrder: readonly { a: Arm; b: Arm }[]) =>
    inOrder.flatMap(({ a, b }): (readonly [Arm, Arm])[] => {
      if (!free.has(a) || !free.has(b)) return [];
      free.delete(a);
      free.delete(b);
      return [[a, b]];
    });
  const gone = taken(pairs.sort((p, q) => p.worth - q.worth));
  return [...gone, ...taken(tips(placed, [...free]))];
}

/** A movement begins at a fork that lies within this share of its length. */
const BEGINS = 0.12;
/** What sticks out before a beginning is no longer than this share of the run it leads into, and turns no further. */
const TIP = 0.15;
const IN_LINE = (35 * Math.PI) / 180;

/**
 * What sticks out of a letter before the fork at which a movement begins, in that movement's line: the tip of a stem over its
 * bar. A form knows nothing of it; without this a later movement, on a stretch of which it lies by chance, would come back for it.
 */
function tips(placed: ReadonlyMap<Chain, Placed>, arms: readonly Arm[]): { a: Arm; b: Arm }[] {
  const isTwice = (one: Placed): boolean =>
    [...placed.values()].some(
      (other) =>
        other !== one && other.movement === one.movement && other.from <= one.from && other.to >= one.to,
    );
  const pairs = arms.flatMap((a) =>
    arms.flatMap((b) => {
      const [own, of] = [placed.get(a.chain), placed.get(b.chain)];
      const sticksOut = a.chain.from === null || a.chain.to === null;
      if (!own || !of || own.movement <= of.movement || !sticksOut || !isTwice(own)) return [];
      if (a.length > TIP * b.length) return [];
      const begins = b.end !== arrivesAt(of) && of.from < BEGINS;
      const turn = turning(a, b);
      return begins && turn < IN_LINE ? [{ a, b, turn }] : [];
    }),
  );
  return pairs.sort((p, q) => p.turn - q.turn);
}

const whenOf = ({ movement, from }: Placed): number => movement + Math.min(0.999, from);

/** A line the way a hand goes through it, with when that is; a ring from where the hand begins it. */
export function asHandGoes(line: Line, { placed, match }: WrittenGraph): { line: Line; written: Written } {
  const forward = line.runs.reduce((sum, { chain, forward: on }) => {
    const here = placed.get(chain);
    return here ? sum + (here.turned === on ? -1 : 1) * chainLength(chain) : sum;
  }, 0);
  let { places } = line;
  const runs = forward < 0 ? [...line.runs].reverse() : line.runs;
  // A tip before the line's beginning is written with it, whatever it is like itself.
  const first = runs
    .flatMap(({ chain }) => placed.get(chain) ?? [])
    .reduce<Placed | undefined>(
      (one, other) => (one && whenOf(one) <= whenOf(other) ? one : other),
      undefined,
    );
  if (line.closed && first) {
    const begin = Math.round(first.start * places.length) % places.length;
    places = [...places.slice(begin), ...places.slice(0, begin)];
  }
  if (forward < 0) places = line.closed ? [places[0]!, ...places.slice(1).reverse()] : [...places].reverse();
  const [freeStart, freeEnd] = forward < 0 ? [line.freeEnd, line.freeStart] : [line.freeStart, line.freeEnd];
  return { line: { ...line, places, freeStart, freeEnd, runs }, written: writtenAt(match, first) };
}

/** When something that is so placed is written; what is in no place comes last. */
export function writtenAt({ form }: Match, place: Placed | undefined): Written {
  const movement = place?.movement ?? form.movements.length;
  const { isMark = false, isHeadLine = false, runsOn = false } = form.movements[movement] ?? {};
  const from = place?.from ?? 0;
  return { movement, from, isMark, isHeadLine, runsOn };
}
