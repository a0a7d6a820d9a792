import { createStore, delMany, get, set, update } from 'idb-keyval';
import type { EditorState } from '../state';

/** The steps of undo and redo of a piece, as this browser keeps them over a reload. */
interface KeptHistory extends Pick<EditorState, 'past' | 'future'> {
  /** The revision that they lead up to: with any other they mean nothing. */
  readonly revision: number;
}

/** Opened once, when it is first asked for. */
const store = createStore('obelus-history', 'steps');

/** Steps kept of a piece, and pieces of which steps are kept. */
const STEPS = 100;
const PIECES = 12;
/** The pieces of which steps are kept, under a key that no piece has. */
const ORDER = 'order';

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
  };
  await set(id, kept, store);
  // The newest first: what is over is found without reading any of it.
  let over: readonly string[] = [];
  await update<readonly string[]>(
    ORDER,
    (before = []) => {
      const order = [id, ...before.filter((one) => one !== id)];
      over = order.slice(PIECES);
      return order.slice(0, PIECES);
    },
    store,
  );
  if (over.length > 0) await delMany([...over], store);
}

/** The steps that lead up to a revision of a piece; null where none are kept, or they lead up to another. */
export async function keptHistory(
  id: string,
  revision: number,
): Promise<Pick<EditorState, 'past' | 'future'> | null> {
  const kept = await get<KeptHistory>(id, store);
  return kept && kept.revision === revision ? { past: kept.past, future: kept.future } : null;
}
