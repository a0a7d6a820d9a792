import type { Stop } from '../colour';
import {
  applyMatrix,
  cornersOf,
  measurePath,
  radiusClass,
  spineOf,
  type Matrix,
  type Path,
  type Point,
  type SpinePlace,
} from '../geometry';
import { clamp } from '../numbers';
import type { Span } from './dashes';

/**
 * Colours that run along a path by arc length, on either side of it as far as a pen reaches. Where the path comes by again,
 * its later part lies over the earlier one as far as the pen is wide there.
 */
export interface ColourRibbon {
  /**
   * Ribs of the whole path, one after another, each six numbers (`RIB_X` and on): a property of the path and the pen's reach, so
   * that what is made of it can be kept while a line grows. Between two ribs lengths and widths run evenly.
   */
  readonly ribs: readonly number[];
  /** What is inked, px along the path; on a closed one it may pass the whole length. Colours go on as they are beyond. */
  readonly inked: Span;
  /** What the stops run over, px along the path. */
  readonly span: Span;
  /** Half the pen's width at the most, px. */
  readonly half: number;
  /** Half its width at each rib, where it changes. */
  readonly halves?: readonly number[];
  /** How far joins and caps may stick out of the path, px. */
  readonly reach: number;
  /** It goes all the way round a closed path: there are no ends for it to go on from. */
  readonly isRound?: true;
  readonly stops: readonly Stop[];
}

/**
 * What each number of a rib is: its place, the direction of travel there (a unit vector, on a corner the bisector's), its
 * length from the path's start (px), and by how many times a map has widened the pen there, 1 where none has. Constants of their
 * own: as parts of one object Chromium reads them slowly in its innermost loops, once objects like it hold broken numbers.
 */
export const RIB_X = 0;
export const RIB_Y = 1;
export const RIB_ALONG_X = 2;
export const RIB_ALONG_Y = 3;
export const RIB_S = 4;
export const RIB_ACROSS = 5;
/** Numbers to a rib. */
export const RIB_SIZE = 6;

/**
 * Ribs are set where, since the last, the path has turned so far that a pen's edge has gone this much further than its middle (px),
 * and by no more than so much (radians), where it has left the straight way, or gone so far (px).
 */
const LEAN = 1.5;
const TURN = { least: 0.16, most: 0.4 } as const;
const SAG = 0.15;
const FAR = 24;

const turnOf = (a: Point, b: Point): number =>
  Math.abs(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y));

const known = new WeakMap<readonly SpinePlace[], readonly number[]>();

/** The ribs of a whole path, for a pen that reaches so far; the same array while the path is the same. */
function ribsOf(path: Path, half: number): readonly number[] {
  const spine = spineOf(path, half);
  let ribs = known.get(spine);
  if (!ribs) known.set(spine, (ribs = ribsAlong(spine, radiusClass(half))));
  return ribs;
}

function ribsAlong(spine: readonly SpinePlace[], half: number): number[] {
  const most = clamp(LEAN / half, TURN.least, TURN.most);
  const ribs: number[] = [];
  const put = ({ x, y, s }: Pick<SpinePlace, 'x' | 'y' | 's'>, along: Point): void => {
    const size = Math.hypot(along.x, along.y) || 1;
    ribs.push(x, y, along.x / size, along.y / size, s, 1);
  };
  let last = spine[0]!;
  spine.forEach((place, i) => {
    const next = spine[i + 1];
    const { into, out } = place;
    if (i === 0 || !next) put(place, next ? out : into);
    else {
      const turn = turnOf(last.out, next.into);
      const bends = turn > most || (turn * (next.s - last.s)) / 8 > SAG;
      if (!place.corner && !bends) return;
      put(place, { x: into.x + out.x, y: into.y + out.y });
    }
    last = place;
    // Along a straight line the width may change, where the spine has nothing to say.
    const steps = next ? Math.ceil((next.s - place.s) / FAR) : 1;
    for (let k = 1; k < steps; k++) {
      const t = k / steps;
      const on = {
        x: place.x + (next!.x - place.x) * t,
        y: place.y + (next!.y - place.y) * t,
        s: place.s + (next!.s - place.s) * t,
      };
      put(on, { x: out.x + next!.into.x, y: out.y + next!.into.y });
    }
  });
  return ribs;
}

/**
 * The ribbon over a stretch of a path.
 * @param halfAt half the width at a length from the path's start, px; null where it is `half` everywhere.
 * @param half the greatest half width there is, px.
 * @param reach how far joins and caps may stick out of the path, px.
 * @param inked what is to be coloured; `span` what the stops run over: both px along the path.
 */
export function colourRibbon(
  path: Path,
  halfAt: ((s: number) => number) | null,
  half: number,
  reach: number,
  stops: readonly Stop[],
  inked: Span,
  span: Span,
): ColourRibbon {
  const ribs = ribsOf(path, half);
  const halves: number[] | null = halfAt && [];
  if (halfAt) for (let i = RIB_S; i < ribs.length; i += RIB_SIZE) halves!.push(Math.max(0, halfAt(ribs[i]!)));
  const isRound = path.closed && inked.to - inked.from >= measurePath(path).length - 1e-9;
  return { ribs, inked, span, half, ...(halves && { halves }), reach, ...(isRound && { isRound }), stops };
}

