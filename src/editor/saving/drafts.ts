import { createStore, del, entries, set } from 'idb-keyval';

/** Work that the server does not have yet, kept in this browser. */
export interface Draft {
  readonly pieceId: string;
  readonly session: string;
  readonly baseRevision: number;
  /** As it was kept: read it as untrusted, an older or newer Obelus may have written it. */
  readonly document: unknown;
  /** When it was kept, ms since 1970. */
  readonly at: number;
}

/** Where drafts are kept. Each session has one draft, and only its own session writes it. */
export interface Drafts {
  keep(draft: Draft): Promise<void>;
  drop(draft: Pick<Draft, 'pieceId' | 'session'>): Promise<void>;
}

/** Opened once, when it is first asked for. */
const store = createStore('obelus', 'drafts');
const keyOf = (draft: Pick<Draft, 'pieceId' | 'session'>): string => `${draft.pieceId}/${draft.session}`;

/** Drafts in the browser's IndexedDB. Where storage is blocked, each call rejects. */
export const DRAFTS: Drafts = {
  async keep(draft) {
    await set(keyOf(draft), draft, store);
  },
  async drop(draft) {
    await del(keyOf(draft), store);
  },
};

/** While a session lives it holds a lock in its name, so that others leave its draft alone; answers how to let go. */
export function holdSession(session: string): () => void {
  let release = (): void => {};
  const released = new Promise<void>((resolve) => {
    release = resolve;
  });
  // Without locks (a page that is not trusted) drafts of living windows look orphaned: they are offered, never lost.
  navigator.locks?.request(`obelus/${session}`, () => released).catch(() => {});
  return release;
}

/**
 * Drafts of a piece left by sessions that are gone, oldest first.
 * @param ended sessions of this window that are over, whose locks may not have been let go yet.
 */
export async function orphanedDrafts(pieceId: string, ended: ReadonlySet<string>): Promise<Draft[]> {
  const locks = (await navigator.locks?.query())?.held ?? [];
  const alive = new Set(locks.map((lock) => lock.name));
  const all = await entries<string, Draft>(store);
  return all
    .map(([, draft]) => draft)
    .filter((d) => d.pieceId === pieceId && (ended.has(d.session) || !alive.has(`obelus/${d.session}`)))
    .sort((a, b) => (a.at ?? 0) - (b.at ?? 0));
}
