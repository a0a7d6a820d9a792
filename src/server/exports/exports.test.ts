import { execFileSync, spawnSync, type ChildProcess } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import {
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { unzipSync } from 'fflate';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { wholeSettings, type ExportSummary } from '@/contract';
import type { Piece } from '@/core/document';
import { assetPath } from '../assets';
import { closeConnection, models } from '../database';
import { freshPiece, killProcess, smallPiece, startWorkerProcess } from '../testing';
import {
  allExports,
  apartNames,
  cancelExport,
  closeQueue,
  exportArchive,
  fileStem,
  getExport,
  keepExport,
  listExports,
  removeExport,
  requestExport,
  retryExport,
} from '.';
import { startHeartbeat } from './heartbeat';
import { spreadColour } from './spread-colour';
import { WRITE } from './formats';
import { needFrames, videoFrames, zipEntries } from './verify';

const folder = mkdtempSync(join(tmpdir(), 'obelus-exports-'));
process.env.OBELUS_DATA = folder;
const workers: ChildProcess[] = [];

function startWorker(): ChildProcess {
  const child = startWorkerProcess(folder);
  workers.push(child);
  return child;
}

/** Waits until an export is in one of the states. */
async function until(id: string, ...states: ExportSummary['status'][]): Promise<ExportSummary> {
  for (;;) {
    const now = await getExport(id);
    if (states.includes(now.status)) return now;
    if (now.status === 'failed') throw new Error(now.message ?? 'failed');
    await new Promise((r) => setTimeout(r, 100));
  }
}

const fileOf = async (id: string): Promise<string> =>
  assetPath((await models().exports.findByPk(id))!.assetHash!);
const whole = (piece: Piece) => ({ scale: 1, first: 0, last: piece.length - 1 }) as const;

/** The straight RGBA pixels of a frame as the core paints it. */
function painted(piece: Piece, frame: number, scale = 1): Uint8ClampedArray {
  const canvas = createCanvas(piece.size.width * scale, piece.size.height * scale);
  paint(evaluate(piece, frame), canvas.getContext('2d'), createCanvas, scale);
  return canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data;
}

/** Frames of a file as raw straight RGBA, decoded by ffmpeg. */
function decoded(file: string, width: number, height: number, codec: string[] = []): Buffer[] {
  const args = ['-v', 'error', ...codec, '-i', file, '-f', 'rawvideo', '-pix_fmt', 'rgba', '-'];
  const all = execFileSync('ffmpeg', args, { maxBuffer: 1 << 30 });
  const size = width * height * 4;
  return Array.from({ length: all.length / size }, (_, i) => all.subarray(i * size, (i + 1) * size));
}

const probe = (file: string) =>
  JSON.parse(
    execFileSync('ffprobe', [
      '-v',
      'error',
      '-count_frames',
      '-show_streams',
      '-of',
      'json',
      file,
    ]).toString(),
  ).streams[0];

let worker: ChildProcess;
beforeAll(() => {
  worker = startWorker();
});
afterAll(async () => {
  workers.forEach((child) => killProcess(child));
  await closeQueue();
  await closeConnection();
  rmSync(folder, { recursive: true, force: true });
});

test('WebM: alpha, size, rate and exact frame count as ffprobe reads them; colours and alpha as painted', async () => {
  const piece = smallPiece('Over the mud');
  const { id } = await freshPiece(piece);
  const asked = await requestExport(id, { format: 'webm', ...whole(piece) });
  expect(asked).toMatchObject({ status: 'queued', fileName: 'Over the mud.webm', framesTotal: 12 });
  const done = await until(asked.id, 'done');
  expect(done).toMatchObject({ framesDone: 12 });
  const file = await fileOf(asked.id);
  const stream = probe(file);
  expect(stream).toMatchObject({
    codec_name: 'vp9',
    width: 320,
    height: 180,
    r_frame_rate: '25/1',
    nb_read_frames: '12',
    color_space: 'bt709',
    color_range: 'tv',
    tags: { alpha_mode: '1' },
  });
  const frames = decoded(file, 320, 180, ['-c:v', 'libvpx-vp9']);
  expect(frames).toHaveLength(12);
  let off = 0;
  let opaque = 0;
  for (const frame of [0, 4, 6, 9, 11]) {
    const expected = painted(piece, frame);
    const got = frames[frame]!;
    for (let i = 0; i < expected.length; i += 4) {
      off += Math.abs(got[i + 3]! - expected[i + 3]!);
      if (expected[i + 3]! < 250) continue;
      opaque++;
      // Lossy colour: each channel of solid ink stays near; black creeping in from outside would show here.
      for (let c = 0; c < 3; c++) expect(Math.abs(got[i + c]! - expected[i + c]!)).toBeLessThan(40);
    }
  }
  expect(opaque).toBeGreaterThan(1000);
  expect(off / (5 * 320 * 180)).toBeLessThan(0.6);
  // What is transparent in the piece is transparent in the file.
  expect(frames[0]!.every((v, i) => i % 4 !== 3 || v <= 2)).toBe(true);
});

test('edges keep their colour over another ground: no dark fringe', async () => {
  const piece = smallPiece('Fringe');
  const { id } = await freshPiece(piece);
  const asked = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(asked.id, 'done');
  const got = decoded(await fileOf(asked.id), 320, 180, ['-c:v', 'libvpx-vp9'])[6]!;
  const expected = painted(piece, 6);
  let edge = 0;
  let off = 0;
  for (let i = 0; i < expected.length; i += 4) {
    const alpha = expected[i + 3]!;
    if (alpha < 24 || alpha > 230) continue;
    edge++;
    for (let c = 0; c < 3; c++) off += Math.abs(expected[i + c]! - got[i + c]!) / 3;
  }
  expect(edge).toBeGreaterThan(300);
  // Mean error of a channel at the edge, of 255: 0.8 as measured, 8.3 when transparent pixels are left black.
  expect(off / edge).toBeLessThan(3);
});

test('PNG sequence: every frame equals what the core paints, with straight alpha, also at other sizes and of a part', async () => {
  const piece = smallPiece('../a/b: "c"');
  const { id } = await freshPiece(piece);
  for (const [scale, first, last] of [
    [1, 0, 11],
    [0.5, 3, 5],
    [2, 6, 6],
  ] as const) {
    const asked = await requestExport(id, { format: 'png', scale, first, last });
    await until(asked.id, 'done');
    const entries = unzipSync(readFileSync(await fileOf(asked.id)));
    const names = Object.keys(entries);
    expect(names).toEqual(
      Array.from({ length: last - first + 1 }, (_, i) => `a b c_${String(first + i).padStart(4, '0')}.png`),
    );
    for (const [i, name] of names.entries()) {
      const picture = join(folder, 'frame.png');
      writeFileSync(picture, entries[name]!);
      const [pixels] = decoded(picture, 320 * scale, 180 * scale);
      expect(Buffer.compare(pixels!, Buffer.from(painted(piece, first + i, scale).buffer))).toBe(0);
    }
    const image = await loadImage(entries[names[0]!] as Buffer);
    expect([image.width, image.height]).toEqual([320 * scale, 180 * scale]);
  }
});

test('odd sizes and a 1000/1001 rate are kept exactly', async () => {
  const piece: Piece = {
    ...smallPiece('Odd'),
    size: { width: 321, height: 179 },
    rate: { numerator: 30000, denominator: 1001 },
  };
  const { id } = await freshPiece(piece);
  const asked = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(asked.id, 'done');
  expect(probe(await fileOf(asked.id))).toMatchObject({
    width: 321,
    height: 179,
    r_frame_rate: '30000/1001',
    nb_read_frames: '12',
  });
});

test('an export is of the piece as it was saved then, and equal bytes are kept once', async () => {
  const { id } = await freshPiece(smallPiece('Twice'));
  const settings = { format: 'png', scale: 0.5, first: 0, last: 3 } as const;
  const [a, b] = [await requestExport(id, settings), await requestExport(id, settings)];
  await until(a.id, 'done');
  await until(b.id, 'done');
  const file = await fileOf(a.id);
  expect(await fileOf(b.id)).toBe(file);
  expect(file.endsWith(createHash('sha256').update(readFileSync(file)).digest('hex'))).toBe(true);
  expect((await listExports(id)).map((e) => e.id)).toEqual([b.id, a.id]);
});

test('a running export stops when asked, leaves no file, and can be run again', async () => {
  const piece = smallPiece('Long', 4000);
  const { id } = await freshPiece({ ...piece, size: { width: 1280, height: 720 } });
  const asked = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(asked.id, 'running');
  await cancelExport(asked.id);
  await until(asked.id, 'cancelled');
  expect(readdirSync(join(folder, 'rendering'))).toEqual([]);
  await retryExport(asked.id);
  await until(asked.id, 'running');
  await cancelExport(asked.id);
  await until(asked.id, 'cancelled');
  await expect(retryExport(asked.id).then(() => retryExport(asked.id))).rejects.toMatchObject({
    status: 409,
  });
  await cancelExport(asked.id);
});

test('a worker killed in mid-export leaves nothing stuck: another takes the export up and finishes it', async () => {
  const piece = smallPiece('Killed', 700);
  const { id } = await freshPiece(piece);
  const asked = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(asked.id, 'running');
  killProcess(worker);
  expect((await getExport(asked.id)).status).toBe('running');
  worker = startWorker();
  const done = await until(asked.id, 'done');
  expect(done.framesDone).toBe(700);
  expect(probe(await fileOf(asked.id)).nb_read_frames).toBe('700');
  const row = await models().exports.findByPk(asked.id);
  // On a machine so busy that the second fell silent too it may have taken a third.
  expect(row!.attempts).toBeGreaterThanOrEqual(2);
});

test('after three dead workers the export fails in words and can be run again', async () => {
  const { id } = await freshPiece(smallPiece('Cursed', 50));
  killProcess(worker);
  const asked = await requestExport(id, { format: 'webm', scale: 1, first: 0, last: 49 });
  await models().exports.update(
    { status: 'running', attempts: 3, heartbeatAt: new Date(Date.now() - 60_000) },
    { where: { id: asked.id } },
  );
  worker = startWorker();
  for (;;) {
    const now = await getExport(asked.id);
    if (now.status === 'failed') {
      expect(now.message).toMatch(/stopped 3 times.*run it again/);
      break;
    }
    await new Promise((r) => setTimeout(r, 100));
  }
  await retryExport(asked.id);
  await until(asked.id, 'done');
});

test('ffmpeg killed from outside is tried again, like a killed worker', async () => {
  const piece = smallPiece('Killed encoder', 190);
  const { id } = await freshPiece({ ...piece, size: { width: 1280, height: 720 } });
  const asked = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(asked.id, 'running');
  const { runId } = (await models().exports.findByPk(asked.id))!;
  for (let killed = false; !killed; await new Promise((r) => setTimeout(r, 20)))
    killed = spawnSync('pkill', ['-9', '-f', `^ffmpeg.*${runId}`]).status === 0;
  expect(await until(asked.id, 'done')).toMatchObject({ framesDone: 190, message: null });
  expect((await models().exports.findByPk(asked.id))!.attempts).toBeGreaterThanOrEqual(2);
});

test('a full disk is an error in words, for video and pictures; what is cut short never counts as done', async () => {
  const piece = smallPiece('Full', 60);
  const write = (format: 'webm' | 'png', file: string) =>
    WRITE[format]({
      piece,
      settings: wholeSettings({ format, ...whole(piece) }),
      stem: 'f',
      file,
      progress: () => true,
    });
  // A device on which every write says that there is no space left.
  await expect(write('webm', '/dev/full')).rejects.toThrow('The disk is full');
  await expect(write('png', '/dev/full')).rejects.toThrow('The disk is full');
  for (const format of ['webm', 'png'] as const) {
    const file = join(folder, `cut.${format}`);
    await write(format, file);
    const count = format === 'webm' ? videoFrames : zipEntries;
    await needFrames(file, count, 60);
    truncateSync(file, Math.floor(statSync(file).size * 0.7));
    await expect(needFrames(file, count, 60)).rejects.toThrow('was not written to its end');
  }
});

test('an export lives on while one frame takes longer than its silence may last', async () => {
  const piece = smallPiece('Slow frame', 20);
  const { id } = await freshPiece(piece);
  const { id: exportId } = await requestExport(id, { format: 'webm', ...whole(piece) });
  await until(exportId, 'done');
  const row = (await models().exports.findByPk(exportId))!;
  await row.update({
    status: 'running',
    assetHash: null,
    cancelRequested: false,
    runId: randomUUID(),
    heartbeatAt: new Date(Date.now() - 8000),
  });
  const beat = startHeartbeat(row);
  beat.progress(3);
  // As painting does: nothing else of this process runs meanwhile.
  Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 2500);
  const alive = await row.reload();
  expect(Date.now() - alive.heartbeatAt!.getTime()).toBeLessThan(2000);
  expect(alive.framesDone).toBe(3);
  // Asked to stop meanwhile, it learns of it at its next frame.
  await cancelExport(exportId);
  for (;;) {
    if (!beat.progress(4)) break;
    await new Promise((r) => setTimeout(r, 50));
  }
  beat.stop();
  await row.update({ status: 'cancelled' });
});

