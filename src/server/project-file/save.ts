import { strToU8, zipSync, type Zippable } from 'fflate';
import { readAsset } from '../assets';
import { models, type PieceRow } from '../database';
import { fileStem, UNDATED } from '../exports';
import { HttpError } from '../http';
import { validDocument } from '../pieces';
import { fileEntry, MANIFEST, pieceEntry, type Manifest } from './manifest';

/** The files that texts of documents name. */
const namedIn = (texts: readonly string[]): Set<string> =>
  new Set(texts.flatMap((text) => text.match(/[0-9a-f]{64}/g) ?? []));

async function saved(
  projectId: string,
  name: string,
  rows: readonly PieceRow[],
  all: boolean,
): Promise<{ bytes: Uint8Array<ArrayBuffer>; fileName: string }> {
  const { faces, shelf } = models();
  const documents = rows.map((row) => JSON.stringify(validDocument(row.document)));
  const items = all ? await shelf.findAll({ where: { projectId }, order: [['createdAt', 'ASC']] }) : [];
  const kept = items.map(({ id, kind, name, content }) => ({ id, kind, name, content }));
  const own = await faces.findAll({ where: { projectId }, order: [['createdAt', 'ASC']] });
  const named = namedIn([...documents, JSON.stringify(kept)]);
  const faceNames = new Map(own.map((face) => [face.assetHash, face.name]));
  // Of a single piece only the faces that it is set in leave with it.
  if (all) for (const hash of faceNames.keys()) named.add(hash);
  const entries: Zippable = {};
  const files: Manifest['files'] = [];
  for (const hash of named) {
    const asset = await readAsset(hash);
    // What a document only happens to name is none of ours.
    if (!asset || !/^(image|font)\//.test(asset.mediaType)) continue;
    const kind = asset.mediaType.startsWith('font/') ? ('face' as const) : ('picture' as const);
    files.push({ hash, kind, name: faceNames.get(hash) ?? kind });
    entries[fileEntry(hash)] = [asset.bytes, { level: 0, mtime: UNDATED }];
  }
  const manifest: Manifest = {
    obelus: 'project file',
    version: 1,
    name,
    pieces: rows.map(({ id }) => id),
    shelf: kept,
    files,
  };
  const text = (json: string) => [strToU8(json), { level: 6, mtime: UNDATED }] as const;
  documents.forEach((json, i) => (entries[pieceEntry(i)] = [...text(json)]));
  const bytes = zipSync({ [MANIFEST]: [...text(JSON.stringify(manifest))], ...entries });
  return { bytes, fileName: `${fileStem(name)}.obelus` };
}

/** A whole project as one file: pieces, shelf, pictures and faces. */
export async function saveProject(id: string): Promise<{ bytes: Uint8Array<ArrayBuffer>; fileName: string }> {
  const { projects, pieces } = models();
  const project = await projects.findByPk(id);
  if (!project) throw new HttpError(404, 'There is no such project; it may have been deleted.');
  const rows = await pieces.findAll({
    where: { projectId: id },
    order: [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return saved(id, project.name, rows, true);
}

/** One piece as a file, with the pictures and faces it needs. */
export async function savePieceFile(
  id: string,
): Promise<{ bytes: Uint8Array<ArrayBuffer>; fileName: string }> {
  const piece = await models().pieces.findByPk(id);
  if (!piece) throw new HttpError(404, 'There is no such piece; it may have been deleted.');
  return saved(piece.projectId, piece.document.name, [piece], false);
}
