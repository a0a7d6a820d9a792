import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { formatOf } from '@/contract';
import { models } from './database';
import { dataFolder } from './data-folder';
import { needRoom } from './disk';
import { runHeavy } from './heavy';
import { HttpError, type PiecePicture } from './http';

/** A piece's picture for its card takes so much at the most. */
const LIMITS = { seconds: 20, megabytes: 1200 } as const;

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

async function ofPiece(
  id: string,
  asked: number | null,
  what: 'picture' | 'strip',
  make: (document: unknown) => Promise<Uint8Array>,
): Promise<PiecePicture> {
  const there = asked === null ? null : await readFile(fileOf(pieceFile(id, asked, what))).catch(() => null);
  if (there) return { bytes: there, revision: asked! };
  const row = await models().pieces.findByPk(id);
  if (!row) throw new HttpError(404, 'There is no such piece; it may have been deleted.');
  const { revision } = row;
  const bytes = await kept(pieceFile(id, revision, what), () => make(row.document));
  await forgetEarlier(id, revision);
  return { bytes, revision };
}

/**
 * A piece as a small PNG. It is made once a revision, in a process of its own, and kept as a file.
 * @param asked the revision that is asked for; where it is kept, the database is not.
 */
export const thumbnail = (id: string, asked: number | null): Promise<PiecePicture> =>
  ofPiece(id, asked, 'picture', (document) => runHeavy('thumbnail', { document }, LIMITS));

/** Moments of a piece side by side as WebP, made and kept likewise. */
export const strip = (id: string, asked: number | null): Promise<PiecePicture> =>
  ofPiece(id, asked, 'strip', (document) => runHeavy('strip', { document }, LIMITS));

/** What an export shows, as a small PNG: a still its frame, else the frame with most ink. Of fields that are filled it shows what stood in them before. */
export async function exportThumbnail(id: string): Promise<Buffer> {
  const name = exportFile(id);
  const there = await readFile(fileOf(name)).catch(() => null);
  if (there) return there;
  const row = await models().exports.findByPk(id, { attributes: ['document', 'settings'] });
  if (!row) throw new HttpError(404, 'There is no such export.');
  const { format, first } = row.settings;
  const still = formatOf(format).shows === 'still';
  return kept(name, () =>
    runHeavy('thumbnail', { document: row.document, ...(still && { frame: first }) }, LIMITS),
  );
}