test('an export whose job was lost with the web server is found and done', async () => {
  const { id } = await freshPiece(smallPiece('Orphan'));
  const piece = smallPiece('Orphan');
  const row = await models().exports.create({
    id: randomUUID(),
    pieceId: id,
    revision: 1,
    document: piece,
    settings: { format: 'png', scale: 1, first: 0, last: 2 },
    framesTotal: 3,
    fileName: 'Orphan.zip',
    createdAt: new Date(Date.now() - 60_000),
  });
  await until(row.id, 'done');
});

test('an export whose worker ended between taking the job and taking the export is found and done', async () => {
  const { id } = await freshPiece(smallPiece('Taken'));
  const exportId = randomUUID();
  await models().database.query(
    `INSERT INTO pgboss.job (name, data, state, started_on)
     VALUES ('exports', :data, 'active', now() - interval '1 minute')`,
    { replacements: { data: JSON.stringify({ exportId }) } },
  );
  await models().exports.create({
    id: exportId,
    pieceId: id,
    revision: 1,
    document: smallPiece('Taken'),
    settings: { format: 'png', scale: 1, first: 0, last: 2 },
    framesTotal: 3,
    fileName: 'Taken.zip',
    createdAt: new Date(Date.now() - 60_000),
  });
  await until(exportId, 'done');
});

