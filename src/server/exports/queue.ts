import PgBoss from 'pg-boss';
import { databaseUrl } from '../database';
import { logError } from '../log';

export const QUEUE = 'exports';

/** A job only names its export; everything else stands in the table, so a job that is lost can be sent again. */
export interface ExportJob {
  readonly exportId: string;
  /** It asks for help with an export that is made in parts. */
  readonly help?: true;
}

const kept = globalThis as { obelusQueue?: Promise<PgBoss> };

async function open(supervise: boolean): Promise<PgBoss> {
  const boss = new PgBoss({ connectionString: databaseUrl(), supervise, schedule: false, max: 4 });
  boss.on('error', (error) => logError('queue of exports', error));
  await boss.start();
  await boss.createQueue(QUEUE, { name: QUEUE, policy: 'standard', retryLimit: 0, expireInHours: 12 });
  return boss;
}

/** The worker's own queue, which also keeps the archive tidy. */
export const openWorkerQueue = (): Promise<PgBoss> => open(true);

/** Asks the workers to take an export. */
export async function sendExport(exportId: string): Promise<void> {
  kept.obelusQueue ??= open(false).catch((error: unknown) => {
    delete kept.obelusQueue;
    throw error;
  });
  await (await kept.obelusQueue).send(QUEUE, { exportId } satisfies ExportJob);
}

export async function closeQueue(): Promise<void> {
  await (await kept.obelusQueue)?.stop({ graceful: false });
  delete kept.obelusQueue;
}
