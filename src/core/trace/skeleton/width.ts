import { thinnedWidths, type WidthShare } from '../../ink';
import type { Place } from './arms';

/** A width that differs by less than this share is even. */
const EVEN = 0.042;
/** How exactly a profile follows the measured width, as a share of the width. */
const EXACT = 0.012;
const MOST = 200;

/** The width of a line and, where it is not even, its profile along the length. */
export function widthOf(
  places: readonly Place[],
  closed: boolean,
): { width: number; widths: WidthShare[] | null } {
  const s = [0];
  for (let i = 1; i < places.length; i++) {
    s.push(s[i - 1]! + Math.hypot(places[i]!.x - places[i - 1]!.x, places[i]!.y - places[i - 1]!.y));
  }
  const back = closed ? Math.hypot(places[0]!.x - places.at(-1)!.x, places[0]!.y - places.at(-1)!.y) : 0;
  const whole = s.at(-1)! + back || 1;
  const sorted = places.map((p) => p.r).sort((a, b) => a - b);
  const middle = sorted[sorted.length >> 1]!;
  const low = sorted[Math.floor(sorted.length * 0.04)]!;
  const high = sorted[Math.floor((sorted.length - 1) * 0.96)]!;
  if (high - low < 2 * EVEN * middle) return { width: 2 * middle, widths: null };
  const widest = sorted.at(-1)!;
  const profile = places.map((p, i) => ({ at: s[i]! / whole, scale: Math.max(0.01, p.r / widest) }));
  if (closed) profile.push({ at: 1, scale: profile[0]!.scale });
  for (let tolerance = EXACT; ; tolerance *= 1.5) {
    const kept = thinnedWidths(profile, tolerance);
    if (kept.length <= MOST) return { width: 2 * widest, widths: kept };
  }
}