test('file names come from names, never paths', () => {
  for (const [name, stem] of [
    ['Opening title', 'Opening title'],
    ['../../etc/passwd', 'etc passwd'],
    ['a\\b:c*?"<>|', 'a b c'],
    ['..', 'piece'],
    ['水の年鑑', '水の年鑑'],
    ['x'.repeat(120), 'x'.repeat(80)],
  ]) {
    expect(fileStem(name!)).toBe(stem);
  }
});

test('colour is spread under transparent pixels and alpha is left alone', () => {
  const [width, height] = [64, 48];
  const pixels = new Uint8Array(width * height * 4);
  const at = (x: number, y: number) => (y * width + x) * 4;
  pixels.set([200, 100, 50, 255], at(20, 20));
  pixels.set([200, 100, 50, 128], at(21, 20));
  const before = pixels.filter((_, i) => i % 4 === 3);
  spreadColour(pixels, { width, height }, { left: 0, top: 0, right: width, bottom: height });
  expect([...pixels.subarray(at(25, 25), at(25, 25) + 4)]).toEqual([200, 100, 50, 0]);
  expect([...pixels.subarray(at(40, 20), at(40, 20) + 4)]).toEqual([200, 100, 50, 0]);
  expect([...pixels.subarray(at(60, 20), at(60, 20) + 4)]).toEqual([0, 0, 0, 0]);
  expect(pixels.filter((_, i) => i % 4 === 3)).toEqual(before);
});

