import { randomUUID } from 'node:crypto';
import { access, mkdir, readdir, rm, writeFile } from 'node:fs/promises';
import { setTimeout as wait } from 'node:timers/promises';
import { QueryTypes } from 'sequelize';
import { exportedFrames, wholeSettings, type WholeExportSettings } from '@/contract';
import { clamp } from '@/core/numbers';
import type { Rate } from '@/core/timing';
import { dataFolder } from '../data-folder';
import { models, type ExportPartRow, type ExportRow } from '../database';
import { asDiskFull } from '../disk';
import { logError } from '../log';
import type { ExportJob } from './export-job';
import { startFfmpeg } from './ffmpeg';
import { CODECS } from './formats';
import { startPartHeartbeat } from './heartbeat';
import { leavingNames } from './leaving-frames';
import { countOf, encodeFrames, fileRate, writeLeaving, type Codec } from './write-video';
import { isSilent, MOST_ATTEMPTS, SILENT_SECONDS } from './silence';
import { needFrames } from './verify';

/** Fewer frames are not worth an encoder of their own. */
const FEWEST = 100;
/** So many parts let workers that are not equally quick end at about the same time, and a killed one lose little. */
const PARTS = 8;
/** A part of a very long export is no longer than this, so that little is lost with it. */
const MOST = 1000;

/** How often what others do is looked at, ms. */
const LOOK_MS = 250;

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/**
 * How many frames each part of an export has but the last; null where it is made in one. Each lasts whole milliseconds, which is
 * what WebM counts in: so no frame lies elsewhere than it would in a file made at once.
 */
export function partLength(frames: number, rate: Rate): number | null {
  const ms = 1000 * rate.denominator;
  const grain = rate.numerator / divisor(rate.numerator, ms);
  const wanted = clamp(frames / PARTS, FEWEST, MOST);
  const length = Math.ceil(wanted / grain) * grain;
  return frames >= 2 * FEWEST && length < frames ? length : null;
}

/** The codec of a format whose files can be joined without encoding them again; null of others. */
export const joiningCodec = ({ format }: Pick<WholeExportSettings, 'format'>): Codec | null => {
  const codec = (CODECS as Partial<Record<string, Codec>>)[format];
  return codec?.joined ? codec : null;
};

/** Every worker must see the same folder; this file says that it does. */
const markOf = (exportId: string): string => dataFolder('rendering', `${exportId}.parts`);

const filesOf = ({ exportId, number, runId }: ExportPartRow, { settings }: Pick<ExportJob, 'settings'>) =>
  leavingNames(settings).map((name) =>
    dataFolder('rendering', `${exportId}.${number}.${runId}${name && `.${name}`}`),
  );

/** Sets the parts of an export down, where another worker has not done so before. */
async function openParts(row: ExportRow, length: number): Promise<void> {
  await mkdir(dataFolder('rendering'), { recursive: true });
  await writeFile(markOf(row.id), '');
  const parts = Array.from({ length: Math.ceil(row.framesTotal / length) }, (_, number) => ({
    exportId: row.id,
    number,
    first: number * length,
    frames: Math.min(length, row.framesTotal - number * length),
  }));
  await models().exportParts.bulkCreate(parts, { ignoreDuplicates: true });
}

/** Takes a part that nobody is at work on; null where there is none. Of several workers only one has it. */
async function claimPart(exportId: string): Promise<ExportPartRow | null> {
  const { database, exportParts } = models();
  const rows = await database.query<{ number: number }>(
    `UPDATE export_parts SET status = 'running', run_id = :runId, attempts = attempts + 1, frames_done = 0,
       heartbeat_at = now()
     WHERE export_id = :exportId AND number = (
       SELECT number FROM export_parts WHERE export_id = :exportId AND attempts < :most AND
         (status = 'queued' OR (status = 'running' AND heartbeat_at < now() - make_interval(secs => :silent)))
       ORDER BY number LIMIT 1 FOR UPDATE SKIP LOCKED)
     RETURNING number`,
    {
      replacements: { exportId, runId: randomUUID(), silent: SILENT_SECONDS, most: MOST_ATTEMPTS },
      type: QueryTypes.SELECT,
    },
  );
  return rows[0] ? exportParts.findOne({ where: { exportId, number: rows[0].number } }) : null;
}

/**
 * Makes one part that was claimed. Where that fails its row says why, and it can be taken again.
 * @param progress of whoever waits for it.
 */
async function writePart(
  part: ExportPartRow,
  job: Omit<ExportJob, 'file' | 'progress'>,
  codec: Codec,
  progress: () => boolean | Promise<boolean> = () => true,
): Promise<void> {
  const { exportParts } = models();
  const { exportId, number, runId, first, frames } = part;
  const mine = { where: { exportId, number, runId: runId! } };
  const files = filesOf(part, job);
  const beat = startPartHeartbeat(part);
  let whole = false;
  try {
    const own: ExportJob = {
      ...job,
      file: files[0]!,
      progress: async (done) => beat.progress(done) && (await progress()),
    };
    const all = exportedFrames(job.settings, job.piece.rate);
    whole = await encodeFrames(codec, own, all.slice(first, first + frames), files);
    await exportParts.update(
      whole
        ? { status: 'done', framesDone: frames, message: null }
        : { status: 'queued', attempts: part.attempts - 1 },
      mine,
    );
  } catch (caught) {
    const { message } = asDiskFull(caught) as Error;
    await exportParts.update({ status: 'queued', framesDone: 0, message }, mine);
  } finally {
    beat.stop();
    if (!whole) for (const file of files) await rm(file, { force: true });
  }
}

