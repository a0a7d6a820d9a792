'use client';
import { useQueryClient } from '@tanstack/react-query';
import { notify } from '@/ui';

/** Runs a change, says so when it fails, and shows the list anew. Answers whether it was done. */
export function useChange(): (change: () => Promise<unknown>) => Promise<boolean> {
  const queries = useQueryClient();
  return async (change) => {
    let done = true;
    try {
      await change();
    } catch (error) {
      done = false;
      notify((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ['projects'] });
    return done;
  };
}
