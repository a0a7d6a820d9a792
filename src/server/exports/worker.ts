import { randomUUID } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { wholeSettings } from '@/contract';
import { cutText } from '@/core/document';
import { adoptFile } from '../assets';
import { isDatabaseAway, models, type ExportRow } from '../database';
import { dataFolder } from '../data-folder';
import { asDiskFull, DiskFull, needRoom } from '../disk';
import { validDocument } from '../documents';
import { filledPiece } from '../filled-piece';
import { logError } from '../log';
import { tidy } from '../tidy';
import { fileStem, fileTypeOf } from './exports';
import { Interrupted } from './ffmpeg';
import { WRITE } from './formats';
import { startHeartbeat, type Heartbeat } from './heartbeat';
import { closeParts, helpWithParts, joiningCodec, partLength, writeInParts } from './parts';
import { MOST_ATTEMPTS, SILENT_SECONDS } from './silence';
import { openWorkerQueue, QUEUE, type ExportJob } from './queue';
import { fileRate } from './write-video';

const SWEEP_MS = 2000;
const TIDY_MS = 24 * 60 * 60 * 1000;

/** Takes a waiting export, so that of several workers only one has it; null when it is not waiting any more. */
async function claim(id: string): Promise<ExportRow | null> {
  const { exports } = models();
  const now = new Date();
  const [, rows] = await exports.update(
    {
      status: 'running',
      startedAt: now,
      heartbeatAt: now,
      framesDone: 0,
      runId: randomUUID(),
      attempts: models().database.literal('attempts + 1'),
    },
    { where: { id, status: 'queued' }, returning: true },
  );
  return rows[0] ?? null;
}

/** How often, ms, the disk is looked at while a file is written. */
const DISK_MS = 1000;

/** What is made of an export's row. */
async function prepared(row: ExportRow) {
  const plain = validDocument(row.document);
  const piece = row.fills ? await filledPiece(plain, row.fills) : plain;
  return { piece, settings: wholeSettings(row.settings), stem: fileStem(piece.name) };
}

/** Asks for work on an export. */
type Send = (job: ExportJob) => Promise<unknown>;

/** Writes the file of an export; false when it was stopped. */
async function write(
  row: ExportRow,
  folder: string,
  file: string,
  beat: Heartbeat,
  send: Send,
): Promise<boolean> {
  let looked = 0;
  const progress = async (framesDone: number): Promise<boolean> => {
    if (Date.now() - looked > DISK_MS) {
      looked = Date.now();
      await needRoom(folder);
    }
    return beat.progress(framesDone);
  };
  await needRoom(folder);
  const job = { ...(await prepared(row)), file, progress };
  const { settings, piece } = job;
  const codec = joiningCodec(settings);
  const length = codec && partLength(row.framesTotal, fileRate({ piece, settings }));
  if (!codec || length === null) return WRITE[settings.format](job);
  return writeInParts(row, job, codec, length, () => send({ exportId: row.id, help: true }));
}

/** Renders one export from start to end and writes down how it went. */
async function run(exportId: string, send: Send): Promise<void> {
  const row = await claim(exportId);
  if (!row) return;
  const mine = { id: row.id, status: 'running' as const, runId: row.runId };
  const folder = dataFolder('rendering');
  const file = join(folder, `${row.runId}`);
  const beat = startHeartbeat(row);
  try {
    await mkdir(folder, { recursive: true });
    if (!(await write(row, folder, file, beat, send))) {
      // Where it says that it is over, nothing of it lies about any more.
      await rm(file, { force: true });
      await models().exports.update({ status: 'cancelled', finishedAt: new Date() }, { where: mine });
      return;
    }
    const asset = await adoptFile(file, fileTypeOf(row.settings).mediaType);
    await models().exports.update(
      {
        status: 'done',
        assetHash: asset.hash,
        framesDone: row.framesTotal,
        finishedAt: new Date(),
        message: null,
      },
      { where: mine },
    );
  } catch (caught) {
    // Nothing can be written down: the export falls silent, and is taken up again when the database is back.
    if (isDatabaseAway(caught)) return;
    const error = asDiskFull(caught);
    if (error instanceof Interrupted && row.attempts < MOST_ATTEMPTS) {
      await models().exports.update({ status: 'queued' }, { where: mine });
      await send({ exportId: row.id });
      return;
    }
    if (!(error instanceof DiskFull)) logError(`export ${row.id}`, error);
    await rm(file, { force: true });
    const message = `The export failed: ${(error as Error).message} The piece is untouched; it can be run again.`;
    await models().exports.update(
      { status: 'failed', message: cutText(message, 2000), finishedAt: new Date() },
      { where: mine },
    );
  } finally {
    beat.stop();
    await rm(file, { force: true });
  }
}

