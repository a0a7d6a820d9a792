import { createStore, del, entries, get, set } from 'idb-keyval';
import type { EditorState } from '../state';

/** The steps of undo and redo of a piece, as this browser keeps them over a reload. */
interface KeptHistory extends Pick<EditorState, 'past' | 'future'> {
  /** The revision that they lead up to: with any other they mean nothing. */
  readonly revision: number;
  /** When they were kept, ms since 1970. */
  readonly at: number;
}

const store = () => createStore('obelus-history', 'steps');

/** Steps kept of a piece, and pieces of which steps are kept. */
const STEPS = 100;
const PIECES = 12;

/**
 * Keeps the steps of a piece. What documents share is written once: copying for storage keeps identities (HTML, structured
 * clone).
 */
export async function keepHistory(
  id: string,
  revision: number,
  { past, future }: Pick<EditorState, 'past' | 'future'>,
): Promise<void> {
  const kept: KeptHistory = {
    revision,
    past: past.slice(-STEPS),
    future: future.slice(0, STEPS),
    at: Date.now(),
  };
  await set(id, kept, store());
  const all = await entries<string, KeptHistory>(store());
  const old = all.sort(([, a], [, b]) => b.at - a.at).slice(PIECES);
  for (const [other] of old) await del(other, store());
}

/** The steps that lead up to a revision of a piece; null where none are kept, or they lead up to another. */
export async function keptHistory(
  id: string,
  revision: number,
): Promise<Pick<EditorState, 'past' | 'future'> | null> {
  const kept = await get<KeptHistory>(id, store());
  return kept && kept.revision === revision ? { past: kept.past, future: kept.future } : null;
}
