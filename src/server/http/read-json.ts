import { HttpError } from './http-error';
import { readBytes } from './read-bytes';

/** Bytes a request may have: a large piece is about one megabyte. */
const MOST_BYTES = 8 * 1024 * 1024;

/** The JSON body of a request, bounded in size whatever its headers say. */
export async function readJson(request: Request): Promise<unknown> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/json\b/i.test(type)) {
    throw new HttpError(415, 'Send the request as application/json. Nothing was changed.');
  }
  const bytes = await readBytes(request, MOST_BYTES);
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch (error) {
    throw new HttpError(400, 'The request is not readable JSON. Nothing was changed.', {
      faults: [{ path: '', message: (error as Error).message }],
    });
  }
}
