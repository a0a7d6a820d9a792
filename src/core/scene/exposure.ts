import type { DrawItem } from '../draw';
import { itemBounds } from '../draw';
import type { Shutter } from '../document';
import { clamp } from '../numbers';

type Items = readonly DrawItem[];

/** A shutter, and in how many samples at the most its light is summed. */
export interface Exposure extends Shutter {
  readonly samples: number;
}

/**
 * Samples of one frame at the most. Up to so many pixels of travel within the time the shutter is open no step is over a
 * pixel; beyond, steps grow, and are softened only by what moves being as wide.
 */
export const MOST_SAMPLES = 64;

/** Whether two lists hold the same items. */
export const sameList = (a: Items, b: Items): boolean =>
  a === b || (a.length === b.length && a.every((item, i) => item === b[i]));

/** The greatest way that a point of one item has gone to be one of another, px; null where they are not made alike. */
function itemTravel(a: DrawItem, b: DrawItem): number | null {
  if (a === b) return 0;
  if (a.kind === 'group' || b.kind === 'group')
    return a.kind === 'group' && b.kind === 'group' ? travel(a.items, b.items) : null;
  if (a.path.length !== b.path.length) return null;
  let most = a.kind === 'stroke' && b.kind === 'stroke' ? Math.abs(a.width - b.width) : 0;
  for (let i = 0; i < a.path.length; i++) {
    const [p, q] = [a.path[i]!, b.path[i]!];
    if (p[0] !== q[0]) return null;
    for (let k = 1; k < p.length; k += 2)
      most = Math.max(
        most,
        Math.hypot((p[k] as number) - (q[k] as number), (p[k + 1] as number) - (q[k + 1] as number)),
      );
  }
  return most;
}

function boxTravel(a: DrawItem, b: DrawItem): number {
  const [p, q] = [itemBounds(a), itemBounds(b)];
  if (!p || !q) return Infinity;
  const off = (side: keyof typeof p): number => Math.abs(p[side] - q[side]);
  return Math.max(off('left'), off('right'), off('top'), off('bottom'));
}

/** How far what some items show has gone to what others show, px, as far as can be told. */
function travel(a: Items, b: Items): number {
  if (a.length !== b.length) return Infinity;
  return a.reduce((most, item, i) => Math.max(most, itemTravel(item, b[i]!) ?? boxTravel(item, b[i]!)), 0);
}

/**
 * The moments of a frame whose light is summed, each in the middle of an even share of the time the shutter is open; none where
 * nothing moves. Of a straight edge the midpoint rule is off by no more than travel / (8 n²) of full, so that n is the way in
 * pixels, and no less than the root of 32 times it: an error under 1/255, and no step over a pixel.
 */
export function samplesOf(
  { angle, phase, samples }: Exposure,
  frame: number,
  at: (frame: number) => Items,
): number[] {
  const open = frame + phase / (Math.PI * 2);
  const long = angle / (Math.PI * 2);
  if (long <= 0) return [];
  const times = [open, open + long / 2, open + long];
  const [first, middle, last] = times.map(at);
  if (sameList(first!, middle!) && sameList(middle!, last!)) return [];
  const way = travel(first!, middle!) + travel(middle!, last!);
  const needed = Math.ceil(Math.max(way, Math.sqrt(32 * way), 2));
  const n = clamp(Number.isFinite(needed) ? needed : samples, 2, samples);
  return Array.from({ length: n }, (_, i) => open + (long * (i + 0.5)) / n);
}