/**
 * Finds exports whose worker fell silent and gives them back to the queue, or ends them in words after the third
 * time; also ones that wait although no job for them is left: the web server died between the two writes, or a worker between
 * taking the job and taking the export.
 */
export async function sweep(send: Send): Promise<void> {
  const { database } = models();
  const dead = await database.query<{ id: string; status: string; runId: string | null }>(
    `UPDATE exports SET
       status = CASE WHEN cancel_requested THEN 'cancelled' WHEN attempts >= :most THEN 'failed' ELSE 'queued' END,
       message = CASE WHEN cancel_requested OR attempts < :most THEN NULL
         ELSE 'The renderer stopped ' || attempts || ' times while making this file. The piece is untouched; run it again.' END
     WHERE status = 'running' AND heartbeat_at < now() - make_interval(secs => :silent)
     RETURNING id, status, run_id AS "runId"`,
    { replacements: { most: MOST_ATTEMPTS, silent: SILENT_SECONDS }, type: QueryTypes.SELECT },
  );
  const orphans = await database.query<{ id: string }>(
    `SELECT id FROM exports e WHERE status = 'queued' AND created_at < now() - interval '10 seconds'
       AND NOT EXISTS (SELECT 1 FROM pgboss.job j WHERE j.name = :queue AND j.data->>'exportId' = e.id::text
         AND (j.state IN ('created', 'retry')
           OR (j.state = 'active' AND j.started_on > now() - make_interval(secs => :silent))))`,
    { replacements: { queue: QUEUE, silent: SILENT_SECONDS }, type: QueryTypes.SELECT },
  );
  const again = new Set([...dead.filter((row) => row.status === 'queued'), ...orphans].map((row) => row.id));
  for (const exportId of again) await send({ exportId });
  // A file that was begun can't be gone on with; parts that are done can, as long as their export is made.
  for (const { id, status, runId } of dead) {
    if (runId) await rm(dataFolder('rendering', runId), { force: true });
    if (status !== 'queued') await closeParts(id);
  }
}

/** Starts taking exports from the queue; resolves to a function that stops it. */
export async function startWorker(): Promise<() => Promise<void>> {
  const tidyUp = () => tidy().catch((error: unknown) => logError('tidying', error));
  await tidyUp();
  const boss = await openWorkerQueue();
  const send: Send = (job) => boss.send(QUEUE, job);
  await boss.work<ExportJob>(QUEUE, { pollingIntervalSeconds: 0.5, batchSize: 1 }, async (jobs) => {
    for (const { data } of jobs)
      await (data.help ? helpWithParts(data.exportId, prepared) : run(data.exportId, send));
  });
  const timer = setInterval(() => {
    sweep(send).catch((error: unknown) => logError('looking for exports left behind', error));
  }, SWEEP_MS);
  const daily = setInterval(() => void tidyUp(), TIDY_MS);
  return async () => {
    clearInterval(timer);
    clearInterval(daily);
    await boss.stop({ graceful: false });
  };
}
