// Says that a running export, or a part of it, lives, from a thread of its own: painting one frame may take longer than its silence may last.
import { parentPort, workerData } from 'node:worker_threads';
import pg from 'pg';

const { databaseUrl, statement, values, shared, everyMs, stuckMs } = workerData;
const [FRAMES, STOP] = [0, 1];
const cells = new Int32Array(shared);
const pool = new pg.Pool({ connectionString: databaseUrl, max: 1 });
pool.on('error', () => {});
let seen = -1;
let since = Date.now();

async function beat() {
  const frames = Atomics.load(cells, FRAMES);
  if (frames !== seen) [seen, since] = [frames, Date.now()];
  // A frame that never comes to its end is no life.
  if (Date.now() - since > stuckMs) return;
  try {
    const { rows } = await pool.query({ text: statement, values: [frames, ...values] });
    // Gone to another worker, or to be stopped.
    /** @type {{ stop: boolean } | undefined} */
    const row = rows[0];
    if (!row || row.stop) Atomics.store(cells, STOP, 1);
  } catch {
    // The database is away for the moment; the next beat tries again.
  }
}

/** @type {NodeJS.Timeout} */
let timer;
const go = async () => {
  await beat();
  timer = setTimeout(go, everyMs);
};
void go();
parentPort?.once('message', async () => {
  clearTimeout(timer);
  await pool.end().catch(() => {});
  process.exit(0);
});
