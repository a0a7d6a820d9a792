import { distance, measurePath, pointAtLength, type Path, type Point } from '../../geometry';
import { clamp } from '../../numbers';

/** Where a pen is on its way through strokes, one after another. */
interface PenAt {
  /** Which stroke it writes, or has written last where it is lifted. */
  readonly stroke: number;
  /** How much of that stroke is written, px. */
  readonly written: number;
  /** How often the pen has been lifted, this time included. */
  readonly lifts: number;
  readonly point: Point;
  readonly isLifted: boolean;
}

/** A pen's movement from the end of one stroke to the beginning of the next. */
export interface Lift {
  readonly from: Point;
  readonly to: Point;
}

export interface PenWay {
  /** How long the way is, px; a lifted pen moves faster, so that its ways count for less. */
  readonly length: number;
  readonly lifts: readonly Lift[];
  /** Where the pen is after a length of its way. */
  at(length: number): PenAt | null;
}

/** A lifted pen moves so many times as fast as one that writes. */
const LIFTED = 3;
/** Strokes whose ends lie no further apart than this are written without a lift, px. */
const MEETS = 0.5;

/** The way of a pen that writes paths in their order, lifted between those that do not meet. */
export function penWay(paths: readonly Path[]): PenWay {
  const lifts: Lift[] = [];
  const parts: { readonly from: number; readonly to: number; readonly at: (share: number) => PenAt }[] = [];
  let length = 0;
  const add = (long: number, at: (share: number) => PenAt): void => {
    if (long <= 0) return;
    parts.push({ from: length, to: length + long, at });
    length += long;
  };
  let end: Point | null = null;
  paths.forEach((path, stroke) => {
    const m = measurePath(path);
    const begin = pointAtLength(m, 0);
    if (end && distance(end, begin) > MEETS) {
      const [from, to, long] = [end, begin, distance(end, begin)];
      const written = measurePath(paths[stroke - 1]!).length;
      const so = lifts.push({ from, to });
      add(long / LIFTED, (share) => ({
        stroke: stroke - 1,
        written,
        lifts: so,
        point: { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share },
        isLifted: true,
      }));
    }
    const so = lifts.length;
    add(m.length, (share) => ({
      stroke,
      written: m.length * share,
      lifts: so,
      point: pointAtLength(m, m.length * share),
      isLifted: false,
    }));
    end = pointAtLength(m, m.length);
  });
  return {
    length,
    lifts,
    at(wanted) {
      const part = parts.find(({ to }) => wanted <= to) ?? parts.at(-1);
      if (!part) return null;
      return part.at(clamp((wanted - part.from) / (part.to - part.from), 0, 1));
    },
  };
}
