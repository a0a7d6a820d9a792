// `npm run bench:formats`: every format of the sample pieces: how large, how long, and against ffmpeg alone on the same frames;
// a table into docs/exports.md.
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'fflate';
import { SAMPLE_PROJECT } from '../../demo';
import {
  EXPORT_FORMATS,
  exportedFrames,
  FORMAT_IDS,
  formatOf,
  isSingle,
  wholeSettings,
  type FormatId,
} from '../../src/contract';
import type { Piece } from '../../src/core/document';
import { startFfmpeg } from '../../src/server/exports/ffmpeg';
import { CODECS, WRITE } from '../../src/server/exports/formats';
import { leavingFrames } from '../../src/server/exports/leaving-frames';
import { renderFrames } from '../../src/server/exports/render-frames';
import { writeFigures } from '../lib/written.mjs';

const folder = mkdtempSync(join(tmpdir(), 'obelus-bench-'));
const file = join(folder, 'file');
const title = SAMPLE_PROJECT.pieces[0]!;

const settingsOf = (format: FormatId, piece: Piece, scale: 0.5 | 1) => {
  const last = isSingle(formatOf(format)) ? 0 : piece.length - 1;
  const at = formatOf(format).shows === 'still' ? Math.floor(piece.length / 2) : 0;
  return wholeSettings({ format, scale, first: at, last: at + last });
};

/** Writes one file; how long it took, ms, and how large it is. */
async function written(
  format: FormatId,
  piece: Piece,
  scale: 0.5 | 1,
): Promise<{ ms: number; bytes: number }> {
  const began = performance.now();
  const settings = settingsOf(format, piece, scale);
  await WRITE[format]({ piece, settings, stem: 'piece', file, progress: () => true });
  return { ms: performance.now() - began, bytes: statSync(file).size };
}

/** ffmpeg on the frames of the title, all in memory, ms. */
async function encodedAlone(format: keyof typeof CODECS): Promise<number> {
  const settings = settingsOf(format, title, 1);
  const leaving = leavingFrames(title, settings, CODECS[format]);
  const bytes: Uint8Array[] = [];
  for (const frame of renderFrames(title, 1, exportedFrames(settings, title.rate)))
    bytes.push(leaving.take(frame)[0]!.slice());
  const alpha = settings.transparency === 'straight';
  const began = performance.now();
  const encoder = startFfmpeg(
    CODECS[format].arguments(
      { ...title.size, rate: title.rate, alpha, layout: CODECS[format].layout },
      settings,
      file,
    ),
  );
  for (const frame of bytes) await encoder.write(frame);
  await encoder.finish();
  return performance.now() - began;
}

const kilobytes = (bytes: number): string =>
  (bytes / 1000).toLocaleString('en', { maximumFractionDigits: 0 });

async function main(): Promise<void> {
  const rows = [
    '| format | in it | title, 1080p, 4 s, kB | bits a pixel, all nine at half size | s | against ffmpeg alone |',
    '| --- | --- | --- | --- | --- | --- |',
  ];
  for (const format of FORMAT_IDS) {
    const { name, detail, shows } = formatOf(format);
    if (shows === 'table') continue;
    const whole = await written(format, title, 1);
    const zipped =
      EXPORT_FORMATS[format].ending === 'svg'
        ? ` (${kilobytes(gzipSync(readFileSync(file)).length)} gzipped)`
        : '';
    const bits: number[] = [];
    for (const piece of SAMPLE_PROJECT.pieces) {
      const { bytes } = await written(format, piece, 0.5);
      const frames = isSingle(formatOf(format)) ? 1 : piece.length;
      bits.push((bytes * 8) / (frames * piece.size.width * piece.size.height * 0.25));
    }
    const alone = format in CODECS ? await encodedAlone(format as keyof typeof CODECS) : null;
    const row = [
      name,
      detail,
      kilobytes(whole.bytes) + zipped,
      `${Math.min(...bits).toFixed(3)} to ${Math.max(...bits).toFixed(3)}`,
      (whole.ms / 1000).toFixed(1),
      alone === null ? '' : `${(whole.ms / alone).toFixed(1)}×`,
    ];
    rows.push(`| ${row.join(' | ')} |`);
    console.log(rows.at(-1));
  }
  rmSync(folder, { recursive: true, force: true });
  await writeFigures(join(import.meta.dirname, '../../docs/exports.md'), rows.join('\n'));
}
void main();
