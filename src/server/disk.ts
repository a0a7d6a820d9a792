import { statfs } from 'node:fs/promises';

/** Bytes that are left free for the database and for what else runs on the machine. */
const LEAST_FREE = 64 * 1024 * 1024;

/** The disk is full, or nearly. Nothing that was there before is touched by it. */
export class DiskFull extends Error {
  constructor() {
    super('The disk is full. Free some space; what was there before is untouched.');
  }
}

/** Bytes that a folder's disk has left, beyond those that are kept free. */
export async function roomLeft(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return Math.max(0, bavail * bsize - LEAST_FREE);
}

/** Throws DiskFull where a folder's disk has no room for so many bytes more. */
export async function needRoom(folder: string, bytes = 0): Promise<void> {
  if ((await roomLeft(folder)) <= bytes) throw new DiskFull();
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
