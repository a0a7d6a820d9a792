import { freePort, openThrowAwayDatabase } from './database.mjs';
import { plain, runShown } from './run.mjs';
import { serve } from './serve.mjs';

/**
 * Runs something against a server of its own, with the sample world in a throw-away database.
 * @param {(env: NodeJS.ProcessEnv) => any} run is given the environment that leads to it: DATABASE_URL and BASE_URL.
 */
export async function withSampleServer(run) {
  const database = await openThrowAwayDatabase();
  const env = { ...process.env, DATABASE_URL: database.url };
  /** @type {ReturnType<typeof serve> | undefined} */
  let served;
  try {
    runShown(process.execPath, plain('scripts/prepare.ts'), { env });
    served = serve({ port: await freePort(), env });
    await served.ready;
    return await run({ ...env, BASE_URL: served.address });
  } finally {
    await served?.stop();
    database.stop();
  }
}
