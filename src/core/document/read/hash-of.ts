import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** Texts up to this many characters stand in the text of what holds them; of a longer one only its hash does. */
const INLINE = 512;

const digestOf = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** Hashes of parts, by the part itself: documents share what did not change, so only what did is hashed again. */
const digests = new WeakMap<object, string>();

function canonicalText(value: unknown): string {
  // What JSON has no word for stands in lists as null, as JSON.stringify has it.
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const known = digests.get(value);
  if (known !== undefined) return known;
  const text = Array.isArray(value)
    ? `[${value.map(canonicalText).join(',')}]`
    : `{${Object.entries(value)
        .filter(([, inner]) => inner !== undefined)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([key, inner]) => `${JSON.stringify(key)}:${canonicalText(inner)}`)
        .join(',')}}`;
  if (text.length <= INLINE) return text;
  // No text of JSON begins so: a hash and a text are never taken for one another.
  const digest = `#${digestOf(text)}`;
  digests.set(value, digest);
  return digest;
}

/**
 * What a document holds as a SHA-256 (FIPS 180-4), in hexadecimal. Two documents that hold the same have one hash, in whatever order
 * their keys stand; parts that are undefined are not there. After a change it costs what changed.
 * @param document immutable, of what JSON can hold: numbers are finite, texts hold whole characters.
 */
export const hashOf = (document: object): string => digestOf(canonicalText(document));
