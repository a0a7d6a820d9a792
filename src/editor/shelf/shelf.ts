import { useMemo } from 'react';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { SHELF, type NewShelfItem, type Shelf, type ShelfItem, type ShelfKind } from '@/contract';
import { notify } from '@/ui';
import { queries } from '../queries';
import { call, useSaving } from '../saving';

const projectNow = (): string | undefined => useSaving.getState().open?.projectId;

const shelfOf = (project: string | undefined) =>
  queryOptions({
    queryKey: ['shelf', project],
    queryFn: () => call(SHELF.read, { params: { id: project! } }),
    enabled: project !== undefined,
    // Offline the shelf is what it was; saving says that the server is away.
    staleTime: 10_000,
  });

const EMPTY: Shelf = { items: [], colours: [] };

/** What the open project keeps for reuse, as last heard from the server. */
export const useShelf = (): Shelf => useQuery(shelfOf(useSaving((s) => s.open?.projectId))).data ?? EMPTY;

/** Does something to the shelf and reads it anew; null where it could not, which is said. */
async function change<T>(act: (project: string) => Promise<T>): Promise<T | null> {
  const project = projectNow();
  if (!project) return null;
  try {
    return await act(project);
  } catch (error) {
    notify((error as Error).message);
    return null;
  } finally {
    await queries.invalidateQueries({ queryKey: ['shelf', project] });
  }
}

/** Puts something on the shelf, or in place of the item with an id. Null where it could not, which is said. */
export const keepOnShelf = <K extends ShelfKind>(
  item: Extract<NewShelfItem, { kind: K }>,
  id?: string,
): Promise<ShelfItem<K> | null> =>
  change(
    (project) =>
      (id
        ? call(SHELF.change, { params: { id: project, item: id }, body: item })
        : call(SHELF.add, { params: { id: project }, body: item })) as Promise<ShelfItem<K>>,
  );

/** What the shelf holds of a kind. */
export function useShelfItems<K extends ShelfKind>(kind: K): ShelfItem<K>[] {
  const { items } = useShelf();
  return useMemo(() => items.filter((item): item is ShelfItem<K> => item.kind === kind), [items, kind]);
}

export const takeOffShelf = (id: string): Promise<unknown> =>
  change((project) => call(SHELF.remove, { params: { id: project, item: id } }));
