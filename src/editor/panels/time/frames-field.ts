import { parseTime } from '@/core/timing';
import { useCalm } from '../../state';

/** How a number of frames is written and read: frames, seconds or timecode. */
export function useFrames() {
  const rate = useCalm((s) => s.piece.rate);
  return {
    format: (value: number) => `${Math.round(value * 10) / 10} fr`,
    parse: (text: string) => parseTime(text, rate),
    pixelsPerStep: 4,
  };
}
