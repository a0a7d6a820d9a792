import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { z } from 'zod';
import type { Rate } from '@/core/timing';
import { MOST_FRAMES, MOST_SIDE } from './limits';
import { rateNear } from './rate-near';
import { unreadable } from './refusal';

const run = promisify(execFile);

/** Only files, and only what a receiver is sent: no lists that name other files. */
export const ONLY_FILES = [
  ...['-protocol_whitelist', 'file'],
  ...['-format_whitelist', 'mov,matroska,webm,avi,apng,gif,png_pipe,jpeg_pipe'],
];
/** A file is read through once; one that takes longer is ended. */
const MOST_MS = 60_000;

const tag = z
  .string()
  .optional()
  .transform((value) => (value === 'unknown' ? undefined : value));
const probedSchema = z.object({
  streams: z
    .array(
      z.object({
        codec_name: z.string().default('unknown'),
        width: z.number().int().min(1),
        height: z.number().int().min(1),
        pix_fmt: z.string().default('unknown'),
        avg_frame_rate: z.string().default('0/0'),
        r_frame_rate: z.string().default('0/0'),
        color_range: tag,
        color_space: tag,
        color_transfer: tag,
        color_primaries: tag,
        tags: z.record(z.string(), z.string()).default({}),
      }),
    )
    .min(1),
  packets: z
    .array(z.object({ pts_time: z.string().optional(), dts_time: z.string().optional() }))
    .default([]),
});

/** What ffprobe says of the pictures of a file. */
export interface Probed {
  readonly codec: string;
  readonly width: number;
  readonly height: number;
  readonly pixels: string;
  readonly alpha: boolean;
  readonly tags: string | null;
  readonly rate: Rate;
  /** When each frame is shown, s, in order. */
  readonly times: readonly number[];
}

const rateOf = (text: string): Rate | null => {
  const [numerator, denominator] = text.split('/').map(Number);
  return numerator && denominator ? rateNear(numerator / denominator) : null;
};

/** Whether pixels of a format, in ffmpeg's words, have alpha. */
const hasAlpha = (pixels: string): boolean => /^(yuva|gbrap|rgba|bgra|argb|abgr|ya|pal8)/.test(pixels);
/** Formats whose colour has to be turned into red, green and blue, by a matrix that a file should name. */
const isApart = (pixels: string): boolean => /^yuv|^nv/.test(pixels);

/** Reads a film or picture through. @throws HttpError in words where there is none in it. */
export async function probe(file: string): Promise<Probed> {
  const { stdout } = await run(
    'ffprobe',
    [
      ...['-v', 'error', ...ONLY_FILES, '-select_streams', 'v:0', '-of', 'json'],
      ...['-show_entries', 'packet=pts_time,dts_time', '-show_streams', file],
    ],
    { timeout: MOST_MS, maxBuffer: 256 * 1024 * 1024 },
  ).catch(() => {
    throw unreadable('it is no film, picture or animation that is known here, or only a part of one.');
  });
  const read = probedSchema.safeParse(JSON.parse(stdout || '{}'));
  if (!read.success) throw unreadable('there are no pictures in it.');
  const [stream] = read.data.streams as [(typeof read.data.streams)[number]];
  const times = read.data.packets
    .map(({ pts_time, dts_time }) => Number(pts_time ?? dts_time ?? 0))
    .sort((a, b) => a - b);
  if (stream.width > MOST_SIDE || stream.height > MOST_SIDE)
    throw unreadable(`its frames are larger than ${MOST_SIDE} px a side.`);
  if (times.length > MOST_FRAMES) throw unreadable(`it has more than ${MOST_FRAMES} frames.`);
  if (times.length === 0) throw unreadable('there are no frames in it.');
  const { codec_name, width, height, pix_fmt, color_range, color_space, color_transfer, color_primaries } =
    stream;
  const said = [color_space, color_transfer, color_primaries, color_range];
  const alpha = stream.tags.alpha_mode === '1' || stream.tags.ALPHA_MODE === '1' || hasAlpha(pix_fmt);
  return {
    codec: codec_name,
    width,
    height,
    pixels: pix_fmt,
    alpha,
    tags: isApart(pix_fmt) ? (said.some(Boolean) ? said.map((one) => one ?? '–').join(', ') : '') : null,
    rate: rateOf(stream.avg_frame_rate) ?? rateOf(stream.r_frame_rate) ?? { numerator: 25, denominator: 1 },
    times,
  };
}
