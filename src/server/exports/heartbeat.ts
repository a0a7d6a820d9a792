import { Worker } from 'node:worker_threads';
import { databaseUrl } from '../database';
import type { ExportRow } from '../database';

/** How often a running export says that it lives, and how long one frame may take before it counts as stuck. */
const EVERY_MS = 500;
const STUCK_MS = 10 * 60_000;

/** The life sign of a running export. */
export interface Heartbeat {
  /** Tells how many frames are done; answers false when the export should stop or has been given to another worker. */
  progress(framesDone: number): boolean;
  /** Ends it. */
  stop(): void;
}

/** Starts to tell that an export lives; it goes on while a frame is painted, however long that takes. */
export function startHeartbeat(row: ExportRow): Heartbeat {
  const shared = new SharedArrayBuffer(8);
  const cells = new Int32Array(shared);
  const thread = new Worker(new URL('./heartbeat-thread.mjs', import.meta.url), {
    execArgv: [],
    workerData: {
      databaseUrl: databaseUrl(),
      exportId: row.id,
      runId: row.runId,
      shared,
      everyMs: EVERY_MS,
      stuckMs: STUCK_MS,
    },
  });
  thread.unref();
  return {
    progress(framesDone) {
      Atomics.store(cells, 0, framesDone);
      return Atomics.load(cells, 1) === 0;
    },
    stop: () => thread.postMessage('end'),
  };
}
