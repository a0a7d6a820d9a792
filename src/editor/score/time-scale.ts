import { create } from 'zustand';
import { recall, remember } from '../remembered';

/** How time lies in the lanes: the frame at their left edge and pixels a frame; and how high they are. */
export interface TimeScale {
  readonly left: number;
  readonly pixelsPerFrame: number;
  /** Width of the lanes, px. */
  readonly width: number;
  /** Whether the whole piece is shown at any width. */
  readonly fitted: boolean;
  /** Height of a lane, px. */
  readonly lane: number;
}

/** The heights a lane can have, px: at the least a name and its switches fit in. */
const HEIGHTS = [27, 40, 60, 90] as const;
const HEIGHT_KEY = 'obelus-lane-height';
const remembered = (): number =>
  HEIGHTS.find((height) => String(height) === recall(HEIGHT_KEY)) ?? HEIGHTS[0];

export const useTimeScale = create<TimeScale>(() => ({
  left: 0,
  pixelsPerFrame: 8,
  width: 0,
  fitted: true,
  lane: HEIGHTS[0],
}));

/** Lanes as high as they were when this browser last changed them. */
export const recallLanes = (): void => useTimeScale.setState({ lane: remembered() });

/** The next height of the lanes, up or down; null where there is none. */
export const nextLane = (lane: number, by: 1 | -1): number | null =>
  HEIGHTS[HEIGHTS.findIndex((height) => height === lane) + by] ?? null;

export function setLane(lane: number): void {
  useTimeScale.setState({ lane });
  remember(HEIGHT_KEY, String(lane));
}

/** Room left and right of the piece, px. */
const MARGIN = 14;
const MOST_PIXELS = 60;

export const xOf = (scale: TimeScale, frame: number): number => (frame - scale.left) * scale.pixelsPerFrame;
export const frameAt = (scale: TimeScale, x: number): number => scale.left + x / scale.pixelsPerFrame;

const fitting = (width: number, length: number) =>
  Math.max(0.001, (width - 2 * MARGIN) / Math.max(1, length - 1));

/** Shows the whole piece. */
export function fitTime(length: number): void {
  useTimeScale.setState(({ width }) => {
    const pixelsPerFrame = fitting(width, length);
    return { pixelsPerFrame, left: -MARGIN / pixelsPerFrame, fitted: true };
  });
}

/** Where the view begins, so that it shows the piece and a margin around it and nothing beyond. */
function leftWithin(left: number, pixelsPerFrame: number, width: number, length: number): number {
  const margin = MARGIN / pixelsPerFrame;
  return Math.max(-margin, Math.min(left, length - 1 + margin - width / pixelsPerFrame));
}

/** Zooms in time; the frame under `x` stays there. Never smaller than the whole piece. */
export function zoomTime(factor: number, x: number, length: number): void {
  useTimeScale.setState((scale) => {
    // A piece of few frames may fill the lanes with more pixels a frame than one is zoomed to.
    const least = fitting(scale.width, length);
    const pixelsPerFrame = Math.max(least, Math.min(MOST_PIXELS, scale.pixelsPerFrame * factor));
    const left = leftWithin(frameAt(scale, x) - x / pixelsPerFrame, pixelsPerFrame, scale.width, length);
    return { pixelsPerFrame, left, fitted: pixelsPerFrame <= least };
  });
}

export function scrollTime(pixels: number, length: number): void {
  useTimeScale.setState((scale) => ({
    left: leftWithin(scale.left + pixels / scale.pixelsPerFrame, scale.pixelsPerFrame, scale.width, length),
  }));
}
