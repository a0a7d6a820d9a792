import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { newShelfItemSchema, type NewShelfItem } from '@/contract';
import { faultsOf, hashOf, readPiece, type Piece } from '@/core/document';
import { Refused } from '../heavy/refused';
import { renderPicture } from '../heavy/render-picture';
import { HttpError } from '../http/http-error';
import { parseJson } from '../http/json-text';
import { inspectFace, type FaceFacts } from '../lettering/inspect-face';
import { openZip, type ZipEntries } from '../zip';
import { fileEntry, MANIFEST, manifestSchema, pieceEntry, type Manifest } from './manifest';

const MEGABYTE = 1024 * 1024;
/** Most bytes of what a file unfolds to, in all and of its parts. */
const MOST_UNFOLDED = 512 * MEGABYTE;
const MOST_MANIFEST = 32 * MEGABYTE;
const MOST_PIECE = 32 * MEGABYTE;
const MOST_FILE = 64 * MEGABYTE;
const MOST_ENTRIES = 7000;
const ENTRY = /^(project\.json|pieces\/\d{1,4}\.json|files\/[0-9a-f]{64})$/;

const refused = (why: string): HttpError =>
  new HttpError(422, `This file can’t be opened: ${why} Nothing was changed.`);

/** A picture or face of a project file, laid down beside it. */
interface FileRead {
  readonly path: string;
  readonly hash: string;
  readonly size: number;
  readonly name: string;
  /** Its media type, for pictures; what is said of it, for faces. */
  readonly is:
    | { readonly kind: 'picture'; readonly mediaType: string }
    | { readonly kind: 'face'; readonly face: FaceFacts };
}

/** What is in a project file, checked, under new ids. Documents lie as files, so that no process holds all of them. */
export interface ProjectRead {
  readonly name: string;
  readonly pieces: readonly { readonly id: string; readonly path: string; readonly hash: string }[];
  readonly shelf: readonly {
    readonly id: string;
    readonly kind: NewShelfItem['kind'];
    readonly name: string;
    readonly content: string;
  }[];
  readonly files: readonly FileRead[];
}

/** An archive that is read entry by entry and unfolds to so much in all. */
function bounded(zip: ZipEntries) {
  let left = MOST_UNFOLDED;
  const took = (size: number): void => {
    left -= size;
    if (left < 0) throw refused(`it unfolds to more than ${MOST_UNFOLDED / MEGABYTE} MB.`);
  };
  const has = (name: string): void => {
    if (!zip.names.includes(name)) throw refused(`${name} is missing: it is only a part of a file.`);
  };
  return {
    async json(name: string, most: number): Promise<unknown> {
      has(name);
      const bytes = await zip.read(name, Math.min(most, left));
      took(bytes.length);
      try {
        return parseJson(bytes);
      } catch (error) {
        const { message } = error as Error;
        throw refused(
          /^(is nested|holds more)/.test(message) ? `${name} ${message}.` : `${name} is damaged.`,
        );
      }
    },
    async file(name: string, to: string): Promise<number> {
      has(name);
      const size = await zip.extract(name, to, Math.min(MOST_FILE, left));
      took(size);
      return size;
    },
  };
}
type Bounded = ReturnType<typeof bounded>;

async function openArchive(path: string): Promise<ZipEntries> {
  const zip = await openZip(path, {
    entries: MOST_ENTRIES,
    refuse: (why) => refused(why.replace(/^the archive is damaged/, 'it is no project file')),
  });
  const foreign = zip.names.find((name) => !ENTRY.test(name));
  if (foreign === undefined) return zip;
  zip.close();
  throw refused(`it holds “${foreign.slice(0, 80)}”, which no project file does.`);
}

async function readManifest(entries: Bounded): Promise<Manifest> {
  const read = manifestSchema.safeParse(await entries.json(MANIFEST, MOST_MANIFEST));
  if (read.success) return read.data;
  const [first] = faultsOf(read.error);
  throw refused(`${MANIFEST} has a fault at ${first!.path || 'its top'}: ${first!.message}.`);
}

