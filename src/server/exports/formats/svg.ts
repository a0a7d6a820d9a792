import { writeFile } from 'node:fs/promises';
import { exportedFrames } from '@/contract';
import { changed, type Piece } from '@/core/document';
import { writeSvg } from '@/core/formats';
import { evaluate, posterFrame } from '@/core/scene';
import { framesPerSecond } from '@/core/timing';
import type { DrawList } from '@/core/draw';
import { asDiskFull } from '../../disk';
import type { WriteFormat } from '../export-job';

/** Vectors: every frame's draw list, as SVG that moves. Motion blur, which is a sum of many pictures, is left to stills. */
export const writeSvgFile: WriteFormat = async ({ piece, settings, file, progress }) => {
  const frames = exportedFrames(settings, piece.rate);
  const shown = frames.length > 1 ? changed<Piece>(piece, { shutter: undefined }) : piece;
  const lists: DrawList[] = [];
  for (const frame of frames) {
    lists.push(evaluate(shown, frame));
    if (!(await progress(lists.length))) return false;
  }
  const svg = writeSvg({
    name: piece.name,
    lists,
    framesPerSecond: framesPerSecond(piece.rate),
    plays: settings.plays,
    still: Math.min(Math.max(0, posterFrame(piece) - settings.first), lists.length - 1),
    scale: settings.scale,
    ...(settings.transparency === 'over' && { over: settings.over }),
  });
  await writeFile(file, svg).catch((error: unknown) => {
    throw asDiskFull(error);
  });
  return true;
};
