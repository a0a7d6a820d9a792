import { useEffect, useMemo } from 'react';
import { create } from 'zustand';
import type { NewShelfItem, ShelfItem, ShelfKind } from '@/core/document';
import { notify } from '@/ui';
import { call, useSaving } from '../saving';

interface ShelfState {
  readonly items: readonly ShelfItem[];
  /** Colours in the project's pieces. */
  readonly colours: readonly string[];
  /** The project it was read for. */
  readonly project: string | null;
}

/** What the project keeps for reuse, as last heard from the server. */
export const useShelf = create<ShelfState>(() => ({ items: [], colours: [], project: null }));

const projectNow = (): string | undefined => useSaving.getState().open?.projectId;

/** Reads the shelf of the open project; where the server can't be reached, what was known stays. */
export async function readShelf(): Promise<void> {
  const project = projectNow();
  if (!project) return;
  try {
    const shelf = await call<Pick<ShelfState, 'items' | 'colours'>>('GET', `/api/projects/${project}/shelf`);
    useShelf.setState({ ...shelf, project });
  } catch {
    // Offline the shelf is what it was; saving says that the server is away.
  }
}

/** Puts something on the shelf, or in place of the item with an id. Null where it could not, which is said. */
export async function keepOnShelf<K extends ShelfKind>(
  item: Extract<NewShelfItem, { kind: K }>,
  id?: string,
): Promise<ShelfItem<K> | null> {
  const project = projectNow();
  if (!project) return null;
  const path = `/api/projects/${project}/shelf`;
  try {
    const kept = await call<ShelfItem<K>>(id ? 'PUT' : 'POST', id ? `${path}/${id}` : path, item);
    await readShelf();
    return kept;
  } catch (error) {
    notify((error as Error).message);
    return null;
  }
}

/** What the shelf holds of a kind; read anew when a project is opened. */
export function useShelfItems<K extends ShelfKind>(kind: K): ShelfItem<K>[] {
  const project = useSaving((s) => s.open?.projectId);
  const items = useShelf((s) => s.items);
  useEffect(() => void readShelf(), [project]);
  return useMemo(() => items.filter((item): item is ShelfItem<K> => item.kind === kind), [items, kind]);
}

export async function takeOffShelf(id: string): Promise<void> {
  const project = projectNow();
  if (!project) return;
  try {
    await call('DELETE', `/api/projects/${project}/shelf/${id}`);
  } catch (error) {
    notify((error as Error).message);
  }
  await readShelf();
}
