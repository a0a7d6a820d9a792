/**
 * So many pictures are asked for at once. A browser keeps six connections to a server: pictures that the server has yet to make
 * would take them all, and whatever a person does then would wait behind them.
 */
const AT_ONCE = 3;

let running = 0;
const waiting: (() => void)[] = [];

function next(): void {
  if (running >= AT_ONCE) return;
  const start = waiting.shift();
  if (!start) return;
  running++;
  start();
}

/**
 * Begins something when its turn comes; `done` is to be called once when it has ended, well or not.
 * @returns what gives the turn up, before or after it has come
 */
export function inTurn(begin: (done: () => void) => void): () => void {
  let over = false;
  let begun = false;
  const done = (): void => {
    if (over) return;
    over = true;
    running--;
    next();
  };
  const start = (): void => {
    begun = true;
    begin(done);
  };
  waiting.push(start);
  next();
  return () => {
    if (begun) return done();
    const at = waiting.indexOf(start);
    if (at >= 0) waiting.splice(at, 1);
    over = true;
  };
}
