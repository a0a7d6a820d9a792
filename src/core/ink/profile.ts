import { keptIndices } from '../geometry';
import type { WidthShare } from './swept';

/** What a profile keeps when what lies between kept places is within a tolerance of a line between them. */
export function thinnedWidths(profile: readonly WidthShare[], tolerance: number): WidthShare[] {
  const off = (i: number, a: number, b: number): number => {
    const [p, q, here] = [profile[a]!, profile[b]!, profile[i]!];
    const t = q.at > p.at ? (here.at - p.at) / (q.at - p.at) : 0;
    return Math.abs(here.scale - (p.scale + (q.scale - p.scale) * t));
  };
  return keptIndices(profile.length, tolerance, off).map((i) => profile[i]!);
}
