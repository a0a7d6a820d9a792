import { writeFile } from 'node:fs/promises';
import { formatOf, type WholeExportSettings } from '@/contract';
import type { Piece } from '@/core/document';
import { asDiskFull } from '../../disk';
import type { WriteFormat } from '../export-job';
import type { PictureFrames } from '../picture-frames';
import { needFrames, wholePicture, zipEntries } from '../verify';
import { writeZip } from '../../zip';

/** One frame as a picture, or as a fill and its matte in a zip archive. */
export const stillWriter =
  (framesOf: (piece: Piece, settings: WholeExportSettings) => PictureFrames): WriteFormat =>
  async ({ piece, settings, stem, file, progress }) => {
    const { names, of } = framesOf(piece, settings);
    const { value } = await of([settings.first]).next();
    const pictures = value as readonly Buffer[];
    if (pictures.length === 1) {
      await writeFile(file, pictures[0]!).catch((error: unknown) => {
        throw asDiskFull(error);
      });
      await needFrames(file, wholePicture, 1);
      return progress(1);
    }
    const { ending } = formatOf(settings.format);
    await writeZip(file, async (zip) => {
      for (const [i, name] of names.entries()) await zip.add(`${stem} ${name}.${ending}`, pictures[i]!);
      return true;
    });
    await needFrames(file, zipEntries, pictures.length);
    return progress(1);
  };
