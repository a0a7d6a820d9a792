import { rawInput } from '../ffmpeg-arguments';
import type { Codec } from '../write-video';

/** QuickTime Animation: every pixel as it was painted, in run lengths. */
export const lossless: Codec = {
  layout: 'rgba',
  joined: ['-f', 'mov'],
  lossy: false,
  arguments: (frames, _, file) => [
    ...rawInput(frames),
    ...['-vf', 'setparams=colorspace=gbr:color_primaries=bt709:color_trc=bt709'],
    ...['-c:v', 'qtrle', '-pix_fmt', frames.alpha ? 'argb' : 'rgb24'],
    ...['-f', 'mov', file],
  ],
};