/** A rib between others: its place, its direction, and half the pen's width there (px). */
export interface RibAt extends Point {
  readonly alongX: number;
  readonly alongY: number;
  readonly half: number;
}

/** Which rib is the last before a length along the path (px), or at it; never the last of all. */
export function ribBefore(ribs: readonly number[], s: number): number {
  let low = 0;
  let high = ribs.length / RIB_SIZE - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (ribs[middle * RIB_SIZE + RIB_S]! <= s) low = middle;
    else high = middle;
  }
  return low;
}

/** The rib of a ribbon at a length along its path, px; at an end where it is beyond. */
export function ribAt({ ribs, half, halves }: ColourRibbon, s: number): RibAt {
  const low = ribBefore(ribs, s);
  const high = Math.min(low + 1, ribs.length / RIB_SIZE - 1);
  const a = low * RIB_SIZE;
  const b = high * RIB_SIZE;
  const s0 = ribs[a + RIB_S]!;
  const s1 = ribs[b + RIB_S]!;
  const t = s1 > s0 ? clamp((s - s0) / (s1 - s0), 0, 1) : 0;
  const u = 1 - t;
  const alongX = ribs[a + RIB_ALONG_X]! * u + ribs[b + RIB_ALONG_X]! * t;
  const alongY = ribs[a + RIB_ALONG_Y]! * u + ribs[b + RIB_ALONG_Y]! * t;
  const size = Math.sqrt(alongX * alongX + alongY * alongY) || 1;
  const wide = halves ? halves[low]! * u + halves[high]! * t : half;
  return {
    x: ribs[a + RIB_X]! * u + ribs[b + RIB_X]! * t,
    y: ribs[a + RIB_Y]! * u + ribs[b + RIB_Y]! * t,
    alongX: alongX / size,
    alongY: alongY / size,
    half: wide * (ribs[a + RIB_ACROSS]! * u + ribs[b + RIB_ACROSS]! * t),
  };
}

/** Mapped ribs that are kept of a path's: copies of a stroke each lie elsewhere. */
const MOST = 16;
const mapped = new WeakMap<readonly number[], { readonly key: string; readonly ribs: readonly number[] }[]>();

/** Ribs mapped: the lines across are mapped, and stay the ribs. The same array again for the same map. */
function mappedRibs(from: readonly number[], m: Matrix): readonly number[] {
  const key = m.join();
  let all = mapped.get(from);
  if (!all) mapped.set(from, (all = []));
  const found = all.find((one) => one.key === key);
  if (found) return found.ribs;
  const ribs = [...from];
  const turn: Matrix = [m[0], m[1], m[2], m[3], 0, 0];
  for (let i = 0; i < ribs.length; i += RIB_SIZE) {
    const at = applyMatrix(m, { x: ribs[i + RIB_X]!, y: ribs[i + RIB_Y]! });
    const across = applyMatrix(turn, { x: -ribs[i + RIB_ALONG_Y]!, y: ribs[i + RIB_ALONG_X]! });
    const along = applyMatrix(turn, { x: ribs[i + RIB_ALONG_X]!, y: ribs[i + RIB_ALONG_Y]! });
    const size = Math.hypot(across.x, across.y) || 1;
    // Square to the line across, on the side on which the path goes on.
    const square = { x: across.y / size, y: -across.x / size };
    const way = square.x * along.x + square.y * along.y < 0 ? -1 : 1;
    ribs[i + RIB_X] = at.x;
    ribs[i + RIB_Y] = at.y;
    ribs[i + RIB_ALONG_X] = square.x * way;
    ribs[i + RIB_ALONG_Y] = square.y * way;
    ribs[i + RIB_ACROSS] = ribs[i + RIB_ACROSS]! * size;
  }
  all.unshift({ key, ribs });
  all.length = Math.min(all.length, MOST);
  return ribs;
}

/** A ribbon mapped; lengths stay those along the path it was made for. */
export const mappedRibbon = (ribbon: ColourRibbon, m: Matrix): ColourRibbon => ({
  ...ribbon,
  ribs: mappedRibs(ribbon.ribs, m),
  reach: ribbon.reach * Math.hypot(m[0], m[1], m[2], m[3]),
});

/** A ribbon whose ribs are each moved by so much; it may reach so many times as far then. */
export function movedRibbon(
  ribbon: ColourRibbon,
  by: (place: Point) => Point,
  further: number,
): ColourRibbon {
  const ribs = [...ribbon.ribs];
  for (let i = 0; i < ribs.length; i += RIB_SIZE) {
    const { x, y } = by({ x: ribs[i + RIB_X]!, y: ribs[i + RIB_Y]! });
    ribs[i + RIB_X] = ribs[i + RIB_X]! + x;
    ribs[i + RIB_Y] = ribs[i + RIB_Y]! + y;
  }
  return { ...ribbon, ribs, reach: ribbon.reach * further };
}

/** Whether colour along a path is a gradient along one straight line. */
export const isOneLine = (path: Path): boolean =>
  path.points.length > 1 &&
  !path.closed &&
  cornersOf(path).length === 0 &&
  path.points.every((p) => p.in.x === 0 && p.in.y === 0 && p.out.x === 0 && p.out.y === 0);
