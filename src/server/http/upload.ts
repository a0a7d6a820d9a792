import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { dataFolder } from '../data-folder';
import { asDiskFull, needRoom } from '../disk';
import { HttpError } from './http-error';

/** A file that a request brought, as it lies on the disk while it is dealt with. Its name and what it says of itself are not trusted. */
export interface Upload {
  readonly path: string;
  readonly size: number;
  /** SHA-256 of its bytes. */
  readonly hash: string;
}

const tooLarge = (most: number): HttpError =>
  new HttpError(413, `The file is larger than ${most / 1024 / 1024} MB. Nothing was changed.`);

/** Counts and hashes what passes, and stops what is too much. */
function counted(most: number) {
  const hasher = createHash('sha256');
  let size = 0;
  const stream = new Transform({
    transform(chunk: Buffer, _, done) {
      size += chunk.length;
      if (size > most) return done(tooLarge(most));
      hasher.update(chunk);
      done(null, chunk);
    },
  });
  return { stream, facts: () => ({ size, hash: hasher.digest('hex') }) };
}

/** Puts bytes that come in onto the disk as they come, and hands the file on; afterwards it is gone, unless that moved it. */
async function withUpload<T>(
  source: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
  { most, expected = 0 }: { readonly most: number; readonly expected?: number },
  handle: (upload: Upload) => Promise<T>,
): Promise<T> {
  if (expected > most) throw tooLarge(most);
  const folder = dataFolder('incoming');
  const path = dataFolder('incoming', randomUUID());
  try {
    await mkdir(folder, { recursive: true });
    await needRoom(folder, expected);
    const { stream, facts } = counted(most);
    await pipeline(source, stream, createWriteStream(path));
    return await handle({ path, ...facts() });
  } catch (error) {
    throw asDiskFull(error);
  } finally {
    await rm(path, { force: true });
  }
}

/** Bytes at hand as a file, for what takes files. */
export const withBytes = <T>(bytes: Uint8Array, handle: (upload: Upload) => Promise<T>): Promise<T> =>
  withUpload([bytes], { most: Infinity, expected: bytes.length }, handle);

/** The body of a request as a file. */
export const withBody = <T>(
  request: Request,
  most: number,
  handle: (upload: Upload) => Promise<T>,
): Promise<T> =>
  withUpload(
    (request.body ?? []) as AsyncIterable<Uint8Array>,
    { most, expected: Number(request.headers.get('content-length')) || 0 },
    handle,
  );
