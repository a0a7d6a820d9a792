import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { formatOf } from '@/contract';
import { models } from './database';
import { dataFolder } from './data-folder';
import { needRoom } from './disk';
import { runHeavy, type Tasks } from './heavy';
import { HttpError } from './http';

/** A piece's picture for its card takes so much at the most. */
const LIMITS = { seconds: 20, megabytes: 1200 } as const;

export interface Thumbnail {
  readonly png: Buffer;
  readonly revision: number;
}

const folder = (): string => dataFolder('thumbnails');
const fileOf = (name: string): string => dataFolder('thumbnails', `${name}.png`);
const pieceName = (id: string, revision: number): string => `${id}-${revision}`;

/** What the picture of an export is kept under. */
export const exportPictureName = (id: string): string => `export-${id}`;

/** Pictures that are being made, by their file: however many ask, each is made once. */
const making = new Map<string, Promise<Buffer>>();

async function make(name: string, shown: Parameters<Tasks['thumbnail']>[0]): Promise<Buffer> {
  const png = Buffer.from(await runHeavy('thumbnail', shown, LIMITS));
  const part = dataFolder('thumbnails', `${randomUUID()}.part`);
  try {
    await mkdir(folder(), { recursive: true });
    await needRoom(folder());
    await writeFile(part, png);
    await rename(part, fileOf(name));
  } catch {
    // Without room for it the picture is made anew when it is asked for again.
    await rm(part, { force: true });
  }
  return png;
}

/** The picture under a name: the kept one, or one that is made now and kept. However many ask, it is made once. */
async function kept(name: string, shown: Parameters<Tasks['thumbnail']>[0]): Promise<Buffer> {
  const there = await readFile(fileOf(name)).catch(() => null);
  if (there) return there;
  const work = making.get(name) ?? make(name, shown).finally(() => making.delete(name));
  making.set(name, work);
  return work;
}

/** Earlier revisions are not asked for any more. */
async function forgetEarlier(id: string, revision: number): Promise<void> {
  for (const name of await readdir(folder()).catch(() => [])) {
    const old = name.startsWith(`${id}-`) && Number(name.slice(id.length + 1, -4)) < revision;
    if (old) await rm(dataFolder('thumbnails', name), { force: true });
  }
}

/**
 * A piece as a small PNG. It is made once a revision, in a process of its own, and kept as a file.
 * @param asked the revision that is asked for; where it is kept, the database is not.
 */
export async function thumbnail(id: string, asked: number | null): Promise<Thumbnail> {
  const there = asked === null ? null : await readFile(fileOf(pieceName(id, asked))).catch(() => null);
  if (there) return { png: there, revision: asked! };
  const row = await models().pieces.findByPk(id);
  if (!row) throw new HttpError(404, 'There is no such piece; it may have been deleted.');
  const { revision } = row;
  const png = await kept(pieceName(id, revision), { document: row.document as unknown });
  await forgetEarlier(id, revision);
  return { png, revision };
}

/** What an export shows, as a small PNG: a still its frame, else the frame with most ink. Of fields that are filled it shows what stood in them before. */
export async function exportThumbnail(id: string): Promise<Buffer> {
  const name = exportPictureName(id);
  const there = await readFile(fileOf(name)).catch(() => null);
  if (there) return there;
  const row = await models().exports.findByPk(id, { attributes: ['document', 'settings'] });
  if (!row) throw new HttpError(404, 'There is no such export.');
  const { format, first } = row.settings;
  const still = formatOf(format).shows === 'still';
  return kept(name, { document: row.document, ...(still && { frame: first }) });
}
