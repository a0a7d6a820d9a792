import { writeFile } from 'node:fs/promises';
import { exportedFrames, formatOf } from '@/contract';
import { changed, type Piece } from '@/core/document';
import { writeLottie, writeSvg } from '@/core/formats';
import { evaluate, isRedrawn, namesOfParts, posterFrame } from '@/core/scene';
import { framesPerSecond } from '@/core/timing';
import { pictured, type DrawList } from '@/core/draw';
import { clamp } from '@/core/numbers';
import { asDiskFull } from '../../disk';
import { paintedPicture } from './painted-picture';
import type { ExportJob, WriteFormat } from '../export-job';

/**
 * What writes vectors of the draw lists of all frames. Motion blur, which is a sum of many pictures, is left to stills.
 * @param textOf the file's text.
 */
const vectorWriter =
  (textOf: (lists: readonly DrawList[], job: ExportJob) => string): WriteFormat =>
  async (job) => {
    const { piece, settings, file, progress } = job;
    const frames = exportedFrames(settings, piece.rate);
    const redrawn = namesOfParts(piece, isRedrawn);
    if (settings.wordless === 'refused' && frames.length > 1 && redrawn.length > 0)
      throw new Error(
        `${formatOf(settings.format).name} has no word for ${redrawn.slice(0, 6).join(' · ')}${redrawn.length > 6 ? ` and ${redrawn.length - 6} more` : ''}. Let it be drawn frame by frame, or choose another format.`,
      );
    const shown = frames.length > 1 ? changed<Piece>(piece, { shutter: undefined }) : piece;
    const lists: DrawList[] = [];
    for (const frame of frames) {
      const list = evaluate(shown, frame);
      // A still that sums moments holds a picture of what moves: hundreds of shapes laid over one another are neither exact nor quick.
      const items = pictured(
        list.items,
        ({ moments }) => moments !== undefined,
        (group) => paintedPicture(group, piece.size),
      );
      lists.push({ ...list, items });
      if (!(await progress(lists.length))) return false;
    }
    await writeFile(file, textOf(lists, job)).catch((error: unknown) => {
      throw asDiskFull(error);
    });
    return true;
  };

/** SVG that moves by itself; of one frame, a still. */
export const writeSvgFile = vectorWriter((lists, { piece, settings }) =>
  writeSvg({
    name: piece.name,
    lists,
    framesPerSecond: framesPerSecond(piece.rate),
    plays: settings.plays,
    still: clamp(posterFrame(piece) - settings.first, 0, lists.length - 1),
    scale: settings.scale,
    ...(settings.transparency === 'over' && { over: settings.over }),
  }),
);

/** Vector animation JSON; whether it is played again is for its player. */
export const writeLottieFile = vectorWriter((lists, { piece }) =>
  writeLottie({ name: piece.name, lists, framesPerSecond: framesPerSecond(piece.rate) }),
);
