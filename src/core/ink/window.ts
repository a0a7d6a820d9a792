import { clamp } from '../numbers';

/** The inked part of a path: tail to head, both 0..1 of its length, moved along by slide (in path lengths). */
export interface InkWindow {
  readonly head: number;
  readonly tail: number;
  readonly slide: number;
  /** Ink lies before the tail and after the head instead of between them. */
  readonly outside?: true;
}

/**
 * The windows of an inked part that lies on either side: each is one run of ink. On a closed path the two are one, across
 * the first point.
 */
export function runsOf(window: InkWindow, closed: boolean): readonly InkWindow[] {
  if (!window.outside) return [window];
  const { slide } = window;
  const [head, tail] = [clamp(window.head, 0, 1), clamp(window.tail, 0, 1)];
  if (head <= tail) return [{ head: 1, tail: 0, slide }];
  if (closed) return [{ head: 1 - (head - tail), tail: 0, slide: slide + head }];
  return [
    { head: tail, tail: 0, slide },
    { head: 1, tail: head, slide },
  ];
}

/** Lengths (px) between which ink lies; null where there is none. On a closed path `to` may pass the whole length. */
export function inkedLengths(
  window: InkWindow,
  length: number,
  closed: boolean,
): { from: number; to: number } | null {
  // On a closed path the window turns round with the slide; on an open one it runs off the ends.
  const head = clamp(closed ? window.head : window.head + window.slide, 0, 1);
  const tail = clamp(closed ? window.tail : window.tail + window.slide, 0, 1);
  if (!(head > tail)) return null;
  const turn = closed ? window.slide - Math.floor(window.slide) : 0;
  return { from: (tail + turn) * length, to: (head + turn) * length };
}
