const waiting: (() => void)[] = [];
let asked = false;

/** Safari has no idle callbacks: there a short rest has to do. */
const whenIdle = (run: () => void): void => {
  if (typeof requestIdleCallback === 'function') requestIdleCallback(run, { timeout: 500 });
  else setTimeout(run, 16);
};

function next(): void {
  waiting.shift()?.();
  asked = waiting.length > 0;
  if (asked) whenIdle(next);
}

/**
 * Does something when nothing else is to be done, one thing at a time, so that many of them never hold up what a person does.
 * @returns what takes it back where it was not done yet
 */
export function inIdle(run: () => void): () => void {
  waiting.push(run);
  if (!asked) {
    asked = true;
    whenIdle(next);
  }
  return () => {
    const at = waiting.indexOf(run);
    if (at >= 0) waiting.splice(at, 1);
  };
}
