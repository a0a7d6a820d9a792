import { statfs } from 'node:fs/promises';

/** Bytes that are left free for the database and for what else runs on the machine. */
const LEAST_FREE = 64 * 1024 * 1024;

/** The disk is full, or nearly. Nothing that was there before is touched by it. */
export class DiskFull extends Error {
  constructor() {
    super('The disk is full. Free some space; what was there before is untouched.');
  }
}

/** Throws DiskFull where a folder's disk has no room for so many bytes more. */
export async function needRoom(folder: string, bytes = 0): Promise<void> {
  const { bavail, bsize } = await statfs(folder);
  if (bavail * bsize < LEAST_FREE + bytes) throw new DiskFull();
}

/** The same error, or DiskFull where that is what it says: of the file system, of PostgreSQL (class 53), or of a program. */
export function asDiskFull(error: unknown): unknown {
  const { code, message, parent } = (error ?? {}) as {
    code?: string;
    message?: string;
    parent?: { code?: string };
  };
  const full =
    ['ENOSPC', 'EDQUOT', '53100'].includes(code ?? parent?.code ?? '') ||
    /no space left on device|disk quota exceeded/i.test(message ?? '');
  return full ? new DiskFull() : error;
}
