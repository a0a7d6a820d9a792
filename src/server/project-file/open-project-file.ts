import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rm } from 'node:fs/promises';
import { placing } from '../assets';
import { models } from '../database';
import { dataFolder } from '../data-folder';
import { asDiskFull, needRoom } from '../disk';
import { insertPiece } from '../documents';
import { runHeavy } from '../heavy';
import { HttpError, type Upload } from '../http';
import { FONT_TYPE, nameOfFace, noteFace } from '../lettering';
import { once } from '../once';
import { insertShelfItem } from '../shelf';
import { makeThumbnailAhead } from '../thumbnail';
import type { ProjectRead } from './read-project-file';

/** Most bytes of a project file. */
export const PROJECT_FILE_BYTES = 256 * 1024 * 1024;

interface Opened {
  readonly id: string;
  readonly pieces: number;
}

/** Takes in what was read of a file, in one transaction: all of it or nothing. */
const takeIn = (read: ProjectRead, into: string | undefined, key: string | null): Promise<Opened> =>
  once(key, (transaction) =>
    placing(transaction, async (place) => {
      const { projects } = models();
      const projectId = into ?? randomUUID();
      if (!into) await projects.create({ id: projectId, name: read.name }, { transaction });
      else if (!(await projects.findByPk(into, { transaction })))
        throw new HttpError(404, 'There is no such project; it may have been deleted. Nothing was changed.');
      const files = [...read.files].sort((a, b) => (a.hash < b.hash ? -1 : 1));
      for (const { path, hash, size, name, is } of files) {
        await place({ path, hash, size, mediaType: is.kind === 'face' ? FONT_TYPE : is.mediaType });
        if (is.kind === 'face')
          await noteFace(projectId, hash, nameOfFace(is.face, name), is.face, transaction);
      }
      for (const { id, path, hash } of read.pieces) {
        const document = { text: await readFile(path, 'utf8'), hash };
        await insertPiece({ id, projectId, document, session: 'opened' }, transaction);
      }
      for (const item of read.shelf) await insertShelfItem(projectId, item, transaction);
      return { id: projectId, pieces: read.pieces.length };
    }),
  );

/**
 * Opens a project file: as a project of its own, or its pieces and shelf in one that is there. Everything in it is checked
 * before anything is taken in, and comes under new ids.
 */
export async function openProjectFile(
  { path, size }: Upload,
  into?: string,
  key: string | null = null,
): Promise<Opened> {
  const folder = dataFolder('incoming', randomUUID());
  try {
    await mkdir(folder, { recursive: true });
    await needRoom(folder);
    const read = await runHeavy('projectFile', { path, folder }, { bytes: size });
    const opened = await takeIn(read, into, key);
    for (const { id } of read.pieces) makeThumbnailAhead(id);
    return opened;
  } catch (error) {
    throw asDiskFull(error);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
