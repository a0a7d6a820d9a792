import type { Piece } from '@/core/document';
import { framesPerSecond } from '@/core/timing';
import { useEditor, type PlayMode } from '../state';

/** The frames that are played: the work range where there is one, else all. */
export function playedRange({ workRange, length }: Pick<Piece, 'workRange' | 'length'>): {
  from: number;
  to: number;
} {
  if (!workRange) return { from: 0, to: length - 1 };
  const to = Math.min(length - 1, workRange.to);
  return { from: Math.min(workRange.from, to), to };
}

/**
 * The frame that is due after so many frames have passed since one; null where playing has come to its end.
 * @param first where playing began, within the range.
 */
export function dueFrame(
  { from, to }: { readonly from: number; readonly to: number },
  first: number,
  passed: number,
  mode: PlayMode,
): number | null {
  const count = to - from + 1;
  const on = first - from + passed;
  if (mode === 'once') return on >= count ? null : from + on;
  if (mode === 'loop' || count === 1) return from + (on % count);
  // There and back: the ends are shown once each time.
  const turn = on % (2 * (count - 1));
  return from + (turn < count ? turn : 2 * (count - 1) - turn);
}

/**
 * Plays the piece at its own rate, or a share of it: each picture the screen asks for shows the frame that is due. Frames
 * passed over are counted, so that what is seen can be trusted or not.
 */
export function play(): void {
  const { piece, frame, playing, playSpeed } = useEditor.getState();
  if (playing) return;
  const rate = framesPerSecond(piece.rate) * playSpeed;
  const range = playedRange(piece);
  const first = frame >= range.to || frame < range.from ? range.from : frame;
  let began: number | null = null;
  let shown = 0;
  useEditor.setState({ playing: true, dropped: 0, slowest: null, frame: first });
  let longest = 0;
  const next = (now: number): void => {
    const state = useEditor.getState();
    if (!state.playing) return;
    began ??= now;
    const passed = Math.floor(((now - began) / 1000) * rate);
    const due = dueFrame(range, first, passed, state.playMode);
    if (due === null) {
      useEditor.setState({ playing: false, frame: range.to });
      return;
    }
    if (passed !== shown) {
      const lost = Math.max(0, passed - shown - 1);
      shown = passed;
      // What was on the screen meanwhile is what took so long.
      const slowest = lost > longest ? state.frame : state.slowest;
      longest = Math.max(longest, lost);
      useEditor.setState({ frame: due, dropped: state.dropped + lost, slowest });
    }
    requestAnimationFrame(next);
  };
  requestAnimationFrame(next);
}

/** A frame that was due while playing was never seen: a newer one was due before its picture was begun. */
export function countOvertaken(seenMeanwhile: number): void {
  const { playing, dropped } = useEditor.getState();
  if (playing) useEditor.setState({ dropped: dropped + 1, slowest: seenMeanwhile });
}

export const stop = (): void => useEditor.setState({ playing: false });

export const togglePlay = (): void => (useEditor.getState().playing ? stop() : play());
