import { wrap, type Remote } from 'comlink';

/** Calls to one web worker, one after another. */
interface WorkerLine<W> {
  /**
   * Makes a call when those before it are through. A call that is aborted while it waits leaves the line; one that runs
   * takes its worker with it, and those behind it get a new one. Rejects then, and when the worker breaks.
   */
  run<T>(call: (remote: Remote<W>) => Promise<T>, signal: AbortSignal): Promise<T>;
  /**
   * Starts the worker before it is needed and lets it warm up, which no call waits for; does nothing where there is one.
   * Resolves when it is warm, or never where the worker ends before that.
   */
  prepare(warmUp: (remote: Remote<W>) => Promise<unknown>): Promise<void>;
}

/** The parts of a worker that a line needs; tests give their own. */
type WorkerLike = Pick<Worker, 'terminate' | 'addEventListener' | 'removeEventListener'>;

/** A line of calls to a worker, which is started when it is first needed, or prepared, and kept. */
export function workerLine<W>(
  start: () => WorkerLike,
  connect: (worker: WorkerLike) => Remote<W> = (worker) => wrap<W>(worker as Worker),
): WorkerLine<W> {
  let kept: { worker: WorkerLike; remote: Remote<W> } | null = null;
  let last: Promise<unknown> = Promise.resolve();

  const drop = (): void => {
    kept?.worker.terminate();
    kept = null;
  };

  function started(): { worker: WorkerLike; remote: Remote<W> } {
    if (!kept) {
      const worker = start();
      kept = { worker, remote: connect(worker) };
    }
    return kept;
  }

  function call<T>(ask: (remote: Remote<W>) => Promise<T>, signal: AbortSignal): Promise<T> {
    if (signal.aborted) return Promise.reject(signal.reason as Error);
    const { worker, remote } = started();
    return new Promise<T>((resolve, reject) => {
      const settle = (): void => {
        signal.removeEventListener('abort', aborted);
        worker.removeEventListener('error', broken);
      };
      const aborted = (): void => {
        settle();
        drop();
        reject(signal.reason as Error);
      };
      const broken = (event: Event): void => {
        settle();
        drop();
        reject(new Error((event as ErrorEvent).message || 'The worker stopped.'));
      };
      signal.addEventListener('abort', aborted);
      worker.addEventListener('error', broken);
      ask(remote).then(
        (value) => {
          settle();
          resolve(value);
        },
        (error: unknown) => {
          settle();
          reject(error);
        },
      );
    });
  }

  return {
    run(ask, signal) {
      const mine = last.then(() => call(ask, signal));
      last = mine.catch(() => {});
      return mine;
    },
    async prepare(warmUp) {
      if (kept) return;
      const { worker, remote } = started();
      // A worker that breaks before it is needed is let go of without a word: the call that needs one begins anew.
      worker.addEventListener('error', () => kept?.worker === worker && drop());
      await warmUp(remote).catch(() => {});
    },
  };
}