/** Looks at the files of parts that are said to be done; broken and missing ones are to be made again. */
async function areWhole(parts: readonly ExportPartRow[], job: ExportJob, codec: Codec): Promise<boolean> {
  let whole = true;
  for (const part of parts) {
    try {
      for (const file of filesOf(part, job)) await needFrames(file, countOf(codec, job), part.frames);
    } catch {
      whole = false;
      await part.update({
        status: 'queued',
        framesDone: 0,
        message: 'Its file was missing or broken when the parts were to be joined.',
      });
    }
  }
  return whole;
}

/** Joins files one after another, as they are. */
async function join(
  parts: readonly ExportPartRow[],
  which: number,
  job: ExportJob,
  codec: Codec,
  file: string,
) {
  const { numerator, denominator } = fileRate(job);
  const list = `${job.file}.list`;
  const lines = parts.flatMap((part) => [
    `file '${filesOf(part, job)[which]!.replaceAll("'", "'\\''")}'`,
    `duration ${((part.frames * denominator) / numerator).toFixed(6)}`,
  ]);
  await writeFile(list, `ffconcat version 1.0\n${lines.join('\n')}\n`);
  try {
    const joining = startFfmpeg([
      '-f',
      'concat',
      '-safe',
      '0',
      '-i',
      list,
      '-c',
      'copy',
      ...codec.joined!,
      file,
    ]);
    await joining.finish();
  } finally {
    await rm(list, { force: true });
  }
  await needFrames(
    file,
    countOf(codec, job),
    parts.reduce((sum, { frames }) => sum + frames, 0),
  );
}

/** Takes all parts of an export away, and their files; workers that are still at one learn of it at their next frame. */
export async function closeParts(exportId: string): Promise<void> {
  await models().exportParts.destroy({ where: { exportId } });
  // Where nothing was written yet there is no folder.
  for (const name of await readdir(dataFolder('rendering')).catch((): string[] => []))
    if (name.startsWith(`${exportId}.`)) await rm(dataFolder('rendering', name), { force: true });
}

/**
 * Makes a long export part by part, together with whoever else is free; false when it was stopped. A worker that takes it up after
 * another was killed finds the parts that are done.
 * @param invite asks workers to help.
 */
export async function writeInParts(
  row: ExportRow,
  job: ExportJob,
  codec: Codec,
  length: number,
  invite: () => Promise<unknown>,
): Promise<boolean> {
  const { exportParts } = models();
  await openParts(row, length);
  const all = (): Promise<ExportPartRow[]> =>
    exportParts.findAll({ where: { exportId: row.id }, order: [['number', 'ASC']] });
  for (const { number, status } of await all()) if (number > 0 && status === 'queued') await invite();
  let looks = 0;
  const goesOn = (): boolean | Promise<boolean> => job.progress(++looks);
  for (;;) {
    if (!(await goesOn())) {
      await closeParts(row.id);
      return false;
    }
    const part = await claimPart(row.id);
    if (part) {
      await writePart(part, job, codec, goesOn);
      continue;
    }
    const parts = await all();
    const lost = parts.find(
      ({ status, attempts, heartbeatAt }) =>
        attempts >= MOST_ATTEMPTS && (status === 'queued' || (status === 'running' && isSilent(heartbeatAt))),
    );
    if (lost) {
      await closeParts(row.id);
      throw new Error(
        `Frames ${lost.first + 1} to ${lost.first + lost.frames} could not be made: ${lost.message ?? 'its renderer stopped each time.'}`,
      );
    }
    if (parts.every(({ status }) => status === 'done') && (await areWhole(parts, job, codec))) {
      await writeLeaving(job, async (files) => {
        for (const [i, file] of files.entries()) await join(parts, i, job, codec, file);
        return true;
      });
      await closeParts(row.id);
      return true;
    }
    await wait(LOOK_MS);
  }
}

/** Makes parts of an export that another worker has begun, as long as there are any that nobody is at work on. */
export async function helpWithParts(
  exportId: string,
  prepared: (row: ExportRow) => Promise<Omit<ExportJob, 'file' | 'progress'>>,
): Promise<void> {
  const row = await models().exports.findByPk(exportId);
  if (row?.status !== 'running') return;
  const codec = joiningCodec(wholeSettings(row.settings));
  if (!codec) return;
  const isShared = await access(markOf(exportId)).then(
    () => true,
    () => false,
  );
  if (!isShared) {
    logError(
      `export ${exportId}`,
      new Error(
        `This worker does not see the files of the others in ${dataFolder('rendering')}, so it leaves the export to them. Give all workers the same data folder (OBELUS_DATA).`,
      ),
    );
    return;
  }
  let job: Awaited<ReturnType<typeof prepared>> | null = null;
  for (let part = await claimPart(exportId); part; part = await claimPart(exportId)) {
    job ??= await prepared(row);
    await writePart(part, job, codec);
  }
}
