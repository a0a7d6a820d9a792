import { taperShare, type TaperNow } from './taper';
import { laidOut, widthShareAt, type Widths } from './width-profile';

/** How wide the pen is along a path. Lengths in px from the path's start. */
export interface PenWidth {
  /** Full width at a length, px. */
  readonly at: (s: number) => number;
  /** No width is greater, px. */
  readonly widest: number;
  /** Lengths at which the width may break its slope, ascending. */
  readonly breaks: readonly number[];
}

/** Breaks within a curved taper, so that sampling never steps over its bend. */
const TAPER_BREAKS = [0, 0.06, 0.15, 0.35, 0.65, 0.9, 1];

/**
 * The width of a pen from profile and tapers.
 * @param length of the path, px.
 * @param span what the tapers run over: the whole path, or the inked part.
 */
export function penWidth(
  width: number,
  length: number,
  widths: Widths | undefined,
  taper: { readonly start: TaperNow | null; readonly end: TaperNow | null } | null,
  span: { readonly from: number; readonly to: number },
): PenWidth {
  const shares = widths ? laidOut(widths) : null;
  const breaks = shares ? shares.map((w) => w.at * length) : [];
  const start = taper?.start && taper.start.length > 0 ? taper.start : null;
  const end = taper?.end && taper.end.length > 0 ? taper.end : null;
  const stops = (t: TaperNow): readonly number[] => (t.curve.type === 'linear' ? [0, 1] : TAPER_BREAKS);
  if (start) breaks.push(...stops(start).map((k) => span.from + k * start.length));
  if (end) breaks.push(...stops(end).map((k) => span.to - k * end.length));
  breaks.sort((a, b) => a - b);
  return {
    at: (s) =>
      width *
      (shares ? widthShareAt(shares, length > 0 ? s / length : 0) : 1) *
      (start ? taperShare(start, s - span.from) : 1) *
      (end ? taperShare(end, span.to - s) : 1),
    widest: width * (shares ? Math.max(...shares.map((share) => share.scale)) : 1),
    breaks,
  };
}
