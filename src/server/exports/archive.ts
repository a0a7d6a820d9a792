import { mkdir, rm, stat } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { assetPath } from '../assets';
import { dataFolder } from '../data-folder';
import { needRoom } from '../disk';
import { HttpError, openFile, type OpenedFile } from '../http';
import { exportFile } from './exports';
import { writeZip } from '../zip';

/** Names that differ, where files of several exports are called the same: `Tide.webm`, `Tide 2.webm`. */
export function apartNames(names: readonly string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    const at = name.lastIndexOf('.');
    const [stem, ending] = at > 0 ? [name.slice(0, at), name.slice(at)] : [name, ''];
    let apart = name;
    for (let n = 2; taken.has(apart.toLowerCase()); n++) apart = `${stem} ${n}${ending}`;
    taken.add(apart.toLowerCase());
    return apart;
  });
}

/** The files of finished exports as one zip archive, and how many bytes it has. It is read once. */
export async function exportArchive(ids: readonly string[]): Promise<OpenedFile> {
  const files = await Promise.all(ids.map(exportFile));
  const sizes = await Promise.all(
    files.map(async ({ hash, fileName }) => {
      const info = await stat(assetPath(hash)).catch(() => null);
      if (!info)
        throw new HttpError(
          410,
          `The file ${fileName} is no longer there. Run its export again, or leave it out.`,
        );
      return info.size;
    }),
  );
  const folder = dataFolder('rendering');
  await mkdir(folder, { recursive: true });
  await needRoom(
    folder,
    sizes.reduce((sum, size) => sum + size, 0),
  );
  const file = dataFolder('rendering', `${randomUUID()}.zip`);
  try {
    const names = apartNames(files.map(({ fileName }) => fileName));
    await writeZip(file, async (zip) => {
      for (const [i, { hash }] of files.entries()) await zip.addFile(names[i]!, assetPath(hash));
      return true;
    });
    return await openFile(file);
  } finally {
    await rm(file, { force: true });
  }
}
