import { setTimeout as wait } from 'node:timers/promises';
import { bin, end, plain, ROOT, start } from './run.mjs';
import { Stop } from './say.mjs';
import { join } from 'node:path';

/**
 * Keeps a process running: when it ends by itself it is started again, a little later each time it fails quickly.
 * @returns a function that ends it for good.
 * @param {string} name
 * @param {() => import('node:child_process').ChildProcess} launch
 * @param {(name: string, pid: number) => void} note
 */
function keep(name, launch, note) {
  /** @type {import('node:child_process').ChildProcess | undefined} */
  let child;
  let stopped = false;
  let failures = 0;
  const go = () => {
    const began = Date.now();
    const launched = launch();
    child = launched;
    if (launched.pid) note(name, launched.pid);
    launched.once('exit', async (code, signal) => {
      if (stopped) return;
      failures = Date.now() - began > 10_000 ? 0 : failures + 1;
      console.error(`· the ${name} ended (${signal ?? `code ${code}`}); starting it again`);
      await wait(Math.min(10_000, 300 * 2 ** failures));
      if (!stopped) go();
    });
  };
  go();
  return async () => {
    stopped = true;
    await end(child);
  };
}

/**
 * Runs a TypeScript program of the project to its end, with its output shown.
 * @param {string} file
 * @param {import('node:child_process').SpawnOptions} [options]
 */
export const tsx = (file, options = {}) => start(bin('tsx'), [join(ROOT, file)], options);

/**
 * Starts the web server and the export worker.
 * @param {object} options
 * @param {number} options.port
 * @param {Record<string, string | undefined>} options.env
 * @param {boolean} [options.dev]
 * @param {(name: string, pid: number) => void} [options.note] is told the process ids, so that a later start can end what a killed one left.
 * @returns at once: how to stop both, and a promise that resolves when the server answers.
 */
export function serve({ port, env, dev = false, note = () => {} }) {
  /** @type {NodeJS.ProcessEnv} */
  const all = {
    ...process.env,
    ...env,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: dev ? 'development' : 'production',
  };
  const web = keep(
    'web server',
    () =>
      dev
        ? start(bin('next'), ['dev', '-H', '127.0.0.1', '-p', String(port)], { env: all })
        : start(process.execPath, plain('src/web-main.ts'), {
            env: { ...all, PORT: String(port), OBELUS_LEASH: '1' },
            stdio: ['pipe', 'ignore', 'inherit'],
          }),
    note,
  );
  const worker = keep(
    'export worker',
    () =>
      dev
        ? start(bin('tsx'), ['watch', join(ROOT, 'src/server/worker-main.ts')], {
            env: { ...all, OBELUS_LEASH: '' },
            stdio: ['pipe', 'ignore', 'inherit'],
          })
        : start(process.execPath, plain('src/server/worker-main.ts'), {
            env: { ...all, OBELUS_LEASH: '1' },
            stdio: ['pipe', 'ignore', 'inherit'],
          }),
    note,
  );
  const address = `http://127.0.0.1:${port}`;
  const stop = () => Promise.all([web(), worker()]);
  const answer = async () => {
    const deadline = Date.now() + 90_000;
    while (
      !(await fetch(`${address}/api/health`).then(
        (r) => r.ok,
        () => false,
      ))
    ) {
      if (Date.now() > deadline) {
        throw new Stop(
          `The web server did not answer at ${address} within 90 seconds; what it said stands above.`,
        );
      }
      await wait(100);
    }
  };
  return { address, stop, ready: answer() };
}
