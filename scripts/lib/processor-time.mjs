import { readdirSync, readFileSync } from 'node:fs';

/** Clock ticks a second in which Linux counts processor time, the same on all its machines. */
const TICKS = 100;
const EVERY_MS = 300;

/**
 * What Linux tells of a process after its name, which may hold anything.
 * @param {string} pid
 */
const factsOf = (pid) => (readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1) ?? '').split(' ');

/** Each process that runs: its parent, when it began, and its processor time, s. */
function processes() {
  const found = new Map();
  for (const name of readdirSync('/proc')) {
    const pid = Number(name);
    if (!Number.isInteger(pid)) continue;
    try {
      const fields = factsOf(name);
      const seconds = (Number(fields[11]) + Number(fields[12])) / TICKS;
      found.set(pid, { parent: Number(fields[1]), began: fields[19], seconds });
    } catch {
      // It has ended meanwhile.
    }
  }
  return found;
}

/** Processor time of all that this process started and waited for, s. */
function waitedFor() {
  const fields = factsOf('self');
  return (Number(fields[13]) + Number(fields[14])) / TICKS;
}

/**
 * Counts the processor time of what this process starts, directly and by others. It looks now and then, as a browser's processes are
 * never waited for by whoever started them; what is between the last look and the end of a process is not counted. While this process
 * stands still and waits for one that it started, it can't look: then what that took is known in the end.
 * @returns the seconds until now, and how counting ends.
 */
export function countProcessorTime() {
  const before = waitedFor();
  const seen = new Map();
  const look = () => {
    const all = processes();
    /** @param {number} pid */
    const isOurs = (pid) => {
      for (let at = all.get(pid)?.parent; at; at = all.get(at)?.parent) if (at === process.pid) return true;
      return false;
    };
    for (const [pid, { began, seconds }] of all) {
      const key = `${pid} ${began}`;
      if (seen.has(key) || isOurs(pid)) seen.set(key, seconds);
    }
  };
  const timer = setInterval(look, EVERY_MS);
  timer.unref();
  return {
    seconds() {
      look();
      const looked = [...seen.values()].reduce((sum, one) => sum + one, 0);
      return Math.max(looked, waitedFor() - before);
    },
    end: () => clearInterval(timer),
  };
}
