import { rawInput, toBt709 } from '../ffmpeg-arguments';
import type { Codec } from '../write-video';

/** ProRes 4444 in QuickTime: ten bits of brightness and colour at full resolution, sixteen of alpha. */
export const prores: Codec = {
  layout: 'rgba',
  joined: ['-f', 'mov'],
  lossy: true,
  arguments(frames, _, file) {
    const pixels = frames.alpha ? 'yuva444p10le' : 'yuv444p10le';
    return [
      ...rawInput(frames),
      ...toBt709(pixels),
      ...['-c:v', 'prores_ks', '-profile:v', '4444', '-pix_fmt', pixels, '-vendor', 'apl0'],
      ...(frames.alpha ? ['-alpha_bits', '16'] : ['-alpha_bits', '0']),
      ...['-f', 'mov', file],
    ];
  },
};
