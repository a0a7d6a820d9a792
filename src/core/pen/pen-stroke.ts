import type { Hand } from '../document';
import {
  corner,
  distance,
  distanceToStretch,
  fitPath,
  keptIndices,
  simplifiedPoints,
  type Path,
  type Point,
} from '../geometry';
import { thinnedWidths, type WidthShare } from '../ink';
import { clamp } from '../numbers';

/** One report of a pen: where, how hard (0..1), when (ms), and how it leans (degrees from upright, to the right and toward the hand). */
export interface PenSample extends Point {
  readonly pressure: number;
  readonly time: number;
  readonly tiltX: number;
  readonly tiltY: number;
}

/** How much of the hand's unsteadiness is taken out. */
export type Correction = 'straightened' | 'smoothed' | 'as drawn';

interface PenStroke {
  readonly path: Path;
  /** Share of the width along the length, from pressure and tilt; null where the pen reported neither. */
  readonly widths: readonly WidthShare[] | null;
  readonly hand: Hand;
}

/** Correction in screen pixels: how far the line may leave what was drawn, and over what length it is evened out. */
const AMOUNT: Record<Correction, { tolerance: number; even: number }> = {
  straightened: { tolerance: 9, even: 0 },
  smoothed: { tolerance: 2, even: 14 },
  'as drawn': { tolerance: 0.7, even: 0 },
};
/** A line that leaves its chord by less than this share of it was meant straight. */
const STRAIGHT = 0.06;
/** Straight parts this near to a multiple of 45° are turned to it. */
const LEVEL = (7 * Math.PI) / 180;

/** Points without those that a resting pen repeats. */
const moved = (samples: readonly PenSample[], least: number): PenSample[] =>
  samples.filter((s, i) => i === 0 || i === samples.length - 1 || distance(s, samples[i - 1]!) >= least);

function lengthsOf(points: readonly Point[]): number[] {
  const s = [0];
  for (let i = 1; i < points.length; i++) s.push(s[i - 1]! + distance(points[i]!, points[i - 1]!));
  return s;
}

/** Each place replaced by the mean of its surroundings along the line, ends kept where they are. */
function evened(points: readonly Point[], reach: number): Point[] {
  const s = lengthsOf(points);
  const whole = s.at(-1)!;
  return points.map((p, i) => {
    const near = Math.min(reach, s[i]!, whole - s[i]!);
    if (near <= 0) return p;
    let [x, y, weight] = [0, 0, 0];
    for (let k = i; k >= 0 && s[i]! - s[k]! < near; k--) add(k);
    for (let k = i + 1; k < points.length && s[k]! - s[i]! < near; k++) add(k);
    function add(k: number): void {
      // A bell over the length, with each sample counting for the stretch it stands for.
      const d = (s[k]! - s[i]!) / near;
      const span = ((s[k + 1] ?? s[k]!) - (s[k - 1] ?? s[k]!)) / 2 || 1e-9;
      const w = (1 - d * d) ** 2 * span;
      x += points[k]!.x * w;
      y += points[k]!.y * w;
      weight += w;
    }
    return { x: x / weight, y: y / weight };
  });
}

/** Straight parts between corners, each turned to a multiple of 45° it nearly has. */
function straightened(points: readonly Point[], tolerance: number): Path {
  const [a, b] = [points[0]!, points.at(-1)!];
  const chord = distance(a, b);
  const off = Math.max(...points.map((p) => distanceToStretch(p, a, b)));
  const kept =
    chord > 0 && off < Math.max(tolerance, STRAIGHT * chord) ? [a, b] : simplifiedPoints(points, tolerance);
  const out: Point[] = [kept[0]!];
  for (let i = 1; i < kept.length; i++) {
    const [from, to] = [out[i - 1]!, kept[i]!];
    const angle = Math.atan2(to.y - from.y, to.x - from.x);
    const near = Math.round(angle / (Math.PI / 4)) * (Math.PI / 4);
    const length = distance(from, to);
    const level = Math.abs(angle - near) < LEVEL ? near : angle;
    out.push({ x: from.x + Math.cos(level) * length, y: from.y + Math.sin(level) * length });
  }
  return { closed: false, points: out.map((p) => corner(p.x, p.y)) };
}

