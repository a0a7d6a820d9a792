/**
 * A hash of a text, FNV-1a over its UTF-16 units: 0 to 2³² − 1, alike on every machine (draft-eastlake-fnv).
 * @param seed another seed gives another hash of the same text.
 */
export function fnv1a(text: string, seed = 0): number {
  let hash = 0x811c9dc5 ^ seed;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}
