import { createWriteStream } from 'node:fs';
import { dirname } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { asDiskFull, DiskFull, needRoom } from '../disk';

const MEGABYTE = 1024 * 1024;
/** Bytes after which the room on the disk is looked at again while an entry is written there. */
const LOOK_EVERY = 64 * MEGABYTE;
/** How many times its own size a part of an archive may unfold to: deflate reaches a thousand only with what is nothing but repetition. */
const MOST_RATIO = 200;
/** Bytes that unfold from anything, whatever their ratio. */
const FREE_BYTES = 16 * MEGABYTE;

/** An open zip archive whose entries are read one by one, as streams, so that it may be larger than memory. */
export interface ZipEntries {
  /** Names of its files, in order. */
  readonly names: readonly string[];
  /** @throws what `refuse` makes of words, where it is missing, damaged or unfolds to more than so many bytes. */
  read(name: string, most: number): Promise<Buffer>;
  /** Writes an entry to a file; answers with how many bytes it has. */
  extract(name: string, to: string, most: number): Promise<number>;
  close(): void;
}

/**
 * Opens an archive. What its headers say of sizes is not believed: what comes out is counted. Names with paths that lead out of it are
 * refused by yauzl.
 * @param refuse makes an error of words that end a sentence: “the archive is damaged.”
 */
export async function openZip(
  file: string,
  { entries: most, refuse: made }: { readonly entries: number; readonly refuse: (why: string) => Error },
): Promise<ZipEntries> {
  const ours = new WeakSet<object>();
  const refuse = (why: string): Error => {
    const error = made(why);
    ours.add(error);
    return error;
  };
  const broken = () => refuse('the archive is damaged, or only a part of one.');
  const zip = await new Promise<ZipFile>((resolve, reject) =>
    yauzl.open(file, { lazyEntries: true, autoClose: false }, (error, opened) =>
      error ? reject(broken()) : resolve(opened),
    ),
  );
  const entries = new Map<string, Entry>();
  await new Promise<void>((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      if (!entry.fileName.endsWith('/')) entries.set(entry.fileName, entry);
      if (entries.size > most) reject(refuse(`the archive holds more than ${most} files.`));
      else zip.readEntry();
    });
    zip.on('end', resolve);
    zip.on('error', () => reject(broken()));
    zip.readEntry();
  }).catch((error: unknown) => {
    zip.close();
    throw error;
  });

  /** An entry as it unfolds, up to a bound. */
  async function unfolding(name: string, atMost: number): Promise<{ source: Readable; bound: Transform }> {
    const entry = entries.get(name);
    if (!entry) throw refuse(`${name} is missing from the archive.`);
    const tooLarge = () => refuse(`${name} unfolds to more than ${Math.round(atMost / MEGABYTE)} MB.`);
    if (entry.uncompressedSize > atMost) throw tooLarge();
    const source = await new Promise<Readable>((resolve, reject) =>
      zip.openReadStream(entry, (error, stream) => (error ? reject(broken()) : resolve(stream))),
    );
    let size = 0;
    const bound = new Transform({
      transform(chunk: Buffer, _, done) {
        size += chunk.length;
        if (size > atMost) done(tooLarge());
        else if (size > FREE_BYTES + entry.compressedSize * MOST_RATIO)
          done(refuse(`${name} unfolds to more than ${MOST_RATIO} times its size.`));
        else done(null, chunk);
      },
    });
    return { source, bound };
  }

  /** An error of ours, of the disk, or one that says that the archive is damaged. */
  const worded = (error: unknown): unknown => {
    const full = asDiskFull(error);
    return full instanceof DiskFull || ours.has(full as object) ? full : broken();
  };

  return {
    names: [...entries.keys()].sort(),
    async read(name, atMost) {
      const { source, bound } = await unfolding(name, atMost);
      const chunks: Buffer[] = [];
      try {
        await pipeline(source, bound, async (all) => {
          for await (const chunk of all) chunks.push(chunk as Buffer);
        });
      } catch (error) {
        throw worded(error);
      }
      return Buffer.concat(chunks);
    },
    async extract(name, to, atMost) {
      const { source, bound } = await unfolding(name, atMost);
      let size = 0;
      let looked = 0;
      try {
        await needRoom(dirname(to));
        await pipeline(
          source,
          bound,
          async function* (all) {
            for await (const chunk of all) {
              size += (chunk as Buffer).length;
              if (size - looked > LOOK_EVERY) {
                looked = size;
                await needRoom(dirname(to));
              }
              yield chunk;
            }
          },
          createWriteStream(to),
        );
        return size;
      } catch (error) {
        throw worded(error);
      }
    },
    close: () => zip.close(),
  };
}
