import { once } from 'node:events';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Readable } from 'node:stream';

/** A file that is sent once, as a stream. */
export interface OpenedFile {
  readonly size: number;
  readonly stream: ReadableStream<Uint8Array>;
}

/** Opens a file to be sent. Once it is open it is read to its end, though its name is gone. */
export async function openFile(path: string): Promise<OpenedFile> {
  const { size } = await stat(path);
  const stream = createReadStream(path);
  await once(stream, 'open');
  return { size, stream: Readable.toWeb(stream) as ReadableStream<Uint8Array> };
}
