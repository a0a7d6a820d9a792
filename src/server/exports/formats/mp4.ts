import { asBt709, rawInput } from '../ffmpeg-arguments';
import type { Codec } from '../write-video';

/** H.264 in MP4, as everything plays it: even sizes, colour at a quarter of the resolution, its index at the front. */
export const mp4: Codec = {
  lossy: true,
  layout: 'yuv420',
  joined: ['-movflags', '+faststart', '-f', 'mp4'],
  arguments(frames, { quality, transparency, over }, file) {
    // An odd side is widened by a row or column of the ground.
    const ground = transparency === 'over' ? over.replace('#', '0x') : 'black';
    return [
      ...rawInput(frames),
      ...asBt709([`pad=ceil(iw/2)*2:ceil(ih/2)*2:0:0:${ground}`]),
      ...['-c:v', 'libx264', '-preset', 'medium', '-crf', quality === 'high' ? '14' : '24'],
      ...['-movflags', '+faststart', '-f', 'mp4', file],
    ];
  },
};
