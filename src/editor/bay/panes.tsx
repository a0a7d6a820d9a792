'use client';
import { useLayoutEffect, useRef, type ReactNode } from 'react';
import { Pane } from './bay-frame';

/** The part of a picture that stands in the middle of its pane: shares of its sides. */
export type Focus = readonly [x: number, y: number];

/**
 * Pictures of one size in panes beside one another: where one is scrolled to, all are.
 * @param size of a picture as it is shown, px.
 */
export function Panes({
  pictures,
  fits,
  focus,
  size,
}: {
  pictures: readonly ReactNode[];
  fits: boolean;
  focus: Focus;
  size: readonly [width: number, height: number];
}) {
  const panes = useRef<(HTMLDivElement | null)[]>([]);
  const [width, height] = size;
  useLayoutEffect(() => {
    for (const pane of panes.current) {
      if (!pane) continue;
      pane.scrollLeft = focus[0] * width - pane.clientWidth / 2;
      pane.scrollTop = focus[1] * height - pane.clientHeight / 2;
    }
    // Where it is scrolled to later is the person's own.
  }, [fits, focus, width, height, pictures.length]);
  const follow = (from: HTMLDivElement) => {
    for (const pane of panes.current)
      if (pane && pane !== from) {
        pane.scrollLeft = from.scrollLeft;
        pane.scrollTop = from.scrollTop;
      }
  };
  return pictures.map((picture, i) => (
    <Pane
      key={i}
      ref={(pane) => {
        panes.current[i] = pane;
      }}
      $fits={fits}
      tabIndex={fits ? -1 : 0}
      onScroll={(event) => follow(event.currentTarget)}
    >
      {picture}
    </Pane>
  ));
}
