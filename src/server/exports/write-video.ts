import { rm } from 'node:fs/promises';
import { exportedFrames, exportSize, formatOf, frameStep, type WholeExportSettings } from '@/contract';
import type { Rate } from '@/core/timing';
import type { ExportJob, WriteFormat } from './export-job';
import { startFfmpeg } from './ffmpeg';
import type { Frames, Layout } from './ffmpeg-arguments';
import { keepsAlpha, leavingFrames } from './leaving-frames';
import { renderFrames } from './render-frames';
import { needFrames, videoFrames, type CountFrames } from './verify';
import { writeZip } from './zip-file';

/** How ffmpeg makes a format of frames. */
export interface Codec {
  /** Arguments of ffmpeg for raw RGBA frames on standard input; the file comes last. */
  readonly arguments: (frames: Frames, settings: WholeExportSettings, file: string) => readonly string[];
  /** How it takes frames: with colour at a quarter of the resolution only what changed needs to be brought to it. */
  readonly layout: Layout;
  /** Whether colour is kept at a lower resolution than alpha, or not to the last bit. */
  readonly lossy: boolean;
  /** Reads a finished file back; where absent, ffprobe does. */
  readonly count?: (rate: Rate) => CountFrames;
}

/** The rate of a file: that of the piece, or a part of it where the format holds no more. */
export function fileRate({ piece, settings }: ExportJob): Rate {
  const { numerator, denominator } = piece.rate;
  return { numerator, denominator: denominator * frameStep(formatOf(settings.format), piece.rate) };
}

/** What makes video files of a codec: one, or a fill and its matte in a zip archive. */
export const videoWriter =
  (codec: Codec): WriteFormat =>
  async (job) => {
    const { piece, settings, file, stem, progress } = job;
    const frames = exportedFrames(settings, piece.rate);
    const rate = fileRate(job);
    const leaving = leavingFrames(piece, settings, codec);
    const apart = leaving.names.length > 1;
    const files = leaving.names.map((name) => (apart ? `${file}.${name}` : file));
    const told = {
      ...exportSize(piece.size, settings.scale),
      rate,
      alpha: keepsAlpha(settings.transparency),
      layout: codec.layout,
    };
    const encoders = files.map((one) => startFfmpeg(codec.arguments(told, settings, one)));
    try {
      let done = 0;
      for (const frame of renderFrames(piece, settings.scale, frames)) {
        // While ffmpeg encodes this frame the next one is painted; its pixels are touched only when this is read.
        const bytes = leaving.take(frame);
        await Promise.all(encoders.map((encoder, i) => encoder.write(bytes[i]!)));
        if (!(await progress(++done))) return false;
      }
      for (const encoder of encoders) await encoder.finish();
      const count = codec.count?.(rate) ?? videoFrames;
      for (const one of files) await needFrames(one, count, frames.length);
      if (!apart) return true;
      const { ending } = formatOf(settings.format);
      return await writeZip(file, async (zip) => {
        for (const [i, name] of leaving.names.entries())
          await zip.addFile(`${stem} ${name}.${ending}`, files[i]!);
        return true;
      });
    } finally {
      for (const encoder of encoders) encoder.kill();
      if (apart) for (const one of files) await rm(one, { force: true });
    }
  };
