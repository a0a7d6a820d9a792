import { rm } from 'node:fs/promises';
import { exportedFrames, exportSize } from '@/contract';
import type { ExportJob, WriteFormat } from '../export-job';
import { startFfmpeg } from '../ffmpeg';
import { rawInput } from '../ffmpeg-arguments';
import { leavingFrames } from '../leaving-frames';
import { renderFrames } from '../render-frames';
import { fileRate, videoWriter } from '../write-video';

/** How many frames, evenly chosen, are looked at for the colours of a piece. */
const LOOKED_AT = 24;

/** Finds the 256 colours of a piece, into a picture; false when it was stopped. */
async function findPalette(job: ExportJob, palette: string): Promise<boolean> {
  const { piece, settings, progress } = job;
  const all = exportedFrames(settings, piece.rate);
  const step = Math.max(1, all.length / LOOKED_AT);
  const frames = all.filter((_, i) => Math.floor(i / step) !== Math.floor((i - 1) / step));
  const alpha = settings.transparency === 'edge';
  const leaving = leavingFrames(piece, settings, { lossy: false, layout: 'rgba' });
  const finder = startFfmpeg([
    ...rawInput({ ...exportSize(piece.size, settings.scale), rate: fileRate(job), alpha, layout: 'rgba' }),
    ...['-vf', `palettegen=reserve_transparent=${alpha ? 1 : 0}`],
    ...['-f', 'image2', '-c:v', 'png', '-update', '1', palette],
  ]);
  try {
    for (const frame of renderFrames(piece, settings.scale, frames)) {
      await finder.write(leaving.take(frame)[0]!);
      if (!(await progress(0))) return false;
    }
    await finder.finish();
    return true;
  } finally {
    finder.kill();
  }
}

/** GIF in the piece's own colours, dithered; its times are hundredths of a second (GIF89a, 23.c). */
export const writeGif: WriteFormat = async (job) => {
  const palette = `${job.file}.palette`;
  const write = videoWriter({
    lossy: false,
    layout: 'rgba',
    arguments: (frames, { plays }, file) => [
      ...rawInput(frames),
      ...['-i', palette, '-lavfi', 'paletteuse=dither=sierra2_4a:diff_mode=rectangle:alpha_threshold=128'],
      ...['-loop', plays === 'again' ? '0' : '-1', '-f', 'gif', file],
    ],
  });
  try {
    return (await findPalette(job, palette)) && (await write(job));
  } finally {
    await rm(palette, { force: true });
  }
};
