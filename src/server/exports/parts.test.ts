import { execFileSync, type ChildProcess } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { wholeSettings, type ExportSummary } from '@/contract';
import type { Piece } from '@/core/document';
import { RATES, type Rate } from '@/core/timing';
import { assetPath } from '../assets';
import { closeConnection, models } from '../database';
import { openOwnDatabase, freshPiece, killProcess, smallPiece, startWorkerProcess } from '../testing';
import { WRITE } from './formats';
import { helpWithParts, partLength } from './parts';
import { closeQueue, getExport, requestExport } from '.';

const folder = mkdtempSync(join(tmpdir(), 'obelus-parts-'));
process.env.OBELUS_DATA = folder;
const workers: ChildProcess[] = [];

function startWorker(): void {
  workers.push(startWorkerProcess(folder));
}

// Its workers take what is asked for here, and nothing else.
beforeAll(openOwnDatabase);
afterAll(async () => {
  workers.forEach((child) => killProcess(child));
  await closeQueue();
  await closeConnection();
  rmSync(folder, { recursive: true, force: true });
});

async function until(
  id: string,
  isSo: (now: ExportSummary) => boolean | Promise<boolean>,
): Promise<ExportSummary> {
  for (;;) {
    const now = await getExport(id);
    if (now.status === 'failed') throw new Error(now.message ?? 'failed');
    if (await isSo(now)) return now;
    await new Promise((r) => setTimeout(r, 100));
  }
}
const isDone = ({ status }: ExportSummary): boolean => status === 'done';

const fileOf = async (id: string): Promise<string> =>
  assetPath((await models().exports.findByPk(id))!.assetHash!);
const partsOf = (exportId: string) =>
  models().exportParts.findAll({ where: { exportId }, order: [['number', 'ASC']] });

/** A hash of each frame of a file, as ffmpeg decodes it. */
function framesOf(file: string, { size }: Piece): string[] {
  const all = execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-f', 'rawvideo', '-pix_fmt', 'rgba', '-'], {
    maxBuffer: 1 << 30,
  });
  const bytes = size.width * size.height * 4;
  return Array.from({ length: all.length / bytes }, (_, i) =>
    createHash('md5')
      .update(all.subarray(i * bytes, (i + 1) * bytes))
      .digest('hex'),
  );
}

const probed = (file: string, ...entries: string[]) =>
  JSON.parse(execFileSync('ffprobe', ['-v', 'error', ...entries, '-of', 'json', file]).toString());

const PAL = { numerator: 25, denominator: 1 };
const whole = (piece: Piece) => ({ scale: 1, first: 0, last: piece.length - 1 }) as const;

/** An export of a piece in the state that another worker left it in. */
const askedBefore = (id: string, pieceId: string, piece: Piece, state: object) =>
  models().exports.create({
    id,
    pieceId,
    revision: 1,
    document: piece,
    settings: { format: 'webm', ...whole(piece) },
    framesTotal: piece.length,
    fileName: 'Asked.webm',
    ...state,
  });

test('parts last whole milliseconds at every rate, so that none is counted otherwise than in one file', () => {
  const rate = fc.oneof(
    fc.constantFrom(...RATES),
    fc.record({ numerator: fc.integer({ min: 1, max: 120 }), denominator: fc.integer({ min: 1, max: 4 }) }),
  );
  fc.assert(
    fc.property(rate, fc.integer({ min: 1, max: 40_000 }), ({ numerator, denominator }: Rate, frames) => {
      const length = partLength(frames, { numerator, denominator });
      if (length === null) return;
      expect((length * denominator * 1000) % numerator).toBe(0);
      expect(length).toBeGreaterThanOrEqual(100);
      expect(length).toBeLessThan(frames);
    }),
  );
  expect(partLength(199, PAL)).toBeNull();
  expect(partLength(200, PAL)).toBe(100);
  expect(partLength(15_000, PAL)).toBe(1000);
});

