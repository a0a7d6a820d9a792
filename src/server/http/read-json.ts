import { HttpError } from './http-error';

/** Bytes a request may have: a large piece is about one megabyte. */
const MOST_BYTES = 8 * 1024 * 1024;

/** The JSON body of a request, bounded in size whatever its headers say. */
export async function readJson(request: Request): Promise<unknown> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/json\b/i.test(type)) {
    throw new HttpError(415, 'Send the request as application/json. Nothing was changed.');
  }
  const tooLarge = () =>
    new HttpError(413, `The request is larger than ${MOST_BYTES / 1024 / 1024} MB. Nothing was changed.`);
  if (Number(request.headers.get('content-length')) > MOST_BYTES) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > MOST_BYTES) {
      await reader.cancel();
      throw tooLarge();
    }
    chunks.push(value);
  }
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks)));
  } catch (error) {
    throw new HttpError(400, 'The request is not readable JSON. Nothing was changed.', {
      faults: [{ path: '', message: (error as Error).message }],
    });
  }
}
