import { rm } from 'node:fs/promises';
import { exportedFrames, exportSize, formatOf, frameStep, type WholeExportSettings } from '@/contract';
import type { Rate } from '@/core/timing';
import { blankBeginnings } from './blank-frames';
import type { ExportJob, WriteFormat } from './export-job';
import { startFfmpeg } from './ffmpeg';
import type { Frames, Layout } from './ffmpeg-arguments';
import { keepsAlpha, leavingFrames, leavingNames } from './leaving-frames';
import { renderFrames } from './render-frames';
import { needFrames, videoFrames, type CountFrames } from './verify';
import { writeZip } from '../zip';

/** How ffmpeg makes a format of frames. */
export interface Codec {
  /** Arguments of ffmpeg for raw RGBA frames on standard input; the file comes last. */
  readonly arguments: (frames: Frames, settings: WholeExportSettings, file: string) => readonly string[];
  /** How it takes frames: with colour at a quarter of the resolution only what changed needs to be brought to it. */
  readonly layout: Layout;
  /** Whether colour is kept at a lower resolution than alpha, or not to the last bit. */
  readonly lossy: boolean;
  /** Whether it goes on showing a trace of ink that is gone: it is told where frames begin to be blank. */
  readonly lingers?: true;
  /** What ffmpeg is told beside where files of it are joined as they are; absent where they can't be. */
  readonly joined?: readonly string[];
  /** Reads a finished file back; where absent, ffprobe does. */
  readonly count?: (rate: Rate) => CountFrames;
}

/** The rate of a file: that of the piece, or a part of it where the format holds no more. */
export function fileRate({ piece, settings }: Pick<ExportJob, 'piece' | 'settings'>): Rate {
  const { numerator, denominator } = piece.rate;
  return { numerator, denominator: denominator * frameStep(formatOf(settings.format), piece.rate) };
}

/** Where a file of a job is made: beside it, where there are several. */
const filesOf = ({ settings, file }: ExportJob): readonly string[] => {
  const names = leavingNames(settings);
  return names.map((name) => (names.length > 1 ? `${file}.${name}` : file));
};

/**
 * Encodes some frames of a job; false when it was stopped.
 * @param files one for each of the frames that leave for one of the piece's; what is left in them of an unfinished try is nothing whole.
 */
export async function encodeFrames(
  codec: Codec,
  job: ExportJob,
  frames: readonly number[],
  files: readonly string[],
): Promise<boolean> {
  const { piece, settings, progress } = job;
  const leaving = leavingFrames(piece, settings, codec);
  const told = {
    ...exportSize(piece.size, settings.scale),
    rate: fileRate(job),
    alpha: keepsAlpha(settings.transparency),
    layout: codec.layout,
    ...(codec.lingers && { blankFrom: blankBeginnings(piece, frames) }),
  };
  const encoders = files.map((file) => startFfmpeg(codec.arguments(told, settings, file)));
  try {
    let done = 0;
    for (const frame of renderFrames(piece, settings.scale, frames)) {
      // While ffmpeg encodes this frame the next one is painted; its pixels are touched only when this is read.
      const bytes = leaving.take(frame);
      await Promise.all(encoders.map((encoder, i) => encoder.write(bytes[i]!)));
      if (!(await progress(++done))) return false;
    }
    for (const encoder of encoders) await encoder.finish();
    for (const file of files) await needFrames(file, countOf(codec, job), frames.length);
    return true;
  } finally {
    for (const encoder of encoders) encoder.kill();
  }
}

/** Reads files of a job back. */
export const countOf = (codec: Codec, job: ExportJob): CountFrames =>
  codec.count?.(fileRate(job)) ?? videoFrames;

/**
 * Makes the file of a job: by itself, or a fill and its matte in a zip archive.
 * @param make writes what leaves into files; false when it was stopped.
 */
export async function writeLeaving(
  job: ExportJob,
  make: (files: readonly string[]) => Promise<boolean>,
): Promise<boolean> {
  const { settings, file, stem } = job;
  const files = filesOf(job);
  if (files.length === 1) return make(files);
  try {
    if (!(await make(files))) return false;
    const { ending } = formatOf(settings.format);
    return await writeZip(file, async (zip) => {
      for (const [i, name] of leavingNames(settings).entries())
        await zip.addFile(`${stem} ${name}.${ending}`, files[i]!);
      return true;
    });
  } finally {
    for (const one of files) await rm(one, { force: true });
  }
}

/** What makes video files of a codec. */
export const videoWriter =
  (codec: Codec): WriteFormat =>
  (job) =>
    writeLeaving(job, (files) =>
      encodeFrames(codec, job, exportedFrames(job.settings, job.piece.rate), files),
    );
