import type { PointerEvent as ReactPointerEvent } from 'react';
import { create } from 'zustand';
import { allKeyed, keyedParts, keysAt, type KeyRef, type Piece } from '@/core/document';
import { dragDocument, useEditor } from '../state';
import { useTimeScale } from './time-scale';

/** A moment that keys are drawn to, and its name. */
interface SnapPlace {
  readonly frame: number;
  readonly name: string;
}

/** What is shown while something is dragged in the score: the number that changes, and what it was drawn to. */
export const useDragShow = create<{
  readonly words: string | null;
  readonly at: number;
  readonly snap: SnapPlace | null;
}>(() => ({ words: null, at: 0, snap: null }));

/** So near, px, a moment draws what is dragged. */
const REACH = 8;

/** The moments of a piece that keys are drawn to: the playhead, markers, the work range, the ends, and other keys. */
export function snapPlaces(piece: Piece, frame: number, without: readonly KeyRef[]): SnapPlace[] {
  const skip = new Set(without.map((ref) => `${ref.stroke} ${ref.part} ${ref.index}`));
  const keys = allKeyed(piece).flatMap(({ id, name, keyed }) =>
    keyedParts(keyed).flatMap((part) =>
      keysAt(piece, { stroke: id, part }).flatMap((key, index) =>
        skip.has(`${id} ${part} ${index}`) ? [] : [{ frame: key.frame, name }],
      ),
    ),
  );
  const { workRange } = piece;
  return [
    { frame, name: 'playhead' },
    ...piece.markers.map((marker) => ({ frame: marker.frame, name: marker.name })),
    ...(workRange
      ? [
          { frame: workRange.from, name: 'work range' },
          { frame: workRange.to, name: 'work range' },
        ]
      : []),
    ...keys,
    { frame: 0, name: 'first frame' },
    { frame: piece.length - 1, name: 'last frame' },
  ];
}

/** By how many whole frames moved frames go: to the nearest place within reach of one of them, else as far as the pointer. */
export function snappedBy(
  raw: number,
  moved: readonly number[],
  places: readonly SnapPlace[],
  pixelsPerFrame: number,
): { by: number; snap: SnapPlace | null } {
  let best: { by: number; snap: SnapPlace; off: number } | null = null;
  for (const frame of moved) {
    for (const snap of places) {
      const by = snap.frame - frame;
      const off = Math.abs(by - raw);
      if (off * pixelsPerFrame <= REACH && (!best || off < best.off)) best = { by, snap, off };
    }
  }
  // What lies half a frame away or nearer is reached anyway: it is still said.
  return best ? { by: best.by, snap: best.snap } : { by: Math.round(raw), snap: null };
}

const signed = (by: number): string => `${by > 0 ? '+' : ''}${by} fr`;

/** Follows a drag whose number is shown: one step of undo. */
export function follow(
  event: ReactPointerEvent<Element>,
  move: (e: PointerEvent) => void,
  cancel?: () => void,
): void {
  dragDocument(event, {
    move,
    ...(cancel && { cancel }),
    ended: () => useDragShow.setState({ words: null, snap: null }),
  });
}

/**
 * Follows a drag by whole frames, drawn to other moments unless Alt is held.
 * @param frames where what is dragged stands as the drag begins.
 * @param keys the keys among it, which draw nothing to themselves.
 */
export function dragFrames(
  event: ReactPointerEvent<Element>,
  frames: readonly number[],
  keys: readonly KeyRef[],
  move: (by: number) => void,
): void {
  const from = event.clientX;
  const { piece, frame } = useEditor.getState();
  const places = snapPlaces(piece, frame, keys);
  follow(event, (e) => {
    const { pixelsPerFrame } = useTimeScale.getState();
    const raw = (e.clientX - from) / pixelsPerFrame;
    const { by, snap } = e.altKey
      ? { by: Math.round(raw), snap: null }
      : snappedBy(raw, frames, places, pixelsPerFrame);
    const at = (frames[0] ?? 0) + by;
    useDragShow.setState({ words: `${signed(by)} · frame ${Math.round(at)}`, at, snap });
    move(by);
  });
}