test('all exports are listed with their piece; one is kept, one deleted with its file; several are one archive', async () => {
  const { id } = await freshPiece(smallPiece('Tide'));
  const settings = { format: 'still-png', scale: 1, first: 6, last: 6 } as const;
  const [one, same, other] = [
    await requestExport(id, settings),
    await requestExport(id, settings),
    await requestExport(id, { ...settings, first: 4, last: 4 }),
  ];
  for (const { id: each } of [one, same, other]) await until(each, 'done');
  const { exports, disk } = await allExports();
  expect(exports.slice(0, 3).map((e) => [e.id, e.pieceName, e.revisionNow, e.kept])).toEqual(
    [other, same, one].map((e) => [e.id, 'Tide', 1, false]),
  );
  expect(disk.taken).toBeGreaterThanOrEqual(statSync(await fileOf(one.id)).size);
  expect(disk.free).toBeGreaterThan(0);
  expect(await keepExport(one.id, true)).toMatchObject({ kept: true });

  // Names that are the same are told apart in an archive, whose files are what was made.
  const { stream, size } = await exportArchive([one.id, same.id, other.id]);
  const bytes = new Uint8Array(await new Response(stream).arrayBuffer());
  expect(bytes.length).toBe(size);
  const entries = unzipSync(bytes);
  expect(Object.keys(entries)).toEqual(['Tide 6.png', 'Tide 6 2.png', 'Tide 4.png']);
  expect(Buffer.compare(entries['Tide 4.png']!, readFileSync(await fileOf(other.id)))).toBe(0);
  expect(readdirSync(join(folder, 'rendering'))).toEqual([]);

  // The file of two exports goes with the second of them.
  const file = await fileOf(one.id);
  await removeExport(one.id);
  expect(statSync(file).size).toBeGreaterThan(0);
  await removeExport(same.id);
  expect(() => statSync(file)).toThrow('ENOENT');
  await expect(getExport(one.id)).rejects.toMatchObject({ status: 404 });
  await expect(exportArchive([other.id, one.id])).rejects.toMatchObject({ status: 404 });
});

