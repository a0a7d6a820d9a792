import { createReadStream, createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { finished } from 'node:stream/promises';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { asDiskFull } from '../disk';

/** The earliest moment that a zip archive can hold. */
export const UNDATED = new Date(1980, 0, 1);

/** What the sizes and counts of an archive without the 64-bit extension can say (APPNOTE 4.3 and 4.4). */
const MOST = { bytes: 0xffff_ffff, entries: 0xffff };

/** A zip archive being written. Entries are stored, as pictures and video are compressed already, unless they are to be packed. */
export interface ZipFile {
  add(name: string, bytes: Uint8Array, how?: Packing): Promise<void>;
  /** Adds what a file holds. */
  addFile(name: string, file: string, how?: Packing): Promise<void>;
}
type Packing = 'stored' | 'packed';

/**
 * Writes a zip archive. Without a clock in it the same entries are the same bytes.
 * @param fill adds its entries; answers false where it was stopped. Then, and where it throws, the file is left unfinished.
 */
export async function writeZip(file: string, fill: (zip: ZipFile) => Promise<boolean>): Promise<boolean> {
  const out = createWriteStream(file);
  // A disk that fills up is an error of the stream, at any moment.
  const failed = once(out, 'error').then(([error]) => {
    throw asDiskFull(error);
  });
  failed.catch(() => {});
  const zip = new Zip((error, chunk, final) => {
    if (error) out.destroy(error);
    else out.write(chunk);
    if (final) out.end();
  });
  let bytes = 0;
  let entries = 0;
  const begin = (name: string, how: Packing = 'stored'): ZipPassThrough | ZipDeflate => {
    if (++entries > MOST.entries)
      throw new Error(`A zip archive holds ${MOST.entries} files at most. Export the frames in parts.`);
    const entry = how === 'packed' ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    entry.mtime = UNDATED;
    zip.add(entry);
    return entry;
  };
  const push = async (
    entry: ZipPassThrough | ZipDeflate,
    chunk: Uint8Array,
    last: boolean,
  ): Promise<void> => {
    bytes += chunk.length;
    if (bytes > MOST.bytes)
      throw new Error('A zip archive holds 4 GB at most. Export the frames in parts, or at a smaller size.');
    entry.push(chunk, last);
    if (out.destroyed) await failed;
    if (out.writableNeedDrain) await Promise.race([once(out, 'drain'), failed]);
  };
  const archive: ZipFile = {
    add: (name, whole, how) => push(begin(name, how), whole, true),
    async addFile(name, from, how) {
      const entry = begin(name, how);
      for await (const chunk of createReadStream(from)) await push(entry, chunk as Buffer, false);
      await push(entry, new Uint8Array(0), true);
    },
  };
  let complete = false;
  try {
    complete = await fill(archive);
    if (!complete) return false;
    zip.end();
    await Promise.race([finished(out), failed]);
    return true;
  } catch (error) {
    complete = false;
    throw error;
  } finally {
    if (!complete) {
      zip.terminate();
      out.destroy();
    }
  }
}
