import type { ExportSettings } from '@/contract';
import { createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { finished } from 'node:stream/promises';
import { Zip, ZipPassThrough } from 'fflate';
import type { Piece } from '@/core/document';
import { asDiskFull } from '../disk';
import { renderFrames } from './render-frames';

import type { Progress } from './write-webm';

/** The earliest moment that a zip archive can hold. */
const UNDATED = new Date(1980, 0, 1);

/**
 * Writes a piece as numbered PNG pictures with straight alpha in a zip archive, stored (PNG is compressed already).
 * Resolves to false when it was stopped.
 */
export async function writePngZip(
  piece: Piece,
  settings: ExportSettings,
  stem: string,
  file: string,
  progress: Progress,
): Promise<boolean> {
  const out = createWriteStream(file);
  // A disk that fills up is an error of the stream, at any moment.
  const failed = once(out, 'error').then(([error]) => {
    throw asDiskFull(error);
  });
  failed.catch(() => {});
  const zip = new Zip((error, chunk, final) => {
    if (error) out.destroy(error);
    else out.write(chunk);
    if (final) out.end();
  });
  const digits = Math.max(4, String(settings.last).length);
  let png: Buffer = Buffer.alloc(0);
  for (const { frame, canvas, same } of renderFrames(piece, settings)) {
    if (!same) png = await canvas.encode('png');
    const entry = new ZipPassThrough(`${stem}_${String(frame).padStart(digits, '0')}.png`);
    // Without a clock in it the same piece is the same file.
    entry.mtime = UNDATED;
    zip.add(entry);
    entry.push(png, true);
    if (out.destroyed) await failed;
    if (out.writableNeedDrain) await Promise.race([once(out, 'drain'), failed]);
    if (!(await progress(frame - settings.first + 1))) {
      zip.terminate();
      out.destroy();
      return false;
    }
  }
  zip.end();
  await Promise.race([finished(out), failed]);
  return true;
}
