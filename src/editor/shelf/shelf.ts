import { create } from 'zustand';
import type { Ink } from '@/core/document';
import { notify } from '@/ui';
import { call, useSaving } from '../saving';

/** An ink kept for all pieces of the project. */
export interface ShelfStyle {
  readonly id: string;
  readonly kind: 'style';
  readonly name: string;
  readonly content: Ink;
}

interface ShelfState {
  readonly items: readonly ShelfStyle[];
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

/** Puts an ink on the shelf, or in place of the item with an id. Null where it could not, which is said. */
export async function keepStyle(name: string, content: Ink, id?: string): Promise<ShelfStyle | null> {
  const project = projectNow();
  if (!project) return null;
  const path = `/api/projects/${project}/shelf`;
  try {
    const item = await call<ShelfStyle>(id ? 'PUT' : 'POST', id ? `${path}/${id}` : path, {
      kind: 'style',
      name,
      content,
    });
    await readShelf();
    return item;
  } catch (error) {
    notify((error as Error).message);
    return null;
  }
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
