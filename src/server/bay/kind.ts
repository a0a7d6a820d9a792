/** What a file is by its first bytes; its name is never asked. */
type FileKind = 'zip' | 'webp' | 'svg' | 'json' | 'media';

const starts = (bytes: Buffer, text: string, at = 0): boolean =>
  bytes.subarray(at, at + text.length).toString('latin1') === text;

/** @param head the first bytes of the file, a few hundred at least where it has so many. */
export function kindOfFile(head: Buffer): FileKind {
  if (starts(head, 'PK\x03\x04')) return 'zip';
  if (starts(head, 'RIFF') && starts(head, 'WEBP', 8)) return 'webp';
  const text = head
    .toString('utf8')
    .replace(/^\ufeff/, '')
    .trimStart();
  if (text.startsWith('{')) return 'json';
  if (/^<(\?xml|!--|!doctype svg|svg)/i.test(text)) return 'svg';
  return 'media';
}