/** Places where the hand turned on the spot: both sides of a short stretch run more than 80° apart. */
function handCorners(points: readonly Point[], reach: number): number[] {
  const s = lengthsOf(points);
  const turn = points.map((p, i) => {
    let [a, b] = [i, i];
    while (a > 0 && s[i]! - s[a]! < reach) a--;
    while (b < points.length - 1 && s[b]! - s[i]! < reach) b++;
    if (a === i || b === i) return 0;
    const [u, v] = [points[a]!, points[b]!];
    return Math.abs(
      Math.atan2(
        (p.x - u.x) * (v.y - p.y) - (p.y - u.y) * (v.x - p.x),
        (p.x - u.x) * (v.x - p.x) + (p.y - u.y) * (v.y - p.y),
      ),
    );
  });
  return turn.flatMap((t, i) => {
    if (t < 1.4) return [];
    for (let k = i - 1; k >= 0 && s[i]! - s[k]! < reach; k--) if (turn[k]! >= t) return [];
    for (let k = i + 1; k < points.length && s[k]! - s[i]! < reach; k++) if (turn[k]! > t) return [];
    return [i];
  });
}

/** A pen leans by this many degrees at most before its line is broadest. */
const MOST_TILT = 60;

/** Width along the length: harder is broader, and so is a leaning pen. */
function widthsOf(samples: readonly PenSample[], s: readonly number[]): WidthShare[] | null {
  const pressures = samples.map((p) => p.pressure);
  const tilts = samples.map((p) => Math.min(1, Math.hypot(p.tiltX, p.tiltY) / MOST_TILT));
  const varied = (v: readonly number[]) => Math.max(...v) - Math.min(...v) > 0.02;
  if (!varied(pressures) && !varied(tilts)) return null;
  const whole = s.at(-1)! || 1;
  const raw = samples.map((_, i) => Math.max(0.06, 0.15 + 0.85 * pressures[i]!) * (0.8 + 0.4 * tilts[i]!));
  const most = Math.max(...raw);
  return thinnedWidths(
    raw.map((r, i) => ({ at: s[i]! / whole, scale: r / most })),
    0.02,
  );
}

/** The hand's own timing: share of time at shares of the length. */
function handOf(samples: readonly PenSample[], s: readonly number[]): Hand {
  const [first, last] = [samples[0]!.time, samples.at(-1)!.time];
  const whole = s.at(-1)! || 1;
  const span = last - first || 1;
  const pace = samples.map((p, i) => ({
    at: s[i]! / whole,
    time: clamp((p.time - first) / span, 0, 1),
  }));
  const off = (i: number, a: number, b: number): number => {
    const [p, q, here] = [pace[a]!, pace[b]!, pace[i]!];
    const t = q.time > p.time ? (here.time - p.time) / (q.time - p.time) : 0;
    return Math.abs(here.at - (p.at + (q.at - p.at) * t));
  };
  const kept = keptIndices(pace.length, 0.004, off).map((i) => pace[i]!);
  return {
    seconds: Math.max(0, last - first) / 1000,
    pace:
      kept.length > 1
        ? kept
        : [
            { at: 0, time: 0 },
            { at: 1, time: 1 },
          ],
  };
}

/**
 * A stroke from the movement of a pen: few points within a stated distance of it, its width from pressure and tilt,
 * and its timing. A tap gives a dot.
 * @param pixel piece pixels to a pixel of the screen it was drawn on.
 */
export function penStroke(samples: readonly PenSample[], correction: Correction, pixel: number): PenStroke {
  const { tolerance, even } = AMOUNT[correction];
  const kept = moved(samples, 0.3 * pixel);
  const s = lengthsOf(kept);
  const facts = { hand: handOf(kept, s) };
  if (kept.length < 2 || s.at(-1)! < 2 * pixel) {
    const { x, y } = kept[0]!;
    return { path: { closed: false, points: [corner(x, y)] }, widths: null, ...facts };
  }
  if (correction === 'straightened')
    return { path: straightened(kept, tolerance * pixel), widths: null, ...facts };
  const corners = handCorners(kept, 7 * pixel);
  let points: Point[] = kept;
  if (even > 0) {
    // Between corners, so that these stay sharp.
    const stops = [0, ...corners.filter((i) => i > 0 && i < kept.length - 1), kept.length - 1];
    points = [kept[0]!];
    for (let k = 1; k < stops.length; k++) {
      points.push(...evened(kept.slice(stops[k - 1], stops[k]! + 1), even * pixel).slice(1));
    }
  }
  const closed = s.at(-1)! > 60 * pixel && distance(kept[0]!, kept.at(-1)!) < 9 * pixel;
  const path = fitPath(points, tolerance * pixel, corners, closed);
  return { path, widths: widthsOf(kept, s), ...facts };
}
