import { fork, type ChildProcess } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { setPriority } from 'node:os';
import { resolve } from 'node:path';
import type { Order, Report } from './tasks';

/** What one order may take. Processor time, not the clock: on a busy machine the same work is the same. */
export interface WorkLimits {
  /** Seconds of processor time. */
  readonly seconds: number;
  readonly megabytes: number;
}

/** How a pool of processes is kept. */
interface PoolSettings {
  /** Processes at a time. */
  readonly processes: number;
  /** How far the processes stand back behind others on the machine: 0 for not at all, up to 19. */
  readonly niceness: number;
  /** A process that has had nothing to do for so long is ended, ms, and its memory is free again. */
  readonly idleMs: number;
}

/** One order for a pool. */
export interface Work {
  readonly order: Order;
  readonly limits: WorkLimits;
  /** When its turn comes among those that wait, ms: short work stands before long work that came a little earlier. */
  readonly due: number;
}

export interface Pool {
  /**
   * What became of it, said plainly and never thrown: a pool is shared by programs that are bundled each by itself, and whose errors are
   * classes of their own.
   */
  run(work: Work): Promise<Report>;
  /** Ends the processes that wait for work. */
  end(): void;
}

/** Orders that may wait; one more is refused at once, so that nobody waits for ever. */
const MOST_WAITING = 200;
/** After so many orders a process is ended: what native code keeps does not pile up. */
const ORDERS_EACH = 300;
const WATCH_MS = 200;
/** On a busy machine work may take so many times its processor time before it is given up. */
const PATIENCE = 8;
const LEAST_PATIENCE_S = 60;
/** Ticks of processor time a second, as Linux counts them (proc(5), sysconf(_SC_CLK_TCK)). */
const TICKS = 100;
const PAGE_BYTES = 4096;

const MAIN = 'src/server/heavy/heavy-main.ts';

interface Worker {
  readonly child: ChildProcess;
  alive: boolean;
  orders: number;
  idle?: NodeJS.Timeout;
}

interface Waiting extends Work {
  readonly resolve: (report: Report) => void;
  /** Whether a process that worked on it came to its end before: it is tried twice. */
  again: boolean;
}

/** Processor time of a process, s, and its resident memory, bytes; null once it is gone. */
async function usageOf(pid: number): Promise<{ seconds: number; bytes: number } | null> {
  try {
    const [stat, statm] = await Promise.all([
      readFile(`/proc/${pid}/stat`, 'utf8'),
      readFile(`/proc/${pid}/statm`, 'utf8'),
    ]);
    // The name of the program stands in parentheses and may hold spaces; utime and stime are fields 14 and 15.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    const ticks = Number(fields[11]) + Number(fields[12]);
    return { seconds: ticks / TICKS, bytes: Number(statm.split(' ')[1]) * PAGE_BYTES };
  } catch {
    return null;
  }
}

function startProcess(niceness: number): Worker {
  const child = fork(resolve(/* turbopackIgnore: true */ process.cwd(), 'scripts/plain.mjs'), [MAIN], {
    execArgv: ['--max-old-space-size=1024'],
    // Only what it prints of its own faults; never what it was given.
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    serialization: 'advanced',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const worker: Worker = { child, alive: true, orders: 0 };
  // Heard for as long as it lives, at work or idle: an error that nobody hears ends the web server.
  child.on('error', () => (worker.alive = false));
  child.on('exit', () => (worker.alive = false));
  child.on('disconnect', () => (worker.alive = false));
  try {
    if (niceness > 0 && child.pid) setPriority(child.pid, niceness);
  } catch {
    // It ended already: whoever gives it work hears of that.
  }
  rest(child);
  return worker;
}

const refusal = (status: number, message: string): Report => ({
  ...{ ok: false, is: 'http', message, status },
  details: {},
});

/** A process at rest keeps nobody from ending. */
function rest(child: ChildProcess): void {
  child.unref();
  child.channel?.unref();
}

/** A few processes that each do one order at a time. A process that comes to its end costs its order a second try. */
export function startPool({ processes, niceness, idleMs }: PoolSettings): Pool {
  const waiting: Waiting[] = [];
  let idle: Worker[] = [];
  let busy = 0;

  function done(worker: Worker, usable: boolean): void {
    busy--;
    if (!usable || !worker.alive || worker.orders >= ORDERS_EACH) worker.child.kill('SIGKILL');
    else {
      rest(worker.child);
      idle.push(worker);
      worker.idle = setTimeout(() => {
        idle = idle.filter((one) => one !== worker);
        worker.child.kill('SIGKILL');
      }, idleMs).unref();
    }
    next();
  }

  function take(): Waiting | undefined {
    let first = 0;
    waiting.forEach(({ due }, i) => {
      if (due < waiting[first]!.due) first = i;
    });
    return waiting.splice(first, 1)[0];
  }

  function next(): void {
    if (busy >= processes) return;
    const work = take();
    if (!work) return;
    busy++;
    idle = idle.filter((worker) => worker.alive);
    const worker = idle.pop() ?? startProcess(niceness);
    clearTimeout(worker.idle);
    worker.orders++;
    give(worker, work);
  }

  function give(worker: Worker, work: Waiting): void {
    const { child } = worker;
    const { limits, order } = work;
    child.ref();
    child.channel?.ref();
    let settled = false;
    const settle = (usable: boolean, then: () => void): void => {
      if (settled) return;
      settled = true;
      clearInterval(watch);
      clearTimeout(patience);
      child.removeListener('message', reported);
      child.removeListener('exit', ended);
      then();
      done(worker, usable);
    };
    const stopped = (status: number, why: string): void =>
      settle(false, () => work.resolve(refusal(status, `${why} Nothing was changed.`)));
    const reported = (report: Report): void => settle(true, () => work.resolve(report));
    const ended = (): void => {
      if (work.again) stopped(422, 'It is too involved: the process that worked on it came to its end.');
      else
        settle(false, () => {
          work.again = true;
          waiting.push(work);
        });
    };
    const seconds = Math.max(LEAST_PATIENCE_S, limits.seconds * PATIENCE);
    const patience = setTimeout(
      () =>
        stopped(
          503,
          `The machine is too busy: this was not done within ${seconds} seconds. Try again in a moment.`,
        ),
      seconds * 1000,
    );
    let before: number | null = null;
    const look = async (): Promise<void> => {
      const usage = await usageOf(child.pid ?? 0);
      if (!usage || settled) return;
      before ??= usage.seconds;
      if (usage.seconds - before > limits.seconds)
        stopped(422, `It is too involved: it takes more than ${limits.seconds} seconds of a processor.`);
      else if (usage.bytes > limits.megabytes * 1e6)
        stopped(422, `It is too involved: it takes more than ${limits.megabytes} MB of memory.`);
    };
    const watch = setInterval(() => void look(), WATCH_MS);
    child.once('message', reported);
    child.once('exit', ended);
    // Its processor time so far is of earlier orders: it is read before this one is given.
    void look().then(() => {
      if (settled) return;
      child.send(order, (error) => {
        if (error) ended();
      });
    });
  }

  return {
    run(work) {
      if (waiting.length >= MOST_WAITING)
        return Promise.resolve(
          refusal(503, 'Obelus has too much to do just now. Nothing was changed; try again in a moment.'),
        );
      return new Promise((resolve) => {
        waiting.push({ ...work, resolve, again: false });
        next();
      });
    },
    end() {
      for (const { child, idle: timer } of idle.splice(0)) {
        clearTimeout(timer);
        child.kill('SIGKILL');
      }
    },
  };
}
