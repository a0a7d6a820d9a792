import { countProcessorTime } from './processor-time.mjs';
import { say } from './say.mjs';

/** The parts of a run with what each may take of processor time, which hardly swings with how busy the machine is. */
export function parts() {
  const began = Date.now();
  /** @type {{ part: string; seconds: number; 'of processor time': number; budget: number }[]} */
  const done = [];
  return {
    /**
     * Does a part of the run.
     * @template Result
     * @param {string} name
     * @param {number} budget processor time that it takes on a quiet machine, s.
     * @param {() => Result | Promise<Result>} work
     */
    async part(name, budget, work) {
      const from = Date.now();
      const counted = countProcessorTime();
      const result = await work();
      const used = Math.round(counted.seconds());
      counted.end();
      const seconds = Math.round((Date.now() - from) / 1000);
      done.push({ part: name, seconds, 'of processor time': used, budget });
      say(`${name}: ${seconds} s, ${used} s of processor time`);
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
