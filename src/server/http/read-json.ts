import { HttpError } from './http-error';
import { readJsonBody } from './json-text';
import { readBytes } from './read-bytes';

/** Bytes of a request that holds a document: a large piece is about one megabyte. */
const MOST_BYTES = 8 * 1024 * 1024;
/** Bytes of any other: texts and settings. They are read where everybody waits for it. */
const MOST_PLAIN_BYTES = 256 * 1024;

async function jsonBytes(request: Request, most: number): Promise<Buffer> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/json\b/i.test(type)) {
    throw new HttpError(415, 'Send the request as application/json. Nothing was changed.');
  }
  return readBytes(request, most);
}

/** The bytes of a JSON body that may be large. */
export const readLargeJson = (request: Request): Promise<Buffer> => jsonBytes(request, MOST_BYTES);

/** The JSON body of a request, bounded in size and depth whatever its headers say. */
export const readJson = async (request: Request): Promise<unknown> =>
  readJsonBody(await jsonBytes(request, MOST_PLAIN_BYTES));
