/** The kinds of picture that are taken in. */
export type PictureKind = 'png' | 'jpeg' | 'webp' | 'svg';

/** What the bytes are, by themselves: names and declared types are not trusted. */
export function pictureKind(bytes: Buffer): PictureKind | null {
  const starts = (...values: number[]) => values.every((value, i) => bytes[i] === value);
  if (starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'png';
  if (starts(0xff, 0xd8, 0xff)) return 'jpeg';
  if (bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP') return 'webp';
  const head = bytes
    .toString('utf8', 0, 4096)
    .replace(/^\ufeff/, '')
    .trimStart();
  return head.startsWith('<') && /<svg[\s>]|<[\w-]+:svg[\s>]/.test(bytes.toString('utf8', 0, 65_536))
    ? 'svg'
    : null;
}
