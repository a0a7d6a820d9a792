import { fork, type ChildProcess } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { HttpError } from '../http/http-error';
import { Refused } from './refused';
import type { Report, TaskName, Tasks } from './tasks';

/** Processes at a time: one beside the web server on two cores. */
const PROCESSES = 1;
/** Orders that may wait; one more is refused at once, so that nobody waits for ever. */
const MOST_WAITING = 200;
const LIMITS = { seconds: 30, megabytes: 1500 } as const;
/** A process that has done nothing for so long is ended, ms, and its memory is free again. */
const IDLE_MS = 15_000;
/** After so many orders a process is ended: what native code keeps does not pile up. */
const ORDERS_EACH = 300;
const WATCH_MS = 250;

interface Worker {
  readonly child: ChildProcess;
  orders: number;
  idle?: NodeJS.Timeout;
}

interface Waiting {
  readonly order: { readonly task: TaskName; readonly input: unknown };
  readonly limits: { readonly seconds: number; readonly megabytes: number };
  readonly resolve: (value: unknown) => void;
  readonly reject: (error: Error) => void;
}

const pool: { idle: Worker[]; busy: number; waiting: Waiting[] } = { idle: [], busy: 0, waiting: [] };

const MAIN = 'src/server/heavy/heavy-main.ts';

function start(): Worker {
  const child = fork(resolve(/* turbopackIgnore: true */ process.cwd(), 'scripts/plain.mjs'), [MAIN], {
    execArgv: ['--max-old-space-size=1024'],
    // Only what it prints of its own faults; never what it was given.
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    serialization: 'advanced',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  child.unref();
  child.channel?.unref();
  return { child, orders: 0 };
}

/** Memory a process takes, bytes: its resident pages, as Linux counts them. */
async function memoryOf(pid: number): Promise<number> {
  const pages = (await readFile(`/proc/${pid}/statm`, 'utf8').catch(() => '0 0')).split(' ')[1];
  return Number(pages) * 4096;
}

function done(worker: Worker, alive: boolean): void {
  pool.busy--;
  if (!alive || worker.orders >= ORDERS_EACH) worker.child.kill('SIGKILL');
  else {
    worker.child.unref();
    worker.child.channel?.unref();
    pool.idle.push(worker);
    worker.idle = setTimeout(() => {
      pool.idle = pool.idle.filter((one) => one !== worker);
      worker.child.kill('SIGKILL');
    }, IDLE_MS).unref();
  }
  next();
}

function next(): void {
  if (pool.busy >= PROCESSES) return;
  const work = pool.waiting.shift();
  if (!work) return;
  pool.busy++;
  const worker = pool.idle.pop() ?? start();
  clearTimeout(worker.idle);
  worker.orders++;
  const { child } = worker;
  child.ref();
  child.channel?.ref();

  const settle = (alive: boolean, then: () => void): void => {
    clearInterval(watch);
    clearTimeout(limit);
    child.removeListener('message', reported);
    child.removeListener('exit', ended);
    then();
    done(worker, alive);
  };
  const stopped = (why: string): void =>
    settle(false, () => work.reject(new HttpError(422, `${why} Nothing was changed.`)));
  const reported = (report: Report): void =>
    settle(true, () => {
      if (report.ok) work.resolve(report.value);
      else work.reject(report.refused ? new Refused(report.message) : new Error(report.message));
    });
  const ended = (): void => stopped('It is too involved: the process that worked on it came to its end.');
  const limit = setTimeout(
    () => stopped(`It is too involved: it would take longer than ${work.limits.seconds} seconds.`),
    work.limits.seconds * 1000,
  );
  const watch = setInterval(async () => {
    if (
      (await memoryOf(child.pid ?? 0)) > work.limits.megabytes * 1e6 &&
      child.listeners('message').includes(reported)
    )
      stopped(`It is too involved: it takes more than ${work.limits.megabytes} MB of memory.`);
  }, WATCH_MS);
  child.once('message', reported);
  child.once('exit', ended);
  child.send(work.order);
}

/**
 * Does heavy work in a process of its own, so that no other request waits for it, with limits of time and memory.
 * @throws Refused where what was given can't be used, HttpError where it takes too much or too many wait already.
 */
export function runHeavy<T extends TaskName>(
  task: T,
  input: Parameters<Tasks[T]>[0],
  limits: { readonly seconds: number; readonly megabytes: number } = LIMITS,
): Promise<Awaited<ReturnType<Tasks[T]>>> {
  if (pool.waiting.length >= MOST_WAITING)
    return Promise.reject(
      new HttpError(503, 'Obelus has too much to do just now. Nothing was changed; try again in a moment.'),
    );
  return new Promise((resolve, reject) => {
    pool.waiting.push({
      order: { task, input },
      limits,
      resolve: resolve as (value: unknown) => void,
      reject,
    });
    next();
  });
}

/** Ends all processes that wait for work. */
export function endHeavy(): void {
  for (const { child, idle } of pool.idle.splice(0)) {
    clearTimeout(idle);
    child.kill('SIGKILL');
  }
}
