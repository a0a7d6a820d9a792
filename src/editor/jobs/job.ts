import { pageSignal } from './page-scope';

/** How a job ended. */
export type Settled<T> =
  | { readonly status: 'done'; readonly value: T }
  | { readonly status: 'aborted' }
  | { readonly status: 'failed'; readonly error: Error };

/** Work that takes time: it goes on, can be ended, and always settles. */
export interface Job<T> {
  readonly signal: AbortSignal;
  /** Resolves at once when the job is aborted, however long its work takes to notice. */
  readonly settled: Promise<Settled<T>>;
  abort(): void;
}

/** What the work of a job is given. */
export interface Work {
  readonly signal: AbortSignal;
  /** Tells the share done, 0..1, and what is being done. After the job has ended nobody hears it. */
  progress(done: number, stage?: string): void;
}

/**
 * Starts a job. It ends with the page of the open piece at the latest, so that what is made for one piece never reaches
 * another: take its result only where `settled` says that it is done.
 * @param within a signal that ends it too; the page's own where none is given.
 */
export function startJob<T>(
  work: (its: Work) => Promise<T>,
  onProgress: (done: number, stage?: string) => void = () => {},
  within: AbortSignal = pageSignal(),
): Job<T> {
  const ending = new AbortController();
  const signal = AbortSignal.any([ending.signal, within]);
  const aborted = new Promise<Settled<T>>((resolve) => {
    const end = (): void => resolve({ status: 'aborted' });
    if (signal.aborted) end();
    else signal.addEventListener('abort', end, { once: true });
  });
  const worked = (async (): Promise<Settled<T>> => {
    try {
      const value = await work({
        signal,
        progress: (done, stage) => {
          if (!signal.aborted) onProgress(done, stage);
        },
      });
      return signal.aborted ? { status: 'aborted' } : { status: 'done', value };
    } catch (error) {
      if (signal.aborted) return { status: 'aborted' };
      return { status: 'failed', error: error instanceof Error ? error : new Error(String(error)) };
    }
  })();
  return { signal, settled: Promise.race([worked, aborted]), abort: () => ending.abort() };
}
