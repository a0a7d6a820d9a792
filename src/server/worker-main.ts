import { startWorker } from './exports/worker';
import { endOnFaults } from './log';

/** The export worker as a process of its own; more of them, on this or other machines, share the queue. */
endOnFaults('export worker');
const stop = await startWorker();
const leave = (): void => {
  void stop().finally(() => process.exit(0));
};
process.on('SIGTERM', leave);
process.on('SIGINT', leave);
// Whoever started the worker holds its input open: when that ends, the starter is gone.
if (process.env.OBELUS_LEASH) process.stdin.on('end', leave).resume();
console.log('worker ready');
