import { availableParallelism } from 'node:os';
import { asBt709, pixelsOf, rawInput } from '../ffmpeg-arguments';
import type { Codec } from '../write-video';

/** Without ids by chance: two exports of the same frames are the same bytes. */
const UNDATED = ['-fflags', '+bitexact'];

/**
 * VP9 in WebM, colours marked BT.709. Alpha travels as a second VP9 picture (WebM's BlockAdditional); it needs alternate
 * reference frames off.
 */
export const webm: Codec = {
  lossy: true,
  lingers: true,
  layout: 'yuv420',
  // What its second picture is is not taken over with it.
  joined: ['-metadata:s:v:0', 'alpha_mode=1', ...UNDATED, '-f', 'webm'],
  arguments(frames, { quality }, file) {
    const { blankFrom = [] } = frames;
    return [
      ...rawInput(frames),
      ...asBt709(),
      ...['-c:v', 'libvpx-vp9', '-pix_fmt', pixelsOf(frames), '-auto-alt-ref', '0'],
      ...['-crf', quality === 'high' ? '8' : '32', '-b:v', '0', '-deadline', 'realtime', '-cpu-used', '7'],
      // Of a blank frame a key frame leaves nothing, others up to 11 of 255 of the ink before them (measured with libvpx 1.12).
      ...(blankFrom.length > 0
        ? ['-force_key_frames', `expr:${blankFrom.map((n) => `eq(n,${n})`).join('+')}`]
        : []),
      ...['-row-mt', '1', '-threads', String(availableParallelism())],
      ...[...UNDATED, '-f', 'webm', file],
    ];
  },
};