test('a long export is made in parts by two workers: the very frames of one that is made at once, none doubled or lost', async () => {
  startWorker();
  startWorker();
  const piece = { ...smallPiece('Two hands', 310), rate: { numerator: 30_000, denominator: 1001 } };
  const { id } = await freshPiece(piece);
  const lossless = await requestExport(id, { format: 'lossless', ...whole(piece) });
  await until(lossless.id, async () => (await partsOf(lossless.id)).length > 0);
  expect((await partsOf(lossless.id)).map(({ first, frames }) => [first, frames])).toEqual([
    [0, 120],
    [120, 120],
    [240, 70],
  ]);
  await until(lossless.id, isDone);
  const alone = join(folder, 'alone.mov');
  const settings = wholeSettings({ format: 'lossless', ...whole(piece) });
  await WRITE.lossless({ piece, settings, stem: 'x', file: alone, progress: () => true });
  expect(framesOf(await fileOf(lossless.id), piece)).toEqual(framesOf(alone, piece));

  const webm = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(webm.id, isDone);
  const file = await fileOf(webm.id);
  const { streams } = probed(file, '-show_streams', '-count_frames');
  expect(streams[0]).toMatchObject({
    codec_name: 'vp9',
    r_frame_rate: '30000/1001',
    nb_read_frames: '310',
    color_space: 'bt709',
    tags: { ALPHA_MODE: '1' },
  });
  // Alpha came along, from the first part to the last.
  const alpha = execFileSync(
    'ffmpeg',
    [
      '-v',
      'error',
      '-c:v',
      'libvpx-vp9',
      '-i',
      file,
      '-vf',
      'alphaextract',
      '-f',
      'rawvideo',
      '-pix_fmt',
      'gray',
      '-',
    ],
    { maxBuffer: 1 << 28 },
  );
  for (const frame of [60, 180, 250, 300]) {
    const own = alpha.subarray(frame * 320 * 180, (frame + 1) * 320 * 180);
    expect(own.filter((value) => value === 0).length).toBeGreaterThan(30_000);
    expect(own.filter((value) => value > 250).length).toBeGreaterThan(1000);
  }
  // WebM counts milliseconds: each frame lies on the one nearest to its time.
  const { packets } = probed(file, '-show_packets', '-show_entries', 'packet=pts');
  expect(packets.map(({ pts }: { pts: number }) => pts)).toEqual(
    Array.from({ length: 310 }, (_, i) => Math.round((i * 1001) / 30)),
  );
  // Nothing of the parts is left.
  expect(await partsOf(webm.id)).toEqual([]);
  expect(readdirSync(join(folder, 'rendering'))).toEqual([]);
});

test('a killed worker costs the part it was at: what was done stays, another makes the rest', async () => {
  const piece = smallPiece('One hand', 500);
  const { id } = await freshPiece(piece);
  const { id: asked } = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(asked, async () => (await partsOf(asked)).some(({ status }) => status === 'done'));
  killProcess(workers.shift()!);
  const [done] = (await partsOf(asked)).filter(({ status }) => status === 'done');
  startWorker();
  const runs = new Map<number, string | null>();
  await until(asked, async (now) => {
    for (const { number, runId, status } of await partsOf(asked))
      if (status === 'done') runs.set(number, runId);
    return isDone(now);
  });
  expect(runs.get(done!.number)).toBe(done!.runId);
  expect(probed(await fileOf(asked), '-show_streams', '-count_frames').streams[0].nb_read_frames).toBe('500');
});

test('files of parts that are missing or broken when they are to be joined are made again', async () => {
  const piece = smallPiece('Broken', 250);
  const { id } = await freshPiece(piece);
  const exportId = randomUUID();
  mkdirSync(join(folder, 'rendering'), { recursive: true });
  const parts = [0, 1, 2].map((number) => ({
    exportId,
    number,
    first: number * 100,
    frames: number < 2 ? 100 : 50,
    status: 'done' as const,
    runId: randomUUID(),
  }));
  // The first is missing, the second ends too soon, the third is no video. They lie there before a worker may find the export.
  const cut = join(folder, 'rendering', `${exportId}.1.${parts[1]!.runId}`);
  const settings = wholeSettings({ format: 'webm', scale: 1, first: 100, last: 199 });
  await WRITE.webm({ piece, settings, stem: 'x', file: cut, progress: () => true });
  truncateSync(cut, 4000);
  writeFileSync(join(folder, 'rendering', `${exportId}.2.${parts[2]!.runId}`), 'no video');
  await askedBefore(exportId, id, piece, { createdAt: new Date(Date.now() - 60_000) });
  await models().exportParts.bulkCreate(parts);
  await until(exportId, isDone);
  expect(probed(await fileOf(exportId), '-show_streams', '-count_frames').streams[0].nb_read_frames).toBe(
    '250',
  );
});

test('a worker that does not see the files of the others says so and leaves the parts to them', async () => {
  const piece = smallPiece('Elsewhere', 250);
  const { id } = await freshPiece(piece);
  const exportId = randomUUID();
  await askedBefore(exportId, id, piece, {
    status: 'running',
    heartbeatAt: new Date(Date.now() + 600_000),
  });
  await models().exportParts.create({ exportId, number: 0, first: 0, frames: 100 });
  const said = jest.spyOn(console, 'error').mockImplementation(() => {});
  try {
    await helpWithParts(exportId, () => Promise.reject(new Error('It must not come so far.')));
    expect(said.mock.calls.flat().join(' ')).toMatch(
      /does not see the files of the others.*same data folder/s,
    );
  } finally {
    said.mockRestore();
  }
  expect((await partsOf(exportId)).map(({ status }) => status)).toEqual(['queued']);
  await models().exports.destroy({ where: { id: exportId } });
});
