import { randomUUID } from 'node:crypto';
import { Op, QueryTypes } from 'sequelize';
import {
  exportedFrames,
  exportSize,
  formatOf,
  isApart,
  wholeSettings,
  type AnswerOf,
  type EXPORTS,
  type ExportSettings,
  type ExportSummary,
} from '@/contract';
import { cutText, type Piece } from '@/core/document';
import { removeUnnamedAsset } from '../assets';
import { dataFolder } from '../data-folder';
import { models, type ExportRow } from '../database';
import { roomLeft } from '../disk';
import { checked, documentOf } from '../documents';
import { needField } from '../fields';
import { HttpError } from '../http';
import { once } from '../once';
import { sendExport } from './queue';

/** Most pixels a side of an exported frame may have: what the VP9 encoder and the canvas both take. */
const MOST_SIDE = 8192;

/** A file name from a piece's name: letters, digits and a few marks, never a path. */
export function fileStem(name: string): string {
  const plain = name
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}\p{M} _.-]+/gu, ' ')
    .replace(/\.{2,}/g, '.')
    .replace(/\s+/g, ' ')
    .replace(/^[ .]+/, '');
  let end = plain.length;
  while (end > 0 && ' .'.includes(plain.charAt(end - 1))) end--;
  return cutText(plain.slice(0, end), 80) || 'piece';
}

/** Ending and media type of the file of an export; a fill and its matte lie in a zip archive. */
export const fileTypeOf = (settings: ExportSettings): { ending: string; mediaType: string } =>
  isApart(wholeSettings(settings).transparency) ? ZIP : formatOf(settings.format);
const ZIP = { ending: 'zip', mediaType: 'application/zip' };

/** What the file of an export is called: by its piece, its size where that is another, and what it shows. */
export function fileNameOf(name: string, settings: ExportSettings): string {
  const { shows, suffix } = formatOf(settings.format);
  const size = settings.scale === 1 ? '' : ` ${settings.scale}x`;
  const what = shows === 'still' ? ` ${settings.first}` : suffix ? ` ${suffix}` : '';
  return `${fileStem(name)}${size}${what}.${fileTypeOf(settings).ending}`;
}

function summaryOf(row: ExportRow, bytes: number | null): ExportSummary {
  const seconds = row.startedAt ? (Date.now() - row.startedAt.getTime()) / 1000 : 0;
  // The first frames wait for the encoder to start and would promise far too long.
  const known = row.status === 'running' && row.framesDone >= Math.max(5, row.framesTotal / 20);
  return {
    id: row.id,
    pieceId: row.pieceId,
    revision: row.revision,
    settings: row.settings,
    status: row.status,
    framesDone: row.framesDone,
    framesTotal: row.framesTotal,
    secondsLeft: known ? Math.ceil((seconds / row.framesDone) * (row.framesTotal - row.framesDone)) : null,
    message: row.message,
    fileName: row.fileName,
    bytes,
    kept: row.kept,
    createdAt: row.createdAt.toISOString(),
  };
}

/** Summaries of exports, with the sizes of their files fetched at once. */
async function summaries(rows: readonly ExportRow[]): Promise<ExportSummary[]> {
  const hashes = rows.flatMap((row) => row.assetHash ?? []);
  const assets = hashes.length > 0 ? await models().assets.findAll({ where: { hash: hashes } }) : [];
  const sizes = new Map(assets.map((asset) => [asset.hash, Number(asset.size)]));
  return rows.map((row) => summaryOf(row, row.assetHash ? (sizes.get(row.assetHash) ?? null) : null));
}

/** Documents are large, and only what makes the file needs them. */
const WITHOUT_DOCUMENT = { attributes: { exclude: ['document'] } };

async function found(id: string): Promise<ExportRow> {
  const row = await models().exports.findByPk(id, WITHOUT_DOCUMENT);
  if (!row) throw new HttpError(404, 'There is no such export.');
  return row;
}

/**
 * Puts the export of a piece, as it is saved now, into the queue.
 * @param fills what its fields are filled with before it is made, by their names.
 * @param key of the request, so that one that is sent again asks for no second export.
 */
export async function requestExport(
  pieceId: string,
  settings: ExportSettings,
  fills?: Readonly<Record<string, string>>,
  key: string | null = null,
): Promise<ExportSummary> {
  const { revision, name, size, length, rate, document } = await documentOf(pieceId);
  const fault = (path: string, message: string) =>
    new HttpError(422, `The export was not started: ${path} ${message}.`, { faults: [{ path, message }] });
  if (settings.last >= length) {
    throw fault('last', `must lie within the piece, whose last frame is ${length - 1}`);
  }
  const { width, height } = exportSize(size, settings.scale);
  if (Math.max(width, height) > MOST_SIDE)
    throw fault('scale', `would make frames wider than ${MOST_SIDE} px`);
  const filled = Object.entries(fills ?? {});
  if (filled.length > 0) {
    const piece = JSON.parse(document.text) as Piece;
    for (const [field, value] of filled) needField(piece, field, value);
  }
  const { id } = await once(key, async (transaction) => {
    const id = randomUUID();
    await models().database.query(
      `INSERT INTO exports (id, piece_id, revision, document, settings, frames_total, file_name, fills, created_at)
       VALUES ($1, $2, $3, $4::jsonb, $5::jsonb, $6, $7, $8::jsonb, clock_timestamp())`,
      {
        bind: [
          ...[id, pieceId, revision, document.text, JSON.stringify(settings)],
          exportedFrames(settings, rate).length,
          fileNameOf(name, settings),
          fills ? JSON.stringify(fills) : null,
        ],
        transaction,
      },
    );
    return { id };
  });
  await sendExport(id);
  return getExport(id);
}

