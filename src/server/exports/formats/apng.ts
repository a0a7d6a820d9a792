import { rawInput } from '../ffmpeg-arguments';
import type { Codec } from '../write-video';

/** Animated PNG: every pixel as it was painted. */
export const apng: Codec = {
  layout: 'rgba',
  lossy: false,
  arguments: (frames, { plays }, file) => [
    ...rawInput(frames),
    ...['-c:v', 'apng', '-pred', 'mixed', '-pix_fmt', frames.alpha ? 'rgba' : 'rgb24'],
    ...['-plays', plays === 'again' ? '0' : '1', '-f', 'apng', file],
  ],
};
