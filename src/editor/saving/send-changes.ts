import { PIECES } from '@/contract';
import { hashOf, patchOf } from '@/core/document';
import { ApiError, call } from './api';
import type { SavingServer } from './saving';

/** Characters from which on a document is sent whole: a patch is no quicker to read then. */
const MOST_PATCH = 200_000;

/** Saves a piece by what changed of it; where the server can make nothing of that, by all of it. */
export async function sendChanges(
  id: string,
  { before, document, ...basis }: Parameters<SavingServer['save']>[0],
): ReturnType<SavingServer['save']> {
  const params = { id };
  const patch = before && patchOf(before, document);
  if (patch && JSON.stringify(patch).length < MOST_PATCH) {
    const hashes = { from: hashOf(before), makes: hashOf(document) };
    try {
      return await call(PIECES.patch, { params, body: { ...basis, ...hashes, patch } });
    } catch (error) {
      if (!(error instanceof ApiError) || error.details['unfit'] !== true) throw error;
    }
  }
  return call(PIECES.save, { params, body: { ...basis, document } });
}
