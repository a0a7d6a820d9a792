import {
  distance,
  measurePath,
  placeAtLength,
  pointAtLength,
  reversePath,
  smoothHandles,
  splitPath,
  type Path,
  type PathPoint,
  type Point,
} from '../../geometry';
import { mirroredWidths, thinnedWidths, widthShareAt, type WidthShare } from '../../ink';

/** A stretch of a pen's way with its width along it, px. */
export interface Stretch {
  readonly path: Path;
  readonly width: number;
  readonly widths: readonly WidthShare[] | null;
}

/** Lines whose middles are no further apart than this share of both their widths together touch. */
const TOUCHES = 0.65;

/** How near the middle of one line is to that of another where they touch, px. */
const touching = (a: Pick<Stretch, 'width'>, b: Pick<Stretch, 'width'>): number =>
  TOUCHES * (a.width + b.width);
/** How exactly the width of what is put together follows that of its parts, as a share of it. */
const EXACT = 0.012;

/** A stretch between two shares of the length of a stroke. */
function stretchOf(stroke: Stretch, path: Path, from: number, to: number): Stretch {
  if (!stroke.widths) return { ...stroke, path };
  const { widths } = stroke;
  const inner = widths.filter(({ at }) => at > from && at < to);
  const all = [
    { at: from, scale: widthShareAt(widths, from) },
    ...inner,
    { at: to, scale: widthShareAt(widths, to) },
  ];
  const span = to - from || 1;
  return { ...stroke, path, widths: all.map(({ at, scale }) => ({ at: (at - from) / span, scale })) };
}

/** A stretch gone through the other way. */
export const backward = <T extends Stretch>(one: T): T => ({
  ...one,
  path: reversePath(one.path),
  widths: one.widths && mirroredWidths(one.widths),
});

/** Places on a path at which it passes within a distance of a point, as lengths from its start: the nearest of each passage. */
export function passages(path: Path, by: Point, near: number): number[] {
  const m = measurePath(path);
  const count = Math.max(2, Math.ceil(m.length / (near / 3)));
  const away = (s: number): number => distance(pointAtLength(m, s), by);
  const step = m.length / count;
  const gaps = Array.from({ length: count + 1 }, (_, i) => away(i * step));
  return gaps.flatMap((gap, i) => {
    if (gap > near + step || gap > (gaps[i - 1] ?? Infinity) || gap >= (gaps[i + 1] ?? Infinity)) return [];
    let [low, high] = [Math.max(0, i - 1) * step, Math.min(count, i + 1) * step];
    for (let k = 0; k < 20; k++) {
      const [p, q] = [low + (high - low) / 3, high - (high - low) / 3];
      if (away(p) < away(q)) high = q;
      else low = p;
    }
    // An end of the path is met exactly.
    const at = [0, m.length, (low + high) / 2]
      .filter((s) => Math.abs(s - i * step) <= step)
      .reduce((best, s) => (away(s) < away(best) ? s : best));
    return away(at) <= near ? [at] : [];
  });
}

/** The stretch of a stroke between two lengths from its start, gone through backward where the second comes first. */
export function between(stroke: Stretch, from: number, to: number): Stretch {
  const m = measurePath(stroke.path);
  const [low, high] = from < to ? [from, to] : [to, from];
  const most = m.length - 1e-6 * m.length;
  let path = stroke.path;
  // The end first, as cutting moves no place before it.
  if (high < most) path = splitPath(path, placeAtLength(m, high))[0]!;
  if (low > 1e-6 * m.length) path = splitPath(path, placeAtLength(measurePath(path), low)).at(-1)!;
  const cut = stretchOf(stroke, path, low / (m.length || 1), high / (m.length || 1));
  return from < to ? cut : backward(cut);
}

const lengthOf = ({ path }: Stretch): number => measurePath(path).length;
const startOf = ({ path }: Stretch): Point => path.points[0]!;
const endOf = ({ path }: Stretch): Point => path.points.at(-1)!;

