import { readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { EXPORTS_KEPT } from '@/contract';
import { assetPath } from './assets';
import { models } from './database';
import { dataFolder } from './data-folder';
import { removeOldFromBin } from './bin';
import { exportFile, pieceFile } from './thumbnail';

const HOUR = 60 * 60 * 1000;
const DAY = 24 * HOUR;

/** Half-written files of processes that were killed go after an hour. */
const UNFINISHED_MS = HOUR;
/** A file nothing names yet may be about to be named, by a document that is on its way or kept in a browser. */
const UNNAMED_MS = 7 * DAY;

/** So long a request may be sent again and is answered as it was. */
const ANSWERED_HOURS = 48;

/** What one round took away. */
interface Tidied {
  readonly unfinished: number;
  readonly exports: number;
  readonly assets: number;
  readonly thumbnails: number;
  /** Pieces that were in the bin for longer than its time. */
  readonly binned: number;
}

async function ageOf(file: string): Promise<number> {
  const info = await stat(file).catch(() => null);
  return info ? Date.now() - info.mtimeMs : -1;
}

const listed = (folder: string): Promise<string[]> => readdir(folder).catch(() => []);

/** Ids of exports that are made in parts: however long that takes, what is done of them is needed until they are joined. */
async function madeInParts(): Promise<string[]> {
  const rows = await models().exportParts.findAll({ attributes: ['exportId'], group: ['exportId'] });
  return rows.map(({ exportId }) => exportId);
}

async function removeUnfinished(): Promise<number> {
  let gone = 0;
  const inParts = await madeInParts();
  for (const place of ['rendering', 'incoming', 'thumbnails']) {
    for (const name of await listed(dataFolder(place))) {
      if (place === 'thumbnails' && !name.endsWith('.part')) continue;
      if (place === 'rendering' && inParts.some((id) => name.startsWith(`${id}.`))) continue;
      const file = dataFolder(place, name);
      if ((await ageOf(file)) < UNFINISHED_MS) continue;
      await rm(file, { force: true, recursive: true });
      gone++;
    }
  }
  // What the edit bay decoded can be decoded again; a file from outside is there to be looked at today.
  for (const name of await listed(dataFolder('bay'))) {
    if ((await ageOf(dataFolder('bay', name))) < DAY) continue;
    await rm(dataFolder('bay', name), { force: true, recursive: true });
    gone++;
  }
  return gone;
}

/** Takes away exports that are over by the rule; their files go with those nothing names. */
async function removeOldExports(): Promise<number> {
  const rows = await models().database.query<{ id: string }>(
    `DELETE FROM exports WHERE id IN (
       SELECT id FROM (
         SELECT id, status, kept, created_at, row_number() OVER (PARTITION BY piece_id ORDER BY created_at DESC) AS place
           FROM exports) AS e
        WHERE place > :newest AND NOT kept AND created_at < now() - make_interval(days => :days)
          AND status IN ('done', 'failed', 'cancelled'))
     RETURNING id`,
    { type: QueryTypes.SELECT, replacements: { ...EXPORTS_KEPT } },
  );
  return rows.length;
}

/** Takes away files that no document of any revision, no export, no face and nothing on a shelf names. */
async function removeUnnamedAssets(): Promise<number> {
  const { database } = models();
  const removed = await database.transaction(async (transaction) => {
    const rows = await database.query<{ hash: string }>(
      `WITH named AS (
       SELECT DISTINCT m[1] AS hash FROM (
         SELECT document::text AS words FROM piece_revisions
         UNION ALL SELECT document::text FROM pieces
         UNION ALL SELECT document::text FROM exports
         UNION ALL SELECT content::text FROM shelf_items) AS t, regexp_matches(t.words, '[0-9a-f]{64}', 'g') AS m
       UNION SELECT asset_hash FROM exports WHERE asset_hash IS NOT NULL
       UNION SELECT asset_hash FROM project_faces)
     DELETE FROM assets WHERE created_at < now() - make_interval(secs => :seconds)
        AND NOT EXISTS (SELECT 1 FROM named WHERE named.hash = assets.hash)
     RETURNING hash`,
      { type: QueryTypes.SELECT, replacements: { seconds: UNNAMED_MS / 1000 }, transaction },
    );
    // While their rows are locked, so that whoever takes one in once more places it anew.
    for (const { hash } of rows) await rm(assetPath(hash), { force: true });
    return rows.length;
  });
  return removed + (await removeUnknownFiles());
}

/** Takes away files beside the table of assets: their rows were never written, or are gone. */
async function removeUnknownFiles(): Promise<number> {
  const known = new Set(
    (await models().assets.findAll({ attributes: ['hash'], raw: true })).map((row) => row.hash),
  );
  let gone = 0;
  for (const part of await listed(dataFolder('assets'))) {
    for (const name of await listed(dataFolder('assets', part))) {
      const file = join(dataFolder('assets', part), name);
      if (known.has(name) || (await ageOf(file)) < UNNAMED_MS) continue;
      await rm(file, { force: true });
      gone++;
    }
  }
  return gone;
}

/** Takes away pictures of revisions, pieces and exports that are gone. */
async function removeOldThumbnails(): Promise<number> {
  const rows = await models().pieces.findAll({ attributes: ['id', 'revision'], raw: true });
  const exported = await models().exports.findAll({ attributes: ['id'], raw: true });
  const current = new Set([
    ...rows.flatMap(({ id, revision }) => [
      pieceFile(id, revision, 'picture'),
      pieceFile(id, revision, 'strip'),
    ]),
    ...exported.map(({ id }) => exportFile(id)),
  ]);
  let gone = 0;
  for (const name of await listed(dataFolder('thumbnails'))) {
    if (
      !/\.(png|webp)$/.test(name) ||
      current.has(name) ||
      (await ageOf(dataFolder('thumbnails', name))) < HOUR
    )
      continue;
    await rm(dataFolder('thumbnails', name), { force: true });
    gone++;
  }
  return gone;
}

/** One number that all workers know: only one of them tidies at a time. */
const LOCK = 4_610_001;

/** Takes away what piled up and nobody needs. Null where another worker is at it. */
export async function tidy(): Promise<Tidied | null> {
  const { database } = models();
  return database.transaction(async (transaction) => {
    const [{ mine }] = (await database.query<{ mine: boolean }>(
      'SELECT pg_try_advisory_xact_lock(:LOCK) AS mine',
      {
        type: QueryTypes.SELECT,
        replacements: { LOCK },
        transaction,
      },
    )) as [{ mine: boolean }];
    if (!mine) return null;
    await database.query('DELETE FROM requests WHERE made_at < now() - make_interval(hours => $1)', {
      bind: [ANSWERED_HOURS],
    });
    return {
      unfinished: await removeUnfinished(),
      exports: await removeOldExports(),
      binned: await removeOldFromBin(),
      assets: await removeUnnamedAssets(),
      thumbnails: await removeOldThumbnails(),
    };
  });
}

/** How much is held, for the start to say. */
export async function holdings(): Promise<string> {
  const [held] = await models().database.query<Record<string, string>>(
    `SELECT (SELECT count(*) FROM projects WHERE deleted_at IS NULL) AS projects,
       (SELECT count(*) FROM pieces WHERE deleted_at IS NULL) AS pieces,
       (SELECT count(*) FROM piece_revisions) AS revisions,
       (SELECT count(*) FROM exports WHERE asset_hash IS NOT NULL) AS exports,
       coalesce((SELECT sum(size) FROM assets), 0) AS files,
       pg_database_size(current_database()) AS stored`,
    { type: QueryTypes.SELECT },
  );
  const megabytes = (bytes: string | undefined): string => `${(Number(bytes) / 1e6).toFixed(0)} MB`;
  const { projects, pieces, revisions, exports, files, stored } = held!;
  return `holds ${projects} projects, ${pieces} pieces in ${revisions} revisions, ${exports} exports: ${megabytes(stored)} of database, ${megabytes(files)} of files`;
}
