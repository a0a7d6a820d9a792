import { asDiskFull, DiskFull } from '../disk';
import { HttpError } from '../http/http-error';
import { Refused } from './refused';
import { TASKS, type Order, type Report } from './tasks';

function reportOf(error: unknown): Report {
  const { message } = error as Error;
  if (error instanceof HttpError)
    return { ok: false, is: 'http', message, status: error.status, details: error.details };
  if (asDiskFull(error) instanceof DiskFull) return { ok: false, is: 'full', message };
  return { ok: false, is: error instanceof Refused ? 'refused' : 'fault', message };
}

/** A process that does heavy work for the web server, one order at a time; whoever started it may end it at any moment. */
process.on('message', async ({ task, input }: Order) => {
  let report: Report;
  try {
    report = { ok: true, value: await (TASKS[task] as (input: unknown) => Promise<unknown>)(input) };
  } catch (error) {
    report = reportOf(error);
  }
  process.send!(report);
});
process.on('disconnect', () => process.exit(0));
