// A whole WebM export of a 4 s 1080p title, against ffmpeg encoding the same frames already in memory.
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openingTitle } from '../../demo/opening-title';
import { startFfmpeg } from '../../src/server/exports/ffmpeg';
import { WRITE } from '../../src/server/exports/formats';
import { webm } from '../../src/server/exports/formats/webm';
import { RawFrame } from '../../src/server/exports/raw-frame';
import { renderFrames } from '../../src/server/exports/render-frames';
import { exportedFrames, wholeSettings } from '../../src/contract';
import { middle, ms, report, times } from './table';

const piece = openingTitle();
const settings = wholeSettings({ format: 'webm', scale: 1, first: 10, last: 109 });
const folder = mkdtempSync(join(tmpdir(), 'obelus-bench-'));
const file = join(folder, 'title.webm');
const size = { width: 1920, height: 1080 };

const raw = new RawFrame(size.width, size.height, true);
const began = performance.now();
const frames: Uint8Array[] = [];
for (const frame of renderFrames(piece, 1, exportedFrames(settings, piece.rate))) {
  raw.take(frame);
  frames.push(raw.pixels.slice());
}
const rendering = performance.now() - began;

async function encodeOnly(): Promise<number> {
  const start = performance.now();
  const encoder = startFfmpeg(webm.arguments({ ...size, rate: piece.rate, alpha: true }, settings, file));
  for (const frame of frames) await encoder.write(frame);
  await encoder.finish();
  return performance.now() - start;
}
async function whole(): Promise<number> {
  const start = performance.now();
  await WRITE.webm({ piece, settings, stem: 'title', file, progress: () => true });
  return performance.now() - start;
}

const [ours, theirs]: [number[], number[]] = [[], []];
for (let i = 0; i < 3; i++) {
  theirs.push(await encodeOnly());
  ours.push(await whole());
}
report([
  {
    what: 'Export of a 4 s 1080p title to WebM with alpha',
    ours: ms(middle(ours)),
    other: `ffmpeg alone, frames in memory ${ms(middle(theirs))}`,
    ratio: times(middle(ours) / middle(theirs)),
    note: `aim ≤ 1.3; ${(frames.length / (middle(ours) / 1000)).toFixed(1)} frames a second; painting, reading back and spreading colour take ${ms(rendering)} alone; file ${Math.round(statSync(file).size / 1024)} KiB`,
  },
]);
rmSync(folder, { recursive: true, force: true });
