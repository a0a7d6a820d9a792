import { Refused } from './refused';
import { TASKS, type Order, type Report } from './tasks';

/** A process that does heavy work for the web server, one order at a time; whoever started it may end it at any moment. */
process.on('message', async ({ task, input }: Order) => {
  let report: Report;
  try {
    report = { ok: true, value: await (TASKS[task] as (input: unknown) => Promise<unknown>)(input) };
  } catch (error) {
    report = { ok: false, refused: error instanceof Refused, message: (error as Error).message };
  }
  process.send!(report);
});
process.on('disconnect', () => process.exit(0));
