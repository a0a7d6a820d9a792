import { availableParallelism } from 'node:os';
import { rawInput, toBt709 } from '../ffmpeg-arguments';
import type { Codec } from '../write-video';

/**
 * VP9 in WebM, colours marked BT.709. Alpha travels as a second VP9 picture (WebM's BlockAdditional); it needs alternate
 * reference frames off.
 */
export const webm: Codec = {
  lossy: true,
  arguments(frames, { quality }, file) {
    const pixels = frames.alpha ? 'yuva420p' : 'yuv420p';
    return [
      ...rawInput(frames),
      ...toBt709(pixels),
      ...['-c:v', 'libvpx-vp9', '-pix_fmt', pixels, '-auto-alt-ref', '0'],
      ...['-crf', quality === 'high' ? '8' : '32', '-b:v', '0', '-deadline', 'realtime', '-cpu-used', '7'],
      ...['-row-mt', '1', '-threads', String(availableParallelism())],
      ...['-f', 'webm', file],
    ];
  },
};
