import { isWholeText } from '@/core/document';
import { HttpError } from './http-error';

/** How deep JSON may be nested: a piece within a piece within a piece is some forty deep. */
const MOST_DEPTH = 250;
/** Values that JSON may hold: the largest pieces have some hundred thousand. */
const MOST_VALUES = 2_000_000;

/** What is wrong with the form of JSON before any of it is read; null for nothing. Brackets and commas within texts count for nothing. */
function faultOfForm(json: string): string | null {
  let depth = 0;
  let values = 1;
  for (let i = 0; i < json.length; i++) {
    const c = json.charCodeAt(i);
    if (c === 0x22) {
      for (i++; i < json.length; i++) {
        const inner = json.charCodeAt(i);
        if (inner === 0x5c) i++;
        else if (inner === 0x22) break;
      }
    } else if (c === 0x5b || c === 0x7b) {
      if (++depth > MOST_DEPTH) return `is nested deeper than ${MOST_DEPTH}`;
      values++;
    } else if (c === 0x2c) values++;
    else if (c === 0x5d || c === 0x7d) depth--;
    if (values > MOST_VALUES) return `holds more than ${MOST_VALUES} values`;
  }
  return null;
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

/** Reads JSON whose form is within bounds. @throws Error in words that follow a name: “is nested deeper than 250”. */
export function parseJson(bytes: Uint8Array): unknown {
  const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  const fault = faultOfForm(text);
  if (fault) throw new Error(fault);
  return JSON.parse(text);
}

/** Reads the JSON of a request. @throws HttpError in words, with the place where there is one. */
export function readJsonBody(bytes: Uint8Array): unknown {
  let value: unknown;
  try {
    value = parseJson(bytes);
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
