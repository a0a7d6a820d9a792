import { createHash, randomUUID } from 'node:crypto';
import type { Unzipped } from 'fflate';
import { newShelfItemSchema, type NewShelfItem } from '@/contract';
import { storeBytes } from '../assets';
import { models } from '../database';
import { pictureKind, Refused, runHeavy } from '../heavy';
import { HttpError } from '../http';
import { addFace, usableFace } from '../lettering';
import { fileEntry, pieceEntry, type Manifest } from './manifest';
import { entryOf, jsonOf, manifestOf, pieceOf, refused, unfolded } from './read';

/** A text in which what had ids elsewhere has new ones here. */
const renamed = (text: string, ids: ReadonlyMap<string, string>): string =>
  text.replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g, (id) => ids.get(id) ?? id);

/** Checks a file by its hash and by what it is; gives what takes it in. */
async function checkedFile(
  entries: Unzipped,
  { hash, kind, name }: Manifest['files'][number],
): Promise<(projectId: string) => Promise<unknown>> {
  const bytes = Buffer.from(entryOf(entries, fileEntry(hash)));
  if (createHash('sha256').update(bytes).digest('hex') !== hash)
    throw refused(`the ${kind} ${hash.slice(0, 8)} is damaged.`);
  if (kind === 'face') {
    await usableFace(bytes);
    return (projectId) => addFace(projectId, bytes, name);
  }
  const type = pictureKind(bytes);
  if (type !== 'png' && type !== 'webp') throw refused(`the picture ${hash.slice(0, 8)} is none.`);
  try {
    // Only whether it can be decoded: it was written by us, and keeps the name its pieces know.
    await runHeavy('picture', bytes);
  } catch (error) {
    throw error instanceof Refused ? refused(`a picture is damaged: ${error.message}`) : error;
  }
  return () => storeBytes(bytes, `image/${type}`);
}

/**
 * Opens a project file: as a project of its own, or its pieces and shelf in one that is there. Everything in it is checked
 * before anything is taken in, and comes under new ids; older versions are brought to today's.
 */
export async function openProjectFile(
  bytes: Uint8Array,
  into?: string,
): Promise<{ id: string; pieces: number }> {
  const entries = unfolded(bytes);
  const manifest = manifestOf(entries);
  const ids = new Map(
    [...manifest.pieces, ...manifest.shelf.map(({ id }) => id)].map((id) => [id, randomUUID() as string]),
  );
  const documents = manifest.pieces.map((_, i) => pieceOf(renamed(jsonOf(entries, pieceEntry(i)), ids), i));
  const items = manifest.shelf.map(({ id, ...item }): NewShelfItem => {
    const read = newShelfItemSchema.safeParse(JSON.parse(renamed(JSON.stringify(item), ids)));
    if (!read.success) throw refused('something on its shelf is damaged.');
    return Object.assign(read.data, { id: ids.get(id) });
  });
  const takeIn = [];
  for (const file of manifest.files) takeIn.push(await checkedFile(entries, file));

  const { database, projects, pieces, revisions, shelf } = models();
  if (into && !(await projects.findByPk(into)))
    throw new HttpError(404, 'There is no such project; it may have been deleted.');
  const projectId = into ?? randomUUID();
  await database.transaction(async (transaction) => {
    if (!into) await projects.create({ id: projectId, name: manifest.name }, { transaction });
    for (const [i, document] of documents.entries()) {
      const pieceId = ids.get(manifest.pieces[i]!)!;
      await pieces.create({ id: pieceId, projectId, document, revision: 1 }, { transaction });
      await revisions.create({ pieceId, revision: 1, document, session: 'opened' }, { transaction });
    }
    for (const item of items)
      await shelf.create({ ...(item as NewShelfItem & { id: string }), projectId }, { transaction });
  });
  for (const take of takeIn) await take(projectId);
  return { id: projectId, pieces: documents.length };
}
