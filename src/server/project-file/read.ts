import { strFromU8, unzipSync, type Unzipped } from 'fflate';
import { faultsOf, readPiece, type Piece } from '@/core/document';
import { HttpError } from '../http';
import { MANIFEST, manifestSchema, pieceEntry, type Manifest } from './manifest';

/** Most bytes of a file, and of what it unfolds to. */
export const PROJECT_FILE_BYTES = 256 * 1024 * 1024;
const MOST_UNFOLDED = 512 * 1024 * 1024;
const MOST_ENTRIES = 7000;
const ENTRY = /^(project\.json|pieces\/\d{1,4}\.json|files\/[0-9a-f]{64})$/;

export const refused = (why: string): HttpError =>
  new HttpError(422, `This file can’t be opened: ${why} Nothing was changed.`);

/** What lies in the archive, once names, number and sizes are what a project file has. */
export function unfolded(bytes: Uint8Array): Unzipped {
  let [size, count] = [0, 0];
  let fault: string | null = null;
  let entries: Unzipped;
  try {
    entries = unzipSync(bytes, {
      filter({ name, originalSize }) {
        size += originalSize;
        count++;
        if (!ENTRY.test(name)) fault ??= `it holds “${name.slice(0, 80)}”, which no project file does.`;
        else if (size > MOST_UNFOLDED) fault ??= `it unfolds to more than ${MOST_UNFOLDED / 1024 / 1024} MB.`;
        else if (count > MOST_ENTRIES) fault ??= `it holds more than ${MOST_ENTRIES} files.`;
        return fault === null;
      },
    });
  } catch {
    throw refused('it is no project file, or only a part of one.');
  }
  if (fault) throw refused(fault);
  return entries;
}

export function entryOf(entries: Unzipped, name: string): Uint8Array {
  const entry = entries[name];
  if (!entry) throw refused(`${name} is missing: it is only a part of a file.`);
  return entry;
}

export function jsonOf(entries: Unzipped, name: string): string {
  const text = strFromU8(entryOf(entries, name));
  try {
    JSON.parse(text);
    return text;
  } catch {
    throw refused(`${name} is damaged.`);
  }
}

export function manifestOf(entries: Unzipped): Manifest {
  const read = manifestSchema.safeParse(JSON.parse(jsonOf(entries, MANIFEST)));
  if (read.success) return read.data;
  const [first] = faultsOf(read.error);
  throw refused(`${MANIFEST} has a fault at ${first!.path || 'its top'}: ${first!.message}.`);
}

/** A piece of a file, brought to today's version. */
export function pieceOf(text: string, place: number): Piece {
  const read = readPiece(JSON.parse(text));
  if (read.ok) return read.piece;
  const [first] = read.faults;
  throw refused(`piece ${place + 1} has a fault at ${first!.path || 'its top'}: ${first!.message}.`);
}

/** The pieces of a project file, for whoever needs no more of it. */
export function piecesOfFile(bytes: Uint8Array): Piece[] {
  const entries = unfolded(bytes);
  return manifestOf(entries).pieces.map((_, i) => pieceOf(jsonOf(entries, pieceEntry(i)), i));
}