/** The exports of a piece, newest first. */
export async function listExports(pieceId: string): Promise<ExportSummary[]> {
  const rows = await models().exports.findAll({
    ...WITHOUT_DOCUMENT,
    where: { pieceId },
    order: [['createdAt', 'DESC']],
    limit: 100,
  });
  return summaries(rows);
}

export const getExport = async (id: string): Promise<ExportSummary> =>
  (await summaries([await found(id)]))[0]!;

/** Most exports of a list. */
const MOST_LISTED = 1000;

/** The exports of all projects, newest first, and what their files take of the disk and leave of it. */
export async function allExports(): Promise<AnswerOf<typeof EXPORTS.all>> {
  const { database, exports } = models();
  const rows = await exports.findAll({
    ...WITHOUT_DOCUMENT,
    order: [['createdAt', 'DESC']],
    limit: MOST_LISTED,
  });
  // Names stand beside the documents, so that no document is read.
  const places = await database.query<{
    id: string;
    piece: string;
    project: string;
    revision: number | null;
  }>(
    `SELECT pieces.id, pieces.name AS piece, projects.name AS project,
       CASE WHEN pieces.deleted_at IS NULL THEN pieces.revision END AS revision
       FROM pieces JOIN projects ON projects.id = pieces.project_id
      WHERE pieces.id IN (SELECT piece_id FROM exports)`,
    { type: QueryTypes.SELECT },
  );
  const placeOf = new Map(places.map((place) => [place.id, place]));
  const listed = (await summaries(rows)).flatMap((summary) => {
    // One that went away between the two questions is gone.
    const place = placeOf.get(summary.pieceId);
    return place
      ? [{ ...summary, pieceName: place.piece, projectName: place.project, revisionNow: place.revision }]
      : [];
  });
  const [{ taken }] = (await database.query<{ taken: string | null }>(
    `SELECT sum(size) AS taken FROM assets WHERE hash IN (SELECT asset_hash FROM exports)`,
    { type: QueryTypes.SELECT },
  )) as [{ taken: string | null }];
  return { exports: listed, disk: { taken: Number(taken ?? 0), free: await roomLeft(dataFolder()) } };
}

/** Holds an export for good, or gives it back to the rule. */
export async function keepExport(id: string, kept: boolean): Promise<ExportSummary> {
  await (await found(id)).update({ kept });
  return getExport(id);
}

/** Takes an ended export away, and its file with it where nothing else names that. */
export async function removeExport(id: string): Promise<void> {
  const row = await found(id);
  const { exports } = models();
  const gone = await exports.destroy({ where: { id, status: { [Op.in]: ['done', 'failed', 'cancelled'] } } });
  if (gone === 0)
    throw new HttpError(409, 'This export is still being made. Stop it first; nothing was deleted.');
  if (row.assetHash) await removeUnnamedAsset(row.assetHash);
}

/** The document that an export was, or is being, made of, as JSON. */
export async function exportDocument(id: string): Promise<string> {
  const [row] = await models().database.query<{ text: string }>(
    'SELECT document::text AS text FROM exports WHERE id = $1',
    { type: QueryTypes.SELECT, bind: [id] },
  );
  if (!row) throw new HttpError(404, 'There is no such export.');
  return (await checked(row.text)).text;
}

/** Stops an export: at once while it waits, at its next frame while it runs. An ended one stays as it is. */
export async function cancelExport(id: string): Promise<ExportSummary> {
  const { exports } = models();
  await exports.update({ cancelRequested: true }, { where: { id, status: 'running' } });
  await exports.update({ status: 'cancelled', finishedAt: new Date() }, { where: { id, status: 'queued' } });
  return getExport(id);
}

/** Runs an export that failed or was stopped again, from the document it was asked for with. */
export async function retryExport(id: string): Promise<ExportSummary> {
  await found(id);
  const fresh = {
    framesDone: 0,
    attempts: 0,
    cancelRequested: false,
    message: null,
    startedAt: null,
    finishedAt: null,
  };
  const [count] = await models().exports.update(
    { status: 'queued', ...fresh },
    { where: { id, status: { [Op.in]: ['failed', 'cancelled'] } } },
  );
  if (count === 0) throw new HttpError(409, 'Only an export that failed or was stopped can be run again.');
  await sendExport(id);
  return getExport(id);
}

/** The finished file of an export: its content hash, type by format, and name for the download. */
export async function exportFile(
  id: string,
): Promise<{ hash: string; settings: ExportSettings; fileName: string }> {
  const row = await found(id);
  if (!row.assetHash) throw new HttpError(409, 'This export has no file yet.');
  return { hash: row.assetHash, settings: row.settings, fileName: row.fileName };
}
