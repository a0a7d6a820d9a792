import { exportedFrames, exportSize } from '@/contract';
import { pngOf } from '../encode-picture';
import type { WriteFormat } from '../export-job';
import { leavingFrames } from '../leaving-frames';
import { renderFrames } from '../render-frames';
import { needFrames, zipEntries } from '../verify';
import { writeZip } from '../zip-file';

/** Numbered PNG pictures in a zip archive; a fill and its matte in folders of their own. */
export const writePngSequence: WriteFormat = async ({ piece, settings, stem, file, progress }) => {
  const frames = exportedFrames(settings, piece.rate);
  const size = exportSize(piece.size, settings.scale);
  const digits = Math.max(4, String(settings.number + frames.length - 1).length);
  const leaving = leavingFrames(piece, settings, false);
  const complete = await writeZip(file, async (zip) => {
    let done = 0;
    let pictures: readonly Buffer[] = [];
    for (const frame of renderFrames(piece, settings.scale, frames)) {
      if (!frame.same) pictures = await Promise.all(leaving.take(frame).map((bytes) => pngOf(bytes, size)));
      const number = String(settings.number + done).padStart(digits, '0');
      for (const [i, name] of leaving.names.entries())
        await zip.add(name ? `${name}/${stem}_${name}_${number}.png` : `${stem}_${number}.png`, pictures[i]!);
      if (!(await progress(++done))) return false;
    }
    return true;
  });
  if (complete) await needFrames(file, zipEntries, frames.length * leaving.names.length);
  return complete;
};