/** The shortest way along a stroke from where it passes one point to where it passes another; null where it does not. */
function shortestAlong(stroke: Stretch, from: Point, to: Point, near: number): [number, number] | null {
  if (stroke.path.points.length < 2) return null;
  const arrivals = passages(stroke.path, to, near);
  const ways = passages(stroke.path, from, near).flatMap((p) =>
    arrivals.map((q): [number, number] => [p, q]),
  );
  return ways.reduce<[number, number] | null>(
    (best, way) => (!best || Math.abs(way[0] - way[1]) < Math.abs(best[0] - best[1]) ? way : best),
    null,
  );
}

/** A way over two strokes: back along the first to where the second touches it, then ahead along that to its beginning. */
function overBoth(a: Stretch, b: Stretch, near: number, most: Most): readonly Stretch[] | null {
  if (b.path.points.length < 2) return null;
  const [end, m] = [endOf(a), measurePath(b.path)];
  for (let s = 0; s <= Math.min(most.ahead, m.length); s += near / 2) {
    const back = shortestAlong(a, end, pointAtLength(m, s), near);
    if (back)
      return Math.abs(back[0] - back[1]) <= most.back ? [between(a, ...back), between(b, s, 0)] : null;
  }
  return null;
}

/** px of a way at the most over ink of the stroke before, which is written, and of the one after, which is not yet. */
interface Most {
  readonly back: number;
  readonly ahead: number;
  /** Whether it may lead over both. */
  readonly both: boolean;
}

/**
 * The way of a pen from the end of one stroke to the beginning of the next over ink that they leave: along the first, back from its
 * end or on from where it crosses itself there, or ahead along the second and back, whichever is shorter, or over both; nothing
 * between where they meet. Null where it would have to leave the ink.
 */
export function wayOn(a: Stretch, b: Stretch, most: Most): readonly Stretch[] | null {
  const near = touching(a, b);
  const [end, start] = [endOf(a), startOf(b)];
  if (a.path.closed || b.path.closed) return null;
  if (distance(end, start) <= near) return [];
  const long = ([p, q]: readonly [number, number]): number => Math.abs(p - q);
  const back = shortestAlong(a, end, start, near);
  const ahead = shortestAlong(b, end, start, near);
  const goesBack = back && long(back) <= most.back;
  const goesAhead = ahead && long(ahead) <= most.ahead;
  if (goesBack && !(goesAhead && long(ahead) < long(back))) return [between(a, ...back)];
  if (goesAhead) return [between(b, ...ahead)];
  return most.both ? overBoth(a, b, near, most) : null;
}

/** Paths one after another as one; a small gap between two is bridged. */
function strung(paths: readonly Path[]): Path {
  const points: PathPoint[] = [];
  for (const path of paths) {
    const last = points.at(-1);
    const [first, ...rest] = path.points;
    if (!first) continue;
    if (last && distance(last, first) < 1e-6) {
      const kind = smoothHandles(last.in, first.out) ? 'smooth' : 'corner';
      points[points.length - 1] = { ...last, out: first.out, kind };
      points.push(...rest);
    } else points.push(first, ...rest);
  }
  return { closed: false, points };
}

/** Stretches one after another as one stroke, like the last of them in everything else. */
export function asOne<T extends Stretch>(parts: readonly Stretch[], like: T): T {
  const path = strung(parts.map((part) => part.path));
  const width = Math.max(...parts.map((part) => part.width));
  if (parts.every((part) => !part.widths && Math.abs(part.width - width) < 1e-6 * width))
    return { ...like, path, width, widths: null };
  const profile: WidthShare[] = [];
  let gone = 0;
  let before: Stretch | null = null;
  for (const part of parts) {
    if (before) gone += distance(endOf(before), startOf(part));
    const length = lengthOf(part);
    for (const { at, scale } of part.widths ?? [
      { at: 0, scale: 1 },
      { at: 1, scale: 1 },
    ])
      profile.push({ at: gone + at * length, scale: (scale * part.width) / width });
    gone += length;
    before = part;
  }
  const shares = profile.map(({ at, scale }) => ({ at: at / (gone || 1), scale }));
  // Two at one place say that the width jumps; a profile goes through the first of them a little before.
  const rising = shares.map((one, i) =>
    i > 0 && one.at - shares[i - 1]!.at < 1e-6 ? { ...one, at: Math.min(1, one.at + 1e-5) } : one,
  );
  return { ...like, path, width, widths: thinnedWidths(rising, EXACT) };
}
