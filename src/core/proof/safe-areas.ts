import type { Bounds } from '../geometry';

/** Shares of width and height that surely are seen (action) and stay legible (title): SMPTE ST 2046-1:2009. */
export const SAFE = { action: 0.93, title: 0.9 } as const;

/** The middle of a picture that is safe. */
export const safeArea = (
  { width, height }: { readonly width: number; readonly height: number },
  share: number,
): Bounds => ({
  left: (width * (1 - share)) / 2,
  right: (width * (1 + share)) / 2,
  top: (height * (1 - share)) / 2,
  bottom: (height * (1 + share)) / 2,
});

/** How far a box sticks out of another, px, on the side where it does most. */
export const sticksOut = (box: Bounds, safe: Bounds): number =>
  Math.max(0, safe.left - box.left, box.right - safe.right, safe.top - box.top, box.bottom - safe.bottom);

/** The least way that brings a box into another, as far as it fits. */
export function wayInto(box: Bounds, safe: Bounds): { x: number; y: number } {
  const along = (low: number, high: number, from: number, to: number): number =>
    high - low > to - from
      ? (from + to - low - high) / 2
      : low < from
        ? from - low
        : high > to
          ? to - high
          : 0;
  return {
    x: along(box.left, box.right, safe.left, safe.right),
    y: along(box.top, box.bottom, safe.top, safe.bottom),
  };
}
