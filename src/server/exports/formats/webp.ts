import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import { framesPerSecond } from '@/core/timing';
import { rawInput } from '../ffmpeg-arguments';
import type { Codec } from '../write-video';

/** Animated WebP: every pixel as it was painted, or lossy where it is to be small. Equal frames are one that stays longer. */
export const webp: Codec = {
  layout: 'rgba',
  lossy: true,
  arguments: (frames, { plays, quality }, file) => [
    ...rawInput(frames),
    ...['-c:v', 'libwebp_anim', '-compression_level', '2'],
    ...(quality === 'high'
      ? ['-lossless', '1', '-pix_fmt', 'bgra']
      : ['-lossless', '0', '-quality', '80', '-pix_fmt', frames.alpha ? 'yuva420p' : 'yuv420p']),
    ...['-loop', plays === 'again' ? '0' : '1', '-f', 'webp', file],
  ],
  count: (rate) => async (file) => {
    const bytes = await readFile(file);
    const { delay } = await sharp(bytes, { animated: true, limitInputPixels: false }).metadata();
    // One frame is a picture that stands.
    if (!delay) return 1;
    return Math.round((delay.reduce((sum, ms) => sum + ms, 0) / 1000) * framesPerSecond(rate));
  },
};
