import { createStore, del, entries, set } from 'idb-keyval';
import type { Piece } from '@/core/document';

/** Work that the server does not have yet, kept in this browser. */
export interface Draft {
  readonly pieceId: string;
  readonly session: string;
  readonly baseRevision: number;
  readonly document: Piece;
}

const store = () => createStore('obelus', 'drafts');
const keyOf = (draft: Pick<Draft, 'pieceId' | 'session'>): string => `${draft.pieceId}/${draft.session}`;

/** While a window lives it holds a lock in its session's name, so that others leave its draft alone. */
export function holdSession(session: string): void {
  void navigator.locks?.request(`obelus/${session}`, () => new Promise(() => {}));
}

export const keepDraft = (draft: Draft): Promise<void> => set(keyOf(draft), draft, store());

export const dropDraft = (draft: Pick<Draft, 'pieceId' | 'session'>): Promise<void> =>
  del(keyOf(draft), store());

/** Drafts of a piece left by windows that are gone. */
export async function orphanedDrafts(pieceId: string): Promise<Draft[]> {
  const locks = (await navigator.locks?.query())?.held ?? [];
  const alive = new Set(locks.map((lock) => lock.name));
  const all = await entries<string, Draft>(store());
  return all
    .map(([, draft]) => draft)
    .filter((d) => d.pieceId === pieceId && !alive.has(`obelus/${d.session}`));
}
