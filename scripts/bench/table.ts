/** One figure: what was measured, ours and the other's in one run, and the ratio that counts. */
export interface Row {
  readonly what: string;
  readonly ours: string;
  readonly other: string;
  readonly ratio: string;
  readonly note: string;
}

/** Median of times of `run`, ms, after a warm-up; for work too short to time alone give `inner` repeats. */
export function median(run: () => void, { rounds = 9, inner = 1 } = {}): number {
  const times: number[] = [];
  for (let i = 0; i < rounds + 2; i++) {
    const began = performance.now();
    for (let k = 0; k < inner; k++) run();
    if (i >= 2) times.push((performance.now() - began) / inner);
  }
  return middle(times);
}

export const middle = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[times.length >> 1]!;

export const us = (ms: number): string => `${(ms * 1000).toFixed(2)} µs`;
export const ms = (n: number): string => `${n.toFixed(n < 10 ? 2 : 0)} ms`;
export const times = (n: number): string => `${n.toFixed(n < 10 ? 2 : 0)}×`;

/** Hands the rows to the script that collects them. */
export const report = (rows: readonly Row[]): void => console.log(`ROWS ${JSON.stringify(rows)}`);
