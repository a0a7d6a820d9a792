import { add, distance, scale, type Bounds, type Point } from '@/core/geometry';

/** A number beside the first point of a stroke, on screen. */
export interface Numbered {
  /** Where its stroke begins. */
  readonly first: Point;
  /** The direction in which it begins, of length 1. */
  readonly way: Point;
  /** Half the width of what the number stands in. */
  readonly radius: number;
  /** How far from the first point its middle stands. */
  readonly away: number;
}

/** Angles that are tried, degrees to either side: the nearest to straight behind first. */
const ANGLES = Array.from({ length: 24 }, (_, i) => (i % 2 ? 1 : -1) * Math.ceil(i / 2) * 15);

/** Where a number is tried, degrees from straight behind the first point, and how many times as far away. */
const TRIED = [1, 2.1].flatMap((times) => ANGLES.map((angle) => [angle, times] as const));

const turned = ({ x, y }: Point, degrees: number): Point => {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return { x: x * c - y * s, y: x * s + y * c };
};

/**
 * Side of the cells that places are looked for in, px: wherever a number is tried, those it could touch stand less far than that
 * from the first point of its stroke.
 */
const CELL = 64;
/** Where so many numbers stand already round a place there is no room to be found. */
const FULL = 48;

/** Where a number stands. */
export interface Taken {
  readonly at: Point;
  readonly radius: number;
}

/** Numbers that stand already, by where they do. */
function standing() {
  const cells = new Map<string, Taken[]>();
  const cellOf = (x: number, y: number): string => `${Math.floor(x / CELL)} ${Math.floor(y / CELL)}`;
  return {
    put(one: Taken): void {
      const cell = cellOf(one.at.x, one.at.y);
      const there = cells.get(cell);
      if (there) there.push(one);
      else cells.set(cell, [one]);
    },
    /** Those in the cells round a place. */
    near: ({ x, y }: Point): Taken[] =>
      [-CELL, 0, CELL].flatMap((dx) =>
        [-CELL, 0, CELL].flatMap((dy) => cells.get(cellOf(x + dx, y + dy)) ?? []),
      ),
  };
}

const isNear = (a: Point, b: Point): boolean =>
  Math.abs(a.x - b.x) <= 2 * CELL && Math.abs(a.y - b.y) <= 2 * CELL;

/**
 * Places for numbers that make way for one another: each stands behind the first point of its stroke, against the direction of
 * writing, or turned about the point and further off where another stands already. The first has the first choice.
 * @param around numbers that stand already and move no more.
 */
export function numberPlaces(numbers: readonly Numbered[], around: readonly Taken[] = []): Taken[] {
  const taken = standing();
  // Beyond the cells about a first point nothing is asked for: of a thousand numbers that stand, few are near those that move.
  for (const one of around) if (numbers.some(({ first }) => isNear(first, one.at))) taken.put(one);
  return numbers.map(({ first, way, radius, away }) => {
    const placeAt = (degrees: number, times: number): Point =>
      add(first, scale(turned(way, degrees), -away * times));
    const near = taken.near(first);
    const room = (at: Point): number =>
      near.reduce(
        (least, other) => Math.min(least, distance(at, other.at) - other.radius - radius),
        Infinity,
      );
    let best = placeAt(0, 1);
    if (near.length < FULL) {
      let most = -Infinity;
      for (const [degrees, times] of TRIED) {
        const at = placeAt(degrees, times);
        const free = room(at);
        if (free > most) [best, most] = [at, free];
        if (free >= 0) break;
      }
    }
    const found = { at: best, radius };
    taken.put(found);
    return found;
  });
}

/** Which of many boxes are kept so that none lies over another: each that has room beside those kept before it. */
export function withRoom<B extends Bounds>(boxes: readonly B[]): B[] {
  const kept: B[] = [];
  for (const box of boxes) {
    const isFree = kept.every(
      (other) =>
        other.right <= box.left ||
        box.right <= other.left ||
        other.bottom <= box.top ||
        box.bottom <= other.top,
    );
    if (isFree) kept.push(box);
  }
  return kept;
}