/** A value in which what had ids elsewhere has new ones here. */
const renamed = (value: unknown, ids: ReadonlyMap<string, string>): unknown =>
  JSON.parse(
    JSON.stringify(value).replace(
      /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g,
      (id) => ids.get(id) ?? id,
    ),
  );

/** A piece of a file, brought to today's version. */
async function readPieceAt(
  entries: Bounded,
  place: number,
  ids: ReadonlyMap<string, string>,
): Promise<Piece> {
  const read = readPiece(renamed(await entries.json(pieceEntry(place), MOST_PIECE), ids));
  if (read.ok) return read.piece;
  const [first] = read.faults;
  throw refused(`piece ${place + 1} has a fault at ${first!.path || 'its top'}: ${first!.message}.`);
}

async function hashOfFile(path: string): Promise<string> {
  const hasher = createHash('sha256');
  await pipeline(createReadStream(path), hasher);
  return hasher.digest('hex');
}

/** Checks a file by its hash and by what it is. */
async function readFileAt(
  entries: Bounded,
  { hash, kind, name }: Manifest['files'][number],
  folder: string,
): Promise<FileRead> {
  const path = join(folder, hash);
  const size = await entries.file(fileEntry(hash), path);
  if ((await hashOfFile(path)) !== hash) throw refused(`the ${kind} ${hash.slice(0, 8)} is damaged.`);
  const facts = { path, hash, size, name };
  try {
    if (kind === 'face') {
      const { name: own, weights } = await inspectFace({ path });
      return { ...facts, is: { kind, face: { name: own, weights } } };
    }
    // Only whether it can be decoded: it was written by us, and keeps the name its pieces know.
    const { source } = await renderPicture({ path });
    if (source !== 'png' && source !== 'webp') throw new Refused('it is neither PNG nor WebP.');
    return { ...facts, is: { kind, mediaType: `image/${source}` } };
  } catch (error) {
    throw error instanceof Refused ? refused(`a ${kind} is damaged: ${error.message}`) : error;
  }
}

/**
 * Reads a project file: all of it is checked, and laid down in a folder under new ids; older versions are brought to today's. What
 * the manifest does not name is not unpacked.
 * @throws HttpError in words where anything of it can't be used.
 */
export async function readProjectFile({
  path,
  folder,
}: {
  readonly path: string;
  readonly folder: string;
}): Promise<ProjectRead> {
  const zip = await openArchive(path);
  try {
    const entries = bounded(zip);
    const manifest = await readManifest(entries);
    const ids = new Map<string, string>(
      [...manifest.pieces, ...manifest.shelf.map(({ id }) => id)].map((id) => [id, randomUUID()]),
    );
    const pieces: ProjectRead['pieces'][number][] = [];
    for (const [place, old] of manifest.pieces.entries()) {
      const piece = await readPieceAt(entries, place, ids);
      const to = join(folder, `${place}.json`);
      await writeFile(to, JSON.stringify(piece));
      pieces.push({ id: ids.get(old)!, path: to, hash: hashOf(piece) });
    }
    const shelf = manifest.shelf.map(({ id, ...item }) => {
      const read = newShelfItemSchema.safeParse(renamed(item, ids));
      if (!read.success) throw refused('something on its shelf is damaged.');
      const { kind, name, content } = read.data;
      return { id: ids.get(id)!, kind, name, content: JSON.stringify(content) };
    });
    const files: FileRead[] = [];
    for (const file of manifest.files) files.push(await readFileAt(entries, file, folder));
    return { name: manifest.name, pieces, shelf, files };
  } finally {
    zip.close();
  }
}

/** The pieces of a project file, for whoever needs no more of it. */
export async function piecesOfFile(path: string): Promise<Piece[]> {
  const zip = await openArchive(path);
  try {
    const entries = bounded(zip);
    const { pieces } = await readManifest(entries);
    const read: Piece[] = [];
    for (const place of pieces.keys()) read.push(await readPieceAt(entries, place, new Map()));
    return read;
  } finally {
    zip.close();
  }
}
