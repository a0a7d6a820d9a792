import { randomUUID } from 'node:crypto';
import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { adoptFile } from '../assets';
import { models, type ExportRow } from '../database';
import { dataFolder } from '../data-folder';
import { validDocument } from '../pieces';
import { fileStem } from './exports';
import { openWorkerQueue, QUEUE, type ExportJob } from './queue';
import { MEDIA_TYPE } from './settings';
import { writePngZip } from './write-png-zip';
import { writeWebm, type Progress } from './write-webm';

/** How often a running export says that it lives, and how long it may be silent before it is given to another. */
const HEARTBEAT_MS = 500;
const SILENT_SECONDS = 10;
const SWEEP_MS = 2000;
const MOST_ATTEMPTS = 3;

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
      attempts: models().database.literal('attempts + 1') as unknown as number,
    },
    { where: { id, status: 'queued' }, returning: true },
  );
  return rows[0] ?? null;
}

/** Saves progress at a steady pace and learns whether the export should stop or has been given to another worker. */
function heartbeat(row: ExportRow): Progress {
  let due = 0;
  return async (framesDone) => {
    if (Date.now() < due) return true;
    due = Date.now() + HEARTBEAT_MS;
    const [, rows] = await models().exports.update(
      { framesDone, heartbeatAt: new Date() },
      { where: { id: row.id, status: 'running', runId: row.runId }, returning: true },
    );
    return rows[0] !== undefined && !rows[0].cancelRequested;
  };
}

/** Renders one export from start to end and writes down how it went. */
async function run(exportId: string): Promise<void> {
  const row = await claim(exportId);
  if (!row) return;
  const mine = { id: row.id, status: 'running' as const, runId: row.runId };
  const folder = dataFolder('rendering');
  const file = join(folder, `${row.runId}`);
  try {
    await mkdir(folder, { recursive: true });
    const piece = validDocument(row.document);
    const progress = heartbeat(row);
    const complete =
      row.settings.format === 'webm'
        ? await writeWebm(piece, row.settings, file, progress)
        : await writePngZip(piece, row.settings, fileStem(piece.name), file, progress);
    if (!complete) {
      await models().exports.update({ status: 'cancelled', finishedAt: new Date() }, { where: mine });
      return;
    }
    const asset = await adoptFile(file, MEDIA_TYPE[row.settings.format]);
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
  } catch (error) {
    console.error(`export ${row.id}:`, error);
    const message = `The export failed: ${(error as Error).message} The piece is untouched; it can be run again.`;
    await models().exports.update(
      { status: 'failed', message: message.slice(0, 2000), finishedAt: new Date() },
      { where: mine },
    );
  } finally {
    await rm(file, { force: true });
  }
}

/**
 * Finds exports whose worker fell silent and gives them back to the queue, or ends them in words after the third
 * time; also ones that wait although no job for them was left (the web server died between the two writes).
 */
export async function sweep(send: (exportId: string) => Promise<unknown>): Promise<void> {
  const { database } = models();
  const dead = await database.query<{ id: string; status: string }>(
    `UPDATE exports SET
       status = CASE WHEN cancel_requested THEN 'cancelled' WHEN attempts >= :most THEN 'failed' ELSE 'queued' END,
       message = CASE WHEN cancel_requested OR attempts < :most THEN NULL
         ELSE 'The renderer stopped ' || attempts || ' times while making this file. The piece is untouched; run it again.' END
     WHERE status = 'running' AND heartbeat_at < now() - make_interval(secs => :silent)
     RETURNING id, status`,
    { replacements: { most: MOST_ATTEMPTS, silent: SILENT_SECONDS }, type: QueryTypes.SELECT },
  );
  const orphans = await database.query<{ id: string }>(
    `SELECT id FROM exports e WHERE status = 'queued' AND created_at < now() - interval '10 seconds'
       AND NOT EXISTS (SELECT 1 FROM pgboss.job j WHERE j.name = :queue AND j.state IN ('created', 'retry', 'active')
         AND j.data->>'exportId' = e.id::text)`,
    { replacements: { queue: QUEUE }, type: QueryTypes.SELECT },
  );
  const again = new Set([...dead.filter((row) => row.status === 'queued'), ...orphans].map((row) => row.id));
  for (const id of again) await send(id);
}

/** Removes half-written files that killed workers left behind. */
async function tidy(): Promise<void> {
  const folder = dataFolder('rendering');
  for (const name of await readdir(folder).catch(() => [])) {
    const file = join(folder, name);
    const info = await stat(file).catch(() => null);
    if (info && Date.now() - info.mtimeMs > 60 * 60 * 1000) await rm(file, { force: true });
  }
}

/** Starts taking exports from the queue; resolves to a function that stops it. */
export async function startWorker(): Promise<() => Promise<void>> {
  await tidy();
  const boss = await openWorkerQueue();
  const send = (exportId: string) => boss.send(QUEUE, { exportId } satisfies ExportJob);
  await boss.work<ExportJob>(QUEUE, { pollingIntervalSeconds: 0.5, batchSize: 1 }, async (jobs) => {
    for (const job of jobs) await run(job.data.exportId);
  });
  const timer = setInterval(() => {
    sweep(send).catch((error: Error) => console.error('sweep:', error.message));
  }, SWEEP_MS);
  return async () => {
    clearInterval(timer);
    await boss.stop({ graceful: false });
  };
}
