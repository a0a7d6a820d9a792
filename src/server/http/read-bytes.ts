import { HttpError } from './http-error';

/** The body of a request as bytes, bounded in size whatever its headers say. */
export async function readBytes(request: Request, most: number): Promise<Buffer> {
  const tooLarge = () =>
    new HttpError(413, `The request is larger than ${most / 1024 / 1024} MB. Nothing was changed.`);
  if (Number(request.headers.get('content-length')) > most) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > most) {
      await reader.cancel();
      throw tooLarge();
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks);
}
