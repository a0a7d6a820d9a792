import { randomUUID } from 'node:crypto';
import { mkdir, rm, stat, writeFile } from 'node:fs/promises';
import { assetPath } from '../assets';
import { models } from '../database';
import { dataFolder } from '../data-folder';
import { asDiskFull, needRoom } from '../disk';
import { documentOf } from '../documents';
import { fileStem } from '../exports';
import { runHeavy } from '../heavy';
import { HttpError, openFile, type OpenedFile } from '../http';
import type { ArchiveEntry } from './archive-project';
import { fileEntry, MANIFEST, pieceEntry, type Manifest } from './manifest';

/** A file to be fetched: it is read once. */
export interface Fetched extends OpenedFile {
  readonly fileName: string;
}

/** The files that texts of documents name. */
const namedIn = (text: string): string[] => text.match(/[0-9a-f]{64}/g) ?? [];

/** The entries of a project file, its texts written into a folder. */
async function entriesOf(
  folder: string,
  projectId: string,
  name: string,
  pieces: readonly string[],
  all: boolean,
): Promise<ArchiveEntry[]> {
  const { faces, shelf, assets } = models();
  const entries: ArchiveEntry[] = [];
  const named = new Set<string>();
  const addText = async (entry: string, text: string): Promise<void> => {
    const path = `${folder}/${entries.length}.json`;
    await writeFile(path, text);
    entries.push({ name: entry, path, packed: true });
    for (const hash of namedIn(text)) named.add(hash);
  };
  for (const [i, id] of pieces.entries()) await addText(pieceEntry(i), (await documentOf(id)).document.text);
  const items = all ? await shelf.findAll({ where: { projectId }, order: [['createdAt', 'ASC']] }) : [];
  const kept = items.map(({ id, kind, name, content }) => ({ id, kind, name, content }));
  for (const hash of namedIn(JSON.stringify(kept))) named.add(hash);
  const own = await faces.findAll({ where: { projectId }, order: [['createdAt', 'ASC']] });
  const faceNames = new Map(own.map((face) => [face.assetHash, face.name]));
  // Of a single piece only the faces that it is set in leave with it.
  if (all) for (const hash of faceNames.keys()) named.add(hash);
  const files: Manifest['files'] = [];
  const laid: ArchiveEntry[] = [];
  for (const hash of named) {
    const asset = await assets.findByPk(hash);
    // What a document only happens to name is none of ours.
    if (!asset || !/^(image|font)\//.test(asset.mediaType)) continue;
    const path = assetPath(hash);
    if (!(await stat(path).catch(() => null))) continue;
    const kind = asset.mediaType.startsWith('font/') ? ('face' as const) : ('picture' as const);
    files.push({ hash, kind, name: faceNames.get(hash) ?? kind });
    laid.push({ name: fileEntry(hash), path, packed: false });
  }
  const manifest: Manifest = {
    obelus: 'project file',
    version: 1,
    name,
    pieces: [...pieces],
    shelf: kept,
    files,
  };
  await addText(MANIFEST, JSON.stringify(manifest));
  // The manifest comes first, as it is read first.
  return [entries.pop()!, ...laid, ...entries];
}

async function saved(
  projectId: string,
  name: string,
  pieces: readonly string[],
  all: boolean,
): Promise<Fetched> {
  const folder = dataFolder('rendering', randomUUID());
  try {
    await mkdir(folder, { recursive: true });
    await needRoom(folder);
    const to = `${folder}/file`;
    await runHeavy('archiveProject', { entries: await entriesOf(folder, projectId, name, pieces, all), to });
    return { fileName: `${fileStem(name)}.obelus`, ...(await openFile(to)) };
  } catch (error) {
    throw asDiskFull(error);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** A whole project as one file: pieces, shelf, pictures and faces. */
export async function saveProject(id: string): Promise<Fetched> {
  const { projects, pieces } = models();
  const project = await projects.findByPk(id);
  if (!project) throw new HttpError(404, 'There is no such project; it may have been deleted.');
  const rows = await pieces.findAll({
    where: { projectId: id },
    attributes: ['id'],
    order: [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return saved(
    id,
    project.name,
    rows.map((row) => row.id),
    true,
  );
}

/** One piece as a file, with the pictures and faces it needs. */
export async function savePieceFile(id: string): Promise<Fetched> {
  const { projectId, name } = await documentOf(id);
  return saved(projectId, name, [id], false);
}
