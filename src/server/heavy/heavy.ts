import { DiskFull } from '../disk';
import { HttpError } from '../http/http-error';
import { startPool, type Pool, type WorkLimits } from './pool';
import { Refused } from './refused';
import type { Report, TaskName, Tasks } from './tasks';

/** What is known of a task before it is done. */
interface TaskFacts extends WorkLimits {
  /** Whether somebody waits for it who saves: it has a process to itself, kept warm for longer. */
  readonly short: boolean;
}

const SHORT = { short: true, seconds: 20, megabytes: 1000 } as const;
const LONG = { short: false, seconds: 30, megabytes: 1500 } as const;

const FACTS: Readonly<Record<TaskName, TaskFacts>> = {
  readBody: SHORT,
  checkDocument: SHORT,
  patchDocument: SHORT,
  picture: LONG,
  face: LONG,
  received: LONG,
  projectFile: { ...LONG, seconds: 60 },
  archiveProject: { ...LONG, seconds: 60 },
  thumbnail: { ...LONG, seconds: 20, megabytes: 1200 },
  strip: { ...LONG, seconds: 20, megabytes: 1200 },
};

/** Two for long work, so that one slow picture holds up no others; they stand back behind the web server. One for what is saved. */
const POOLS = {
  short: { processes: 1, niceness: 0, idleMs: 60_000 },
  long: { processes: 2, niceness: 5, idleMs: 15_000 },
} as const;

/** One of each a process: kept over hot reloads, and shared by the framework's bundle of the routes and that of the server. */
const kept = globalThis as { obelusHeavy?: Partial<Record<keyof typeof POOLS, Pool>> };

const poolOf = (which: keyof typeof POOLS): Pool => {
  kept.obelusHeavy ??= {};
  return (kept.obelusHeavy[which] ??= startPool(POOLS[which]));
};

/** Milliseconds that work stands back for each byte it is given: of what waits the smaller comes first, and nothing waits for ever. */
const MS_A_BYTE = 0.002;
const MOST_BACK = 10_000;
/** So long work that nobody asked for yet stands back, ms. */
const AHEAD_OF_TIME = 5_000;

interface HeavyOptions {
  readonly limits?: WorkLimits;
  /** How much there is to it, in bytes of what is read. */
  readonly bytes?: number;
  /** Whether it is made before anybody asks. */
  readonly ahead?: boolean;
}

/** What a process reports that it failed at, as what was thrown there. */
function errorOf(report: Extract<Report, { ok: false }>): Error {
  if (report.is === 'http') return new HttpError(report.status, report.message, report.details);
  if (report.is === 'full') return new DiskFull();
  return report.is === 'refused' ? new Refused(report.message) : new Error(report.message);
}

/**
 * Does heavy work in a process of its own, so that no other request waits for it, with limits of processor time and memory.
 * @throws Refused where what was given can't be used, HttpError where it takes too much or too many wait already.
 */
export async function runHeavy<T extends TaskName>(
  task: T,
  input: Parameters<Tasks[T]>[0],
  { limits, bytes = 0, ahead = false }: HeavyOptions = {},
): Promise<Awaited<ReturnType<Tasks[T]>>> {
  const facts = FACTS[task];
  const due = Date.now() + (ahead ? AHEAD_OF_TIME : 0) + Math.min(MOST_BACK, bytes * MS_A_BYTE);
  const report = await poolOf(facts.short ? 'short' : 'long').run({
    order: { task, input },
    limits: limits ?? facts,
    due,
  });
  if (!report.ok) throw errorOf(report);
  return report.value as Awaited<ReturnType<Tasks[T]>>;
}

/** Ends all processes that wait for work. */
export function endHeavy(): void {
  for (const pool of Object.values(kept.obelusHeavy ?? {})) pool.end();
}
