import { measurePath, pathBounds, pointAtLength, type Path, type Point } from '../../geometry';

export type WritingDirection = 'left to right' | 'right to left';

/** Letters of scripts that are written from the right; those of all others are from the left. */
const FROM_RIGHT = /[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u;
const LETTER = /\p{L}/u;

/** The direction in which a text is written: that of its first letter; null where it has none (UAX #9, rule P2). */
export function directionOf(text: string): WritingDirection | null {
  const letter = [...text].find((sign) => LETTER.test(sign));
  if (letter === undefined) return null;
  return FROM_RIGHT.test(letter) ? 'right to left' : 'left to right';
}

/** A path is straight whose ends are so far apart, as a share of its length. */
export const STRAIGHT = 0.93;
/** A straight one is level below this share of rise to length. */
export const LEVEL = 0.45;
/** A bowl's middle lies so far to the side of its ends, as a share of its length. */
const BOWL = 0.18;

/** How a hand sees an open path. */
interface SeenByHand {
  readonly isStraight: boolean;
  /** Whether it goes along the line of writing rather than up or down. */
  readonly isLevel: boolean;
  /** The way it goes, along the writing and down, px. */
  readonly dx: number;
  readonly dy: number;
  /** How plainly it is the one and not the other, 0..1. */
  readonly plainly: number;
}

/** How a hand sees an open path of two points or more, to be written from one of its ends. */
export function seenByHand(path: Path, direction: WritingDirection): SeenByHand {
  const sign = direction === 'left to right' ? 1 : -1;
  const [a, b] = [path.points[0]!, path.points.at(-1)!];
  const [dx, dy] = [(b.x - a.x) * sign, b.y - a.y];
  const chord = Math.hypot(dx, dy);
  const m = measurePath(path);
  if (chord > STRAIGHT * m.length)
    return { isStraight: true, isLevel: Math.abs(dy) < LEVEL * chord, dx, dy, plainly: 1 };
  // A curl (S, C, e, 3) that ends near where it began, but lower or higher, and a bowl open to a side are written from their top.
  const middle = pointAtLength(m, m.length / 2);
  const open = { x: Math.abs((a.x + b.x) / 2 - middle.x), y: Math.abs((a.y + b.y) / 2 - middle.y) };
  const isBowl = open.x > BOWL * m.length && open.x > 1.5 * open.y;
  const box = pathBounds(path)!;
  const isCurl = chord < 0.42 * m.length;
  const curls = (isBowl || isCurl) && Math.abs(dy) > 0.25 * (box.bottom - box.top);
  const [along, down] = [Math.abs(dx), 0.8 * Math.abs(dy)];
  const plainly = curls ? 1 : Math.min(1, (2 * Math.abs(along - down)) / (along + down || 1));
  return { isStraight: false, isLevel: !curls && along > down, dx, dy, plainly };
}

/**
 * The direction in which a hand would write a path: down rather than up, whatever the slant, or with the writing where it is
 * level; a ring against the clock where one writes from left to right.
 * @returns whether the path as it stands goes the other way.
 */
export function goesBackward(path: Path, direction: WritingDirection): boolean {
  if (path.closed) return signedArea(path) * (direction === 'left to right' ? 1 : -1) > 0;
  const { isLevel, dx, dy } = seenByHand(path, direction);
  return isLevel ? dx < 0 : dy < 0;
}

/** Shoelace area of the points: positive clockwise on the screen. */
function signedArea({ points }: Path): number {
  return points.reduce((sum, p, i) => {
    const q = points[(i + 1) % points.length]!;
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);
}

/** Index of the point where a ring begins when written: its highest, and of those the one the hand reaches first. */
export function ringStart({ points }: Path, direction: WritingDirection): number {
  const sign = direction === 'left to right' ? -1 : 1;
  // Leaning a little toward the side the hand comes back to, as an o is begun right of its top.
  const worth = (p: Point) => p.y + 0.25 * sign * p.x;
  return points.reduce((best, p, i) => (worth(p) < worth(points[best]!) ? i : best), 0);
}
