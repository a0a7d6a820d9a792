import { parseTime } from '@/core/timing';
import type { Property } from '@/core/properties';
import { useCalm } from '../state';
import { fieldOf } from './words';

/** How a number of frames is written and read: frames, seconds or timecode. */
export function useFrames() {
  const rate = useCalm((s) => s.piece.rate);
  return {
    format: (value: number) => `${Math.round(value * 10) / 10} fr`,
    parse: (text: string) => parseTime(text, rate),
    pixelsPerStep: 4,
  };
}

/** What a number field of a property needs to know; lengths of time are read as frames, seconds or timecode. */
export function useFieldOf(property: Property) {
  const frames = useFrames();
  return { ...fieldOf(property), ...(property.unit === 'frames' && frames) };
}
