import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { formatOf, type ExportSettings } from '@/contract';
import { beforeClosing, models } from './database';
import { dataFolder } from './data-folder';
import { needRoom } from './disk';
import { runHeavy } from './heavy';
import { HttpError, type PiecePicture } from './http';
import { logError } from './log';

const folder = (): string => dataFolder('thumbnails');
const fileOf = (name: string): string => dataFolder('thumbnails', name);

/** The file that the picture of a piece, or the strip of its moments, is kept as. */
export const pieceFile = (id: string, revision: number, what: 'picture' | 'strip'): string =>
  `${id}-${revision}.${what === 'picture' ? 'png' : 'webp'}`;

/** The file that the picture of an export is kept as. */
export const exportFile = (id: string): string => `export-${id}.png`;

/** Pictures that are being made, by their file: however many ask, each is made once. */
const making = new Map<string, Promise<Buffer>>();

type Make = () => Promise<Uint8Array>;

async function made(name: string, make: Make): Promise<Buffer> {
  const bytes = Buffer.from(await make());
  const part = dataFolder('thumbnails', `${randomUUID()}.part`);
  try {
    await mkdir(folder(), { recursive: true });
    await needRoom(folder());
    await writeFile(part, bytes);
    await rename(part, fileOf(name));
  } catch {
    // Without room for it the picture is made anew when it is asked for again.
    await rm(part, { force: true });
  }
  return bytes;
}

/** The picture under a name: the kept one, or one that is made now and kept. However many ask, it is made once. */
async function kept(name: string, make: Make): Promise<Buffer> {
  const there = await readFile(fileOf(name)).catch(() => null);
  if (there) return there;
  const work = making.get(name) ?? made(name, make).finally(() => making.delete(name));
  making.set(name, work);
  return work;
}

/** Earlier revisions are not asked for any more. */
async function forgetEarlier(id: string, revision: number): Promise<void> {
  for (const name of await readdir(folder()).catch(() => [])) {
    const old = name.startsWith(`${id}-`) && parseInt(name.slice(id.length + 1), 10) < revision;
    if (old) await rm(fileOf(name), { force: true });
  }
}

/** A document as it was kept, as text: whoever paints it checks it. */
async function keptText(table: 'pieces' | 'exports', id: string) {
  const facts = table === 'pieces' ? 'revision, NULL AS settings' : 'revision, settings';
  const living = table === 'pieces' ? 'AND deleted_at IS NULL' : '';
  const [row] = await models().database.query<{
    text: string;
    revision: number;
    settings: ExportSettings | null;
  }>(`SELECT document::text AS text, ${facts} FROM ${table} WHERE id = $1 ${living}`, {
    type: QueryTypes.SELECT,
    bind: [id],
  });
  return row ?? null;
}

type What = 'picture' | 'strip';

async function ofPiece(id: string, asked: number | null, what: What, ahead = false): Promise<PiecePicture> {
  const there = asked === null ? null : await readFile(fileOf(pieceFile(id, asked, what))).catch(() => null);
  if (there) return { bytes: there, revision: asked! };
  const row = await keptText('pieces', id);
  if (!row) throw new HttpError(404, 'There is no such piece; it may have been deleted.');
  const { revision, text } = row;
  const options = { bytes: text.length, ahead };
  const bytes = await kept(pieceFile(id, revision, what), () =>
    runHeavy(what === 'picture' ? 'thumbnail' : 'strip', { text }, options),
  );
  await forgetEarlier(id, revision);
  return { bytes, revision };
}

/**
 * A piece as a small PNG. It is made once a revision, in a process of its own, and kept as a file.
 * @param asked the revision that is asked for; where it is kept, the database is not.
 */
export const thumbnail = (id: string, asked: number | null): Promise<PiecePicture> =>
  ofPiece(id, asked, 'picture');

/** Moments of a piece side by side as WebP, made and kept likewise. */
export const strip = (id: string, asked: number | null): Promise<PiecePicture> => ofPiece(id, asked, 'strip');

/** So long a piece is at rest before its picture is made, ms: whoever works at it saves again soon. */
const REST_MS = 8000;
const resting = new Map<string, NodeJS.Timeout>();
beforeClosing(() => resting.forEach((timer) => clearTimeout(timer)));

/** Makes the picture of a piece that was saved before anybody asks for it, once it is at rest. */
export function makeThumbnailAhead(id: string): void {
  clearTimeout(resting.get(id));
  const make = (): void => {
    resting.delete(id);
    ofPiece(id, null, 'picture', true).catch((error: unknown) => {
      // Deleted by now, or too involved: whoever asks for it is told.
      if (!(error instanceof HttpError)) logError('a picture was not made ahead', error);
    });
  };
  resting.set(id, setTimeout(make, REST_MS).unref());
}

/** Makes the pictures of all pieces that have none yet. */
export async function makeMissingThumbnails(): Promise<void> {
  const pieces = await models().pieces.findAll({ attributes: ['id', 'revision'] });
  await Promise.all(pieces.map(({ id, revision }) => ofPiece(id, revision, 'picture').catch(() => {})));
}

/** What an export shows, as a small PNG: a still its frame, else the frame with most ink. Of fields that are filled it shows what stood in them before. */
export async function exportThumbnail(id: string): Promise<Buffer> {
  const name = exportFile(id);
  const there = await readFile(fileOf(name)).catch(() => null);
  if (there) return there;
  const row = await keptText('exports', id);
  if (!row?.settings) throw new HttpError(404, 'There is no such export.');
  const { format, first } = row.settings;
  const still = formatOf(format).shows === 'still';
  return kept(name, () =>
    runHeavy('thumbnail', { text: row.text, ...(still && { frame: first }) }, { bytes: row.text.length }),
  );
}
