// A whole WebM export of a 4 s 1080p title, against ffmpeg encoding the same frames already in memory: as RGBA, which it brings to
// brightness and colour itself, and as they are handed over.
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openingTitle } from '../../demo/opening-title';
import { startFfmpeg } from '../../src/server/exports/ffmpeg';
import { rawInput, toBt709, type Layout } from '../../src/server/exports/ffmpeg-arguments';
import { WRITE } from '../../src/server/exports/formats';
import { webm } from '../../src/server/exports/formats/webm';
import { leavingFrames } from '../../src/server/exports/leaving-frames';
import { renderFrames } from '../../src/server/exports/render-frames';
import { exportedFrames, wholeSettings } from '../../src/contract';
import { middle, ms, report, times } from './table';

const piece = openingTitle();
const settings = wholeSettings({ format: 'webm', scale: 1, first: 10, last: 109 });
const folder = mkdtempSync(join(tmpdir(), 'obelus-bench-'));
const file = join(folder, 'title.webm');
const all = exportedFrames(settings, piece.rate);

/** All frames as they leave, and how much processor time of ours each took, ms. */
function framesAs(layout: Layout): { readonly frames: Uint8Array[]; readonly each: number } {
  const leaving = leavingFrames(piece, settings, { lossy: true, layout });
  const frames: Uint8Array[] = [];
  let spent = 0;
  let began = process.cpuUsage();
  for (const frame of renderFrames(piece, 1, all)) {
    const [bytes] = leaving.take(frame);
    const { user, system } = process.cpuUsage(began);
    spent += (user + system) / 1000;
    frames.push(bytes!.slice());
    began = process.cpuUsage();
  }
  return { frames, each: spent / all.length };
}

const encoding = (layout: Layout): readonly string[] =>
  webm.arguments({ width: 1920, height: 1080, rate: piece.rate, alpha: true, layout }, settings, file);

/** What ffmpeg is told where it brings RGBA to brightness and colour itself. */
const fromRgba = [
  ...rawInput({ width: 1920, height: 1080, rate: piece.rate, alpha: true, layout: 'rgba' }),
  ...toBt709('yuva420p'),
  ...encoding('yuv420').slice(encoding('yuv420').indexOf('-c:v')),
];

async function encodeOnly(args: readonly string[], frames: readonly Uint8Array[]): Promise<number> {
  const start = performance.now();
  const encoder = startFfmpeg(args);
  for (const frame of frames) await encoder.write(frame);
  await encoder.finish();
  return performance.now() - start;
}
async function whole(): Promise<number> {
  const start = performance.now();
  await WRITE.webm({ piece, settings, stem: 'title', file, progress: () => true });
  return performance.now() - start;
}

framesAs('yuv420');
const { frames, each } = framesAs('yuv420');
const rgba = framesAs('rgba').frames;
const [ours, theirs, handed]: [number[], number[], number[]] = [[], [], []];
for (let i = 0; i < 3; i++) {
  theirs.push(await encodeOnly(fromRgba, rgba));
  handed.push(await encodeOnly(encoding('yuv420'), frames));
  ours.push(await whole());
}
report([
  {
    what: 'Export of a 4 s 1080p title to WebM with alpha',
    ours: ms(middle(ours)),
    other: `ffmpeg alone, frames in memory ${ms(middle(theirs))}`,
    ratio: times(middle(ours) / middle(theirs)),
    note: `aim ≤ 1.15; ${times(middle(ours) / middle(handed))} of ffmpeg on the frames as they are handed over, ${ms(middle(handed))}; ${(all.length / (middle(ours) / 1000)).toFixed(1)} frames a second; our own work for a frame takes ${ms(each)} of processor time, aim 12 ms; file ${Math.round(statSync(file).size / 1024)} KiB`,
  },
]);
rmSync(folder, { recursive: true, force: true });
