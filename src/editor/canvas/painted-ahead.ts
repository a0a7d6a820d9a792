import { create } from 'zustand';
import type { Piece } from '@/core/document';
import { picturePainter, pieceBox, type Placement } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { inIdle } from '@/ui';
import { newCanvas } from '@/workers/new-canvas';
import { playedRange } from '../playback';
import { shownPiece, useEditor } from '../state';
import { useView } from './view';

/** A painted frame, and where it lies on the canvas. */
interface Painted {
  readonly canvas: OffscreenCanvas;
  readonly left: number;
  readonly top: number;
}

/** What the frames are of that are kept: a piece as it is now, seen from where it is seen now. */
interface Seen {
  readonly piece: Piece;
  readonly placement: Placement;
  readonly width: number;
  readonly height: number;
}

interface Ahead {
  readonly isOn: boolean;
  readonly seen: Seen | null;
  readonly frames: ReadonlyMap<number, Painted>;
  /** How many frames of the range there is memory for. */
  readonly room: number;
}

const NONE: Pick<Ahead, 'seen' | 'frames' | 'room'> = { seen: null, frames: new Map(), room: 0 };

/** Frames that are kept painted, so that what is too heavy to be painted in time plays at its rate. */
export const useAhead = create<Ahead>(() => ({ isOn: false, ...NONE }));

/** As much memory as frames may take, bytes. */
const MOST_BYTES = 512 * 2 ** 20;
/** How long nothing must change before frames are painted ahead, ms. */
const REST_MS = 500;

/** Where the piece lies on a canvas of as many pixels as the stage has. */
function seenNow(): Seen {
  const { x, y, zoom, viewport } = useView.getState();
  const ratio = window.devicePixelRatio || 1;
  return {
    piece: shownPiece(useEditor.getState()),
    placement: { x: x * ratio, y: y * ratio, scale: zoom * ratio },
    width: Math.round(viewport.width * ratio),
    height: Math.round(viewport.height * ratio),
  };
}

const same = (a: Seen, b: Seen): boolean =>
  a.piece === b.piece &&
  a.width === b.width &&
  a.height === b.height &&
  a.placement.x === b.placement.x &&
  a.placement.y === b.placement.y &&
  a.placement.scale === b.placement.scale;

/** A frame as it was painted ahead; null where it was not, or is another by now. */
export function frameAhead(frame: number): Painted | null {
  const { seen, frames } = useAhead.getState();
  const painted = frames.get(frame);
  return seen && painted && same(seen, seenNow()) ? painted : null;
}

/** Paints the frames that are played, one after another when nothing else is to be done; ends by itself where they change. */
function paintAhead(seen: Seen): void {
  const { piece, placement, width, height } = seen;
  const box = pieceBox(piece.size, placement, { width, height });
  if (!box) return;
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  const { from, to } = playedRange(piece);
  const room = Math.min(to - from + 1, Math.floor(MOST_BYTES / (w * h * 4)));
  useAhead.setState({ seen, frames: new Map(), room });
  const own = newCanvas(width, height) as OffscreenCanvas;
  const painter = picturePainter(own.getContext('2d')!, newCanvas);
  let before: Painted | null = null;
  const paintNext = (frame: number): void => {
    const { isOn, seen: now, frames } = useAhead.getState();
    if (!isOn || now !== seen || frame >= from + room) return;
    // What plays or is dragged comes first.
    if (!useEditor.getState().playing) {
      const changed = painter.paint(evaluate(piece, frame), placement);
      if (!before || changed.length > 0) {
        const canvas = new OffscreenCanvas(w, h);
        canvas.getContext('2d')!.drawImage(own, -box.left, -box.top);
        before = { canvas, left: box.left, top: box.top };
      }
      useAhead.setState({ frames: new Map(frames).set(frame, before) });
      frame++;
    }
    inIdle(() => paintNext(frame));
  };
  paintNext(from);
}

/**
 * Keeps the frames that are played painted while that is wanted: they are painted when nothing has changed for a moment, and
 * dropped as soon as something does.
 * @returns what ends it.
 */
export function keepAhead(): () => void {
  let rest: ReturnType<typeof setTimeout> | undefined;
  const look = (): void => {
    const { isOn, seen } = useAhead.getState();
    const now = seenNow();
    if (seen && (!isOn || !same(seen, now))) useAhead.setState(NONE);
    if (!isOn || (seen && same(seen, now))) return;
    clearTimeout(rest);
    rest = setTimeout(() => {
      if (useAhead.getState().isOn && !useAhead.getState().seen) paintAhead(seenNow());
    }, REST_MS);
  };
  const ends = [
    useAhead.subscribe((state, before) => {
      if (state.isOn !== before.isOn) look();
    }),
    useEditor.subscribe((state, before) => {
      if (shownPiece(state) !== shownPiece(before)) look();
    }),
    useView.subscribe(look),
  ];
  return () => {
    clearTimeout(rest);
    ends.forEach((end) => end());
    useAhead.setState({ isOn: false, ...NONE });
  };
}

/** Turns it on or off. */
export const setAhead = (isOn: boolean): void => useAhead.setState({ isOn });
