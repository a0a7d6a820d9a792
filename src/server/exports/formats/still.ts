import { writeFile } from 'node:fs/promises';
import { exportSize, formatOf } from '@/contract';
import { asDiskFull } from '../../disk';
import type { WriteFormat } from '../export-job';
import { leavingFrames } from '../leaving-frames';
import { renderFrames } from '../render-frames';
import { needFrames, wholePicture, zipEntries } from '../verify';
import { writeZip } from '../zip-file';

/** One frame as a picture, or as a fill and its matte in a zip archive. */
export const stillWriter =
  (encode: (bytes: Uint8Array, size: { width: number; height: number }) => Promise<Buffer>): WriteFormat =>
  async ({ piece, settings, stem, file, progress }) => {
    const size = exportSize(piece.size, settings.scale);
    const leaving = leavingFrames(piece, settings, false);
    const [frame] = renderFrames(piece, settings.scale, [settings.first]);
    const pictures = await Promise.all(leaving.take(frame!).map((bytes) => encode(bytes, size)));
    if (pictures.length === 1) {
      await writeFile(file, pictures[0]!).catch((error: unknown) => {
        throw asDiskFull(error);
      });
      await needFrames(file, wholePicture, 1);
      return progress(1);
    }
    const { ending } = formatOf(settings.format);
    await writeZip(file, async (zip) => {
      for (const [i, name] of leaving.names.entries())
        await zip.add(`${stem} ${name}.${ending}`, pictures[i]!);
      return true;
    });
    await needFrames(file, zipEntries, pictures.length);
    return progress(1);
  };
