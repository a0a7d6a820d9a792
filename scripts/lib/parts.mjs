import { readFileSync } from 'node:fs';
import { say } from './say.mjs';

/** Clock ticks a second in which Linux counts processor time, the same on all its machines. */
const TICKS = 100;

/** Processor time of what this process started and saw end, s. */
function childrenSeconds() {
  const fields = readFileSync('/proc/self/stat', 'utf8').split(') ').at(-1).split(' ');
  return (Number(fields[13]) + Number(fields[14])) / TICKS;
}

/** The parts of a run with what each may take of processor time, which hardly swings with how busy the machine is. */
export function parts() {
  const began = Date.now();
  const done = [];
  return {
    /** Does a part of the run. @param budget processor time that it takes on a quiet machine, s. */
    async part(name, budget, work) {
      const [from, used] = [Date.now(), childrenSeconds()];
      const result = await work();
      const row = {
        part: name,
        seconds: Math.round((Date.now() - from) / 1000),
        'of processor time': Math.round(childrenSeconds() - used),
        budget,
      };
      done.push(row);
      say(`${name}: ${row.seconds} s, ${row['of processor time']} s of processor time`);
      return result;
    },
    /** Prints all parts. @returns those that took more than twice their budget. */
    report() {
      console.table(done);
      say(`${Math.round((Date.now() - began) / 1000)} s in all`);
      return done.filter((row) => row['of processor time'] > 2 * row.budget).map((row) => row.part);
    },
  };
}