test('an export that is being made is not deleted; fields are filled as it is made, and checked before', async () => {
  const plain = smallPiece('Fields');
  const piece: Piece = {
    ...plain,
    fields: [
      { name: 'Ink', kind: 'colour', of: ['a'] },
      { name: 'Marks', kind: 'image', of: ['b'] },
    ],
  };
  const { id } = await freshPiece(piece);
  const settings = { format: 'still-png', scale: 1, first: 6, last: 6 } as const;
  const asked = await requestExport(id, settings, { ink: '#00ff00' });
  await expect(removeExport(asked.id)).rejects.toMatchObject({ status: 409 });
  await until(asked.id, 'done');
  const canvas = createCanvas(320, 180);
  canvas.getContext('2d').drawImage(await loadImage(await fileOf(asked.id)), 0, 0);
  const { data } = canvas.getContext('2d').getImageData(0, 0, 320, 180);
  const hasGreen = data.some((v, i) => i % 4 === 1 && v === 255 && data[i - 1] === 0 && data[i + 1] === 0);
  expect(hasGreen).toBe(true);
  for (const [fills, words] of [
    [{ Title: 'Reed' }, /no field “Title”; it has “Ink”, “Marks”/],
    [{ Ink: 'green' }, /no colour such as/],
    [{ Marks: 'x' }, /takes shapes/],
  ] as const)
    await expect(requestExport(id, settings, fills)).rejects.toThrow(words);
});

test('names that are the same are told apart, whatever case and ending they have', () => {
  expect(apartNames(['A.mov', 'a.mov', 'A 2.mov', 'A.webm', 'no ending', 'no ending'])).toEqual([
    'A.mov',
    'a 2.mov',
    'A 2 2.mov',
    'A.webm',
    'no ending',
    'no ending 2',
  ]);
});
