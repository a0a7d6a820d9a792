import { exportedFrames } from '@/contract';
import type { WriteFormat } from '../export-job';
import { pngFrames } from '../picture-frames';
import { needFrames, zipEntries } from '../verify';
import { writeZip } from '../../zip';

/** Numbered PNG pictures in a zip archive; a fill and its matte in folders of their own. */
export const writePngSequence: WriteFormat = async ({ piece, settings, stem, file, progress }) => {
  const frames = exportedFrames(settings, piece.rate);
  const digits = Math.max(4, String(settings.number + frames.length - 1).length);
  const { names, of } = pngFrames(piece, settings);
  const complete = await writeZip(file, async (zip) => {
    let done = 0;
    for await (const pictures of of(frames)) {
      const number = String(settings.number + done).padStart(digits, '0');
      for (const [i, name] of names.entries())
        await zip.add(name ? `${name}/${stem}_${name}_${number}.png` : `${stem}_${number}.png`, pictures[i]!);
      if (!(await progress(++done))) return false;
    }
    return true;
  });
  if (complete) await needFrames(file, zipEntries, frames.length * names.length);
  return complete;
};
