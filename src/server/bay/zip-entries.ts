import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import type { Readable } from 'node:stream';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { unreadable } from './refusal';

const MOST_ENTRIES = 65_535;
/** Most bytes that one entry unfolds to: a frame of 8K without any packing is half of it. */
const MOST_PICTURE = 512 * 1024 * 1024;

/** An open zip archive whose entries are read one by one, so that it may be larger than memory. */
export interface ZipEntries {
  /** Names of its files, in order. */
  readonly names: readonly string[];
  read(name: string): Promise<Buffer>;
  extract(name: string, to: string, most: number): Promise<void>;
  close(): void;
}

/** Opens an archive. Names with paths that lead out of it, and entries that unfold to more than they say, are refused by yauzl. */
export async function openZip(file: string): Promise<ZipEntries> {
  const broken = () => unreadable('the archive is damaged, or only a part of one.');
  const zip = await new Promise<ZipFile>((resolve, reject) =>
    yauzl.open(file, { lazyEntries: true, autoClose: false }, (error, opened) =>
      error ? reject(broken()) : resolve(opened),
    ),
  );
  const entries = new Map<string, Entry>();
  await new Promise<void>((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      if (!entry.fileName.endsWith('/')) entries.set(entry.fileName, entry);
      if (entries.size > MOST_ENTRIES)
        reject(unreadable(`the archive holds more than ${MOST_ENTRIES} files.`));
      else zip.readEntry();
    });
    zip.on('end', resolve);
    zip.on('error', () => reject(broken()));
    zip.readEntry();
  }).catch((error: unknown) => {
    zip.close();
    throw error;
  });
  const streamOf = (name: string, most: number): Promise<Readable> => {
    const entry = entries.get(name);
    if (!entry) throw unreadable(`${name} is missing from the archive.`);
    if (entry.uncompressedSize > most)
      throw unreadable(`${name} unfolds to more than ${Math.round(most / 1024 / 1024)} MB.`);
    return new Promise((resolve, reject) =>
      zip.openReadStream(entry, (error, stream) => (error ? reject(broken()) : resolve(stream))),
    );
  };
  return {
    names: [...entries.keys()].sort(),
    async read(name) {
      const chunks: Buffer[] = [];
      for await (const chunk of await streamOf(name, MOST_PICTURE)) chunks.push(chunk as Buffer);
      return Buffer.concat(chunks);
    },
    async extract(name, to, most) {
      await pipeline(await streamOf(name, most), createWriteStream(to)).catch(() => {
        throw broken();
      });
    },
    close: () => zip.close(),
  };
}
