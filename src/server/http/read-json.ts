import { isWholeText } from '@/core/document';
import { HttpError } from './http-error';
import { readBytes } from './read-bytes';

/** Bytes a request may have: a large piece is about one megabyte. */
const MOST_BYTES = 8 * 1024 * 1024;
/** How deep JSON may be nested: a piece within a piece within a piece is some forty deep. */
const MOST_DEPTH = 250;

/** Whether JSON is nested deeper than it may be; brackets within texts count for nothing. */
function isTooDeep(json: string): boolean {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < json.length; i++) {
    const c = json.charCodeAt(i);
    if (inText) {
      if (c === 0x5c) i++;
      else if (c === 0x22) inText = false;
    } else if (c === 0x22) inText = true;
    else if (c === 0x5b || c === 0x7b) {
      if (++depth > MOST_DEPTH) return true;
    } else if (c === 0x5d || c === 0x7d) depth--;
  }
  return false;
}

/** The place of a text that holds half of a character or NUL, which no database of Unicode text takes; null for none. */
function brokenText(value: unknown, path: string): string | null {
  if (typeof value === 'string') return isWholeText(value) ? null : path;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    if (!isWholeText(key)) return path;
    const found = brokenText(inner, path ? `${path}.${key}` : key);
    if (found !== null) return found;
  }
  return null;
}

/** The JSON body of a request, bounded in size and depth whatever its headers say. */
export async function readJson(request: Request): Promise<unknown> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/json\b/i.test(type)) {
    throw new HttpError(415, 'Send the request as application/json. Nothing was changed.');
  }
  const bytes = await readBytes(request, MOST_BYTES);
  let value: unknown;
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    if (isTooDeep(text)) throw new Error(`is nested deeper than ${MOST_DEPTH}`);
    value = JSON.parse(text);
  } catch (error) {
    throw new HttpError(400, 'The request is not readable JSON. Nothing was changed.', {
      faults: [{ path: '', message: (error as Error).message }],
    });
  }
  const broken = brokenText(value, '');
  if (broken !== null) {
    // Documents are named from their own top, as their faults are everywhere.
    const path = broken.replace(/^document\./, '');
    throw new HttpError(422, `Half of a character stands at ${path}. Nothing was changed.`, {
      faults: [{ path, message: 'must not hold half of a character' }],
    });
  }
  return value;
}
