import {
  cubicPoint,
  lengthAtPlace,
  measurePath,
  pathsOf,
  subCubic,
  type Cubic,
  type MeasuredPath,
  type PathCommand,
  type Point,
} from '../../geometry';
import { clamp } from '../../numbers';

/** A path of which only a part is seen at each frame: from one length to another, px; null where nothing is. */
export interface Trim {
  readonly path: readonly PathCommand[];
  readonly length: number;
  readonly spans: readonly ({ readonly from: number; readonly to: number } | null)[];
}

/** How far, px, a part may lie from the path it is of. */
const OFF = 0.02;

const start = (c: Cubic): Point => ({ x: c[0], y: c[1] });
const end = (c: Cubic): Point => ({ x: c[6], y: c[7] });
const near = (a: Point, b: Point): boolean => Math.abs(a.x - b.x) < OFF && Math.abs(a.y - b.y) < OFF;

const isLine = (c: Cubic): boolean => c[2] === c[0] && c[3] === c[1] && c[4] === c[6] && c[5] === c[7];

/** The share of a line at which it comes nearest to a point; null where it does not come near. */
function shareAt(c: Cubic, point: Point): number | null {
  const [dx, dy] = [c[6] - c[0], c[7] - c[1]];
  const square = dx * dx + dy * dy;
  const t = square > 0 ? clamp(((point.x - c[0]) * dx + (point.y - c[1]) * dy) / square, 0, 1) : 0;
  return near({ x: c[0] + dx * t, y: c[1] + dy * t }, point) ? t : null;
}

/** Stretches of a curve in each of which it is looked for a point; where it passes twice within one, once is found. */
const STEPS = 128;

/** The parameters at which a curve goes through a point, of a line its share: a curve that turns back comes there again. */
function parametersAt(c: Cubic, point: Point): number[] {
  if (isLine(c)) {
    const share = shareAt(c, point);
    return share === null ? [] : [share];
  }
  const away = (t: number): number => {
    const p = cubicPoint(c, t);
    return Math.hypot(p.x - point.x, p.y - point.y);
  };
  const coarse = Array.from({ length: STEPS + 1 }, (_, k) => away(k / STEPS));
  return coarse.flatMap((here, k) => {
    if (here > (coarse[k - 1] ?? Infinity) || here > (coarse[k + 1] ?? Infinity)) return [];
    let [low, high] = [Math.max(0, k - 1) / STEPS, Math.min(STEPS, k + 1) / STEPS];
    for (let round = 0; round < 60; round++) {
      const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
      if (away(a) < away(b)) high = b;
      else low = a;
    }
    // At its ends a third of the bracket never comes quite there.
    const middle = (low + high) / 2;
    const best = here < away(middle) ? k / STEPS : middle;
    return away(best) < OFF ? [best] : [];
  });
}

/** Whether a curve is the part of another between two parameters. */
function isPart(part: Cubic, of: Cubic, from: number, to: number): boolean {
  if (isLine(of) || isLine(part)) return isLine(of) === isLine(part);
  const expected = subCubic(of, from, to);
  return expected.every((value, i) => Math.abs(value - part[i]!) < 5 * OFF);
}

/** Where on a whole path a part of it runs, px; null where it is none. */
function spanOn(whole: MeasuredPath, part: MeasuredPath): { from: number; to: number } | null {
  const [curves, own] = [whole.segments, part.segments];
  if (own.length === 0 || own.length > curves.length) return null;
  const inner = (i: number): boolean =>
    own.every(({ cubic }, k) => {
      const against = curves[i + k]!.cubic;
      if (k > 0 && !near(start(cubic), start(against))) return false;
      return k === own.length - 1 || near(end(cubic), end(against));
    });
  for (let i = 0; i + own.length <= curves.length; i++) {
    if (!inner(i)) continue;
    const [first, last] = [curves[i]!.cubic, curves[i + own.length - 1]!.cubic];
    const ends = parametersAt(last, end(own.at(-1)!.cubic));
    for (const from of parametersAt(first, start(own[0]!.cubic))) {
      const to = ends.find((t) =>
        own.length === 1
          ? t > from && isPart(own[0]!.cubic, first, from, t)
          : isPart(own[0]!.cubic, first, from, 1) && isPart(own.at(-1)!.cubic, last, 0, t),
      );
      if (to === undefined) continue;
      return {
        from: lengthAtPlace(whole, { segment: i, t: from }),
        to: lengthAtPlace(whole, { segment: i + own.length - 1, t: to }),
      };
    }
  }
  return null;
}

/** One path as a measured one; null where commands are none, or several. */
function single(commands: readonly PathCommand[]): MeasuredPath | null {
  const paths = pathsOf(commands);
  return paths.length === 1 ? measurePath(paths[0]!) : null;
}

/** What paths of single frames are parts of; null where they are not all parts of the longest. */
export function trimOf(paths: readonly (readonly PathCommand[] | null)[]): Trim | null {
  const found = new Map<readonly PathCommand[], MeasuredPath>();
  for (const path of paths) {
    if (!path || found.has(path)) continue;
    const measured = single(path);
    if (!measured) return null;
    found.set(path, measured);
  }
  if (found.size < 2) return null;
  const [commands, whole] = [...found].reduce((a, b) => (b[1].length > a[1].length ? b : a));
  const spans = new Map<readonly PathCommand[], { from: number; to: number }>();
  for (const [path, measured] of found) {
    const span = path === commands ? { from: 0, to: whole.length } : spanOn(whole, measured);
    if (!span) return null;
    spans.set(path, span);
  }
  return { path: commands, length: whole.length, spans: paths.map((path) => path && spans.get(path)!) };
}
