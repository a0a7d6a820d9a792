import {
  distance,
  measurePath,
  nearestPlace,
  reversePath,
  smoothHandles,
  splitPath,
  type Path,
  type PathPoint,
  type Point,
} from '../geometry';
import { thinnedWidths, widthShareAt, type WidthShare } from '../ink';
import type { TracedStroke } from './centre-lines';

/** A stretch of a pen's way with its width along it, px. */
interface Stretch {
  readonly path: Path;
  readonly width: number;
  readonly widths: readonly WidthShare[] | null;
}

/** Lines whose middles are no further apart than this share of both their widths together touch. */
const TOUCHES = 0.65;

/** How near the middle of one line is to that of another where they touch, px. */
export const touching = (a: Pick<Stretch, 'width'>, b: Pick<Stretch, 'width'>): number =>
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

const backward = (one: Stretch): Stretch => ({
  ...one,
  path: reversePath(one.path),
  widths: one.widths && [...one.widths].reverse().map(({ at, scale }) => ({ at: 1 - at, scale })),
});

/** A path cut at the place nearest to a point, with the share of its length there; null where it comes no nearer than that. */
function cutNear(stroke: Stretch, to: Point, near: number): { before: Stretch; after: Stretch } | null {
  const found = nearestPlace(stroke.path, to);
  if (!found || found.distance > near) return null;
  const parts = splitPath(stroke.path, found);
  const [first, second] = [parts[0], parts[1]];
  const whole = measurePath(stroke.path).length || 1;
  if (!first || !second) return null;
  const at = measurePath(first).length / whole;
  return { before: stretchOf(stroke, first, 0, at), after: stretchOf(stroke, second, at, 1) };
}

const lengthOf = ({ path }: Stretch): number => measurePath(path).length;
const startOf = ({ path }: Stretch): Point => path.points[0]!;
const endOf = ({ path }: Stretch): Point => path.points.at(-1)!;

/**
 * The way of a pen from the end of one stroke to the beginning of the next over ink that one of them leaves: back along the
 * first, or ahead along the second and back, whichever is shorter; nothing between where they meet. Null where it would have
 * to leave the ink.
 * @param most px of the way at the most.
 */
export function wayOn(a: Stretch, b: Stretch, most: number): readonly Stretch[] | null {
  const near = touching(a, b);
  const [end, start] = [endOf(a), startOf(b)];
  if (a.path.closed || b.path.closed) return null;
  if (distance(end, start) <= near) return [];
  const ways: { way: Stretch[]; length: number }[] = [];
  const back = a.path.points.length > 1 ? cutNear(a, start, near) : null;
  if (back) ways.push({ way: [backward(back.after)], length: lengthOf(back.after) });
  const ahead = b.path.points.length > 1 ? cutNear(b, end, near) : null;
  if (ahead) ways.push({ way: [backward(ahead.before)], length: lengthOf(ahead.before) });
  const [best] = ways.filter(({ length }) => length <= most).sort((p, q) => p.length - q.length);
  return best?.way ?? null;
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
export function asOne(parts: readonly Stretch[], like: TracedStroke): TracedStroke {
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
