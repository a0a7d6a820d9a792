import { framesPerSecond } from '@/core/timing';
import { useEditor } from '../state';

/**
 * Plays the piece at its own rate: each picture the screen asks for shows the frame that is due. Frames passed over
 * are counted, so that what is seen can be trusted or not.
 */
export function play(): void {
  const { piece, frame, looping, playing } = useEditor.getState();
  if (playing) return;
  const rate = framesPerSecond(piece.rate);
  const first = frame >= piece.length - 1 ? 0 : frame;
  let began: number | null = null;
  let shown = first;
  useEditor.setState({ playing: true, dropped: 0, frame: first });
  const next = (now: number): void => {
    const state = useEditor.getState();
    if (!state.playing) return;
    began ??= now;
    const passed = Math.floor(((now - began) / 1000) * rate);
    const absolute = first + passed;
    if (!looping && absolute >= piece.length) {
      useEditor.setState({ playing: false, frame: piece.length - 1 });
      return;
    }
    if (absolute !== shown) {
      const dropped = state.dropped + Math.max(0, absolute - shown - 1);
      shown = absolute;
      useEditor.setState({ frame: absolute % piece.length, dropped });
    }
    requestAnimationFrame(next);
  };
  requestAnimationFrame(next);
}

export const stop = (): void => useEditor.setState({ playing: false });

export const togglePlay = (): void => (useEditor.getState().playing ? stop() : play());
