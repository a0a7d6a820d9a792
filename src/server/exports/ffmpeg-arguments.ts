import type { Rate } from '@/core/timing';

export type Layout = 'rgba' | 'yuv420';

/** What an encoder is told of the frames that it gets. */
export interface Frames {
  readonly width: number;
  readonly height: number;
  readonly rate: Rate;
  /** Whether alpha is to be kept; else every frame is opaque. */
  readonly alpha: boolean;
  /** RGBA, or brightness and colour apart as `toYuv420` makes them, with alpha where that is kept. */
  readonly layout: Layout;
  /** Which of them begin to be blank: what an encoder would go on showing of the frame before is wiped there. */
  readonly blankFrom?: readonly number[];
}

/** What ffmpeg calls the pixels of frames. */
export const pixelsOf = ({ layout, alpha }: Frames): string =>
  layout === 'rgba' ? 'rgba' : alpha ? 'yuva420p' : 'yuv420p';

/** Raw frames on standard input. */
export const rawInput = (frames: Frames): string[] => [
  ...['-f', 'rawvideo', '-pix_fmt', pixelsOf(frames), '-s', `${frames.width}x${frames.height}`],
  ...['-framerate', `${frames.rate.numerator}/${frames.rate.denominator}`, '-i', 'pipe:0', '-an'],
];

/**
 * Frames that are in the limited range of ITU-R BT.709 marked so (ITU-T H.273): on the frames, as encoders go by those and not by
 * what they are told beside them. `before` are filters that come first.
 */
export const asBt709 = (before: readonly string[] = []): string[] => [
  '-vf',
  [...before, 'setparams=range=tv:colorspace=bt709:color_primaries=bt709:color_trc=bt709'].join(','),
];

/** The same of RGBA: brightness and colour apart, as those pixels of ffmpeg's have them. */
export const toBt709 = (pixels: string): string[] =>
  asBt709(['scale=out_color_matrix=bt709:out_range=tv', `format=${pixels}`]);
