import { open } from 'node:fs/promises';

/** The kinds of picture that are taken in. */
export type PictureKind = 'png' | 'jpeg' | 'webp' | 'svg';

/** Bytes at the beginning of a file by which it is told. */
const HEAD = 65_536;

/** What a file is, by its first bytes. */
export async function kindOfPicture(path: string): Promise<PictureKind | null> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(HEAD), 0, HEAD, 0);
    return pictureKind(buffer.subarray(0, bytesRead));
  } finally {
    await file.close();
  }
}

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
  return head.startsWith('<') && /<svg[\s>]|<[\w-]+:svg[\s>]/.test(bytes.toString('utf8', 0, HEAD))
    ? 'svg'
    : null;
}
