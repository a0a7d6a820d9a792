import type { Stroke } from '../document';
import { measurePath } from '../geometry';
import { capsOf, dashUnit, evenPattern, mendedPattern, seenGap, type Dashes } from '../ink';
import { valueAt } from '../timing';

/** The pattern of a stroke's dashes at a frame, px; null where it has none. */
function patternAt({ ink, path }: Stroke, frame: number) {
  if (!ink.dashes) return null;
  const width = valueAt(ink.width, frame);
  const unit = dashUnit(ink.dashes.unit, width, measurePath(path).length) || 1;
  return { width, unit, pattern: ink.dashes.pattern.map((part) => part * unit) };
}

/** The dashes of a stroke with the gaps that its caps close at a frame opened; null where none closes. */
export function openedDashes(stroke: Stroke, frame: number): Dashes | null {
  const now = patternAt(stroke, frame);
  if (!now) return null;
  const mended = mendedPattern(now.pattern, now.width, capsOf(stroke.ink));
  if (mended === now.pattern) return null;
  return { ...stroke.ink.dashes!, pattern: mended.map((part) => part / now.unit) };
}

/** The least gap between a stroke's dashes that the eye sees at a frame, px: below 0 where caps overlap; null without dashes. */
export function leastGap(stroke: Stroke, frame: number): number | null {
  const now = patternAt(stroke, frame);
  if (!now) return null;
  const gaps = evenPattern(now.pattern).filter((_, i) => i % 2 === 1);
  return seenGap(Math.min(...gaps), now.width, capsOf(stroke.ink));
}
