import type { Rate } from '@/core/timing';

/** What an encoder is told of the frames that it gets. */
export interface Frames {
  readonly width: number;
  readonly height: number;
  readonly rate: Rate;
  /** Whether alpha is to be kept; else every frame is opaque. */
  readonly alpha: boolean;
}

/** Raw RGBA frames on standard input. */
export const rawInput = ({ width, height, rate }: Frames): string[] => [
  ...['-f', 'rawvideo', '-pix_fmt', 'rgba', '-s', `${width}x${height}`],
  ...['-framerate', `${rate.numerator}/${rate.denominator}`, '-i', 'pipe:0', '-an'],
];

/**
 * Brightness and colour apart as ITU-R BT.709 has them, in its limited range, and marked so (ITU-T H.273): on the frames,
 * as encoders go by those and not by what they are told beside them. `before` are filters that come first.
 */
export const toBt709 = (pixels: string, before: readonly string[] = []): string[] => [
  '-vf',
  [
    ...before,
    'scale=out_color_matrix=bt709:out_range=tv',
    `format=${pixels}`,
    'setparams=range=tv:colorspace=bt709:color_primaries=bt709:color_trc=bt709',
  ].join(','),
];
