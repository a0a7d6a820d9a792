import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { models } from './database';
import { dataFolder } from './data-folder';
import { needRoom } from './disk';
import { runHeavy } from './heavy';
import { HttpError } from './http';

/** A piece's picture for its card takes so much at the most. */
const LIMITS = { seconds: 20, megabytes: 1200 } as const;

export interface Thumbnail {
  readonly png: Buffer;
  readonly revision: number;
}

const folder = (): string => dataFolder('thumbnails');
const nameOf = (id: string, revision: number): string => `${id}-${revision}.png`;
const fileOf = (id: string, revision: number): string => dataFolder('thumbnails', nameOf(id, revision));

/** Pictures that are being made, by their file: however many ask, each is made once. */
const making = new Map<string, Promise<Buffer>>();

async function make(id: string, revision: number, document: unknown): Promise<Buffer> {
  const png = Buffer.from(await runHeavy('thumbnail', document, LIMITS));
  const part = dataFolder('thumbnails', `${randomUUID()}.part`);
  try {
    await mkdir(folder(), { recursive: true });
    await needRoom(folder());
    await writeFile(part, png);
    await rename(part, fileOf(id, revision));
  } catch {
    // Without room for it the picture is made anew when it is asked for again.
    await rm(part, { force: true });
    return png;
  }
  // Earlier revisions are not asked for any more.
  for (const name of await readdir(folder())) {
    const old = name.startsWith(`${id}-`) && Number(name.slice(id.length + 1, -4)) < revision;
    if (old) await rm(dataFolder('thumbnails', name), { force: true });
  }
  return png;
}

/**
 * A piece as a small PNG. It is made once a revision, in a process of its own, and kept as a file.
 * @param asked the revision that is asked for; where it is kept, the database is not.
 */
export async function thumbnail(id: string, asked: number | null): Promise<Thumbnail> {
  const kept = asked === null ? null : await readFile(fileOf(id, asked)).catch(() => null);
  if (kept) return { png: kept, revision: asked! };
  const row = await models().pieces.findByPk(id);
  if (!row) throw new HttpError(404, 'There is no such piece; it may have been deleted.');
  const { revision } = row;
  const file = fileOf(id, revision);
  const there = await readFile(file).catch(() => null);
  if (there) return { png: there, revision };
  let work = making.get(file);
  if (!work) {
    work = make(id, revision, row.document).finally(() => making.delete(file));
    making.set(file, work);
  }
  return { png: await work, revision };
}
