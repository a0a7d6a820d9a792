import { resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import { databaseUrl } from '../database';
import type { ExportPartRow, ExportRow } from '../database';

/** How often a running export says that it lives, and how long one frame may take before it counts as stuck. */
const EVERY_MS = 500;
const STUCK_MS = 10 * 60_000;

/** The life sign of a running export, or of one part of it. */
export interface Heartbeat {
  /** Tells how many frames are done; answers false when it should stop or has been given to another worker. */
  progress(framesDone: number): boolean;
  /** Ends it. */
  stop(): void;
}

/** Of an export that is made in parts, their frames count. */
const OF_EXPORT = `UPDATE exports SET heartbeat_at = now(), frames_done =
     LEAST(frames_total, COALESCE((SELECT sum(frames_done) FROM export_parts WHERE export_id = $2), $1::bigint))
   WHERE id = $2 AND run_id = $3 AND status = 'running' RETURNING cancel_requested AS stop`;

/** A part lives on while its export waits for another worker to look after it. */
const OF_PART = `UPDATE export_parts p SET heartbeat_at = now(), frames_done = $1 FROM exports e
   WHERE p.export_id = $2 AND p.run_id = $3 AND p.status = 'running' AND e.id = p.export_id
   RETURNING e.cancel_requested OR e.status NOT IN ('running', 'queued') AS stop`;

/** Starts to tell that an export lives; it goes on while a frame is painted, however long that takes. */
export const startHeartbeat = ({ id, runId }: ExportRow): Heartbeat => beating(OF_EXPORT, [id, runId]);

/** The same for a part. */
export const startPartHeartbeat = ({ exportId, runId }: ExportPartRow): Heartbeat =>
  beating(OF_PART, [exportId, runId]);

const THREAD = 'src/server/exports/heartbeat-thread.mjs';

/** @param statement is given how many frames are done and then the values, and answers with one row and whether to `stop`. */
function beating(statement: string, values: readonly (string | null)[]): Heartbeat {
  const shared = new SharedArrayBuffer(8);
  const cells = new Int32Array(shared);
  const thread = new Worker(resolve(/* turbopackIgnore: true */ process.cwd(), THREAD), {
    execArgv: [],
    workerData: {
      databaseUrl: databaseUrl(),
      statement,
      values,
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
