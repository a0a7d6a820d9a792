import { randomUUID } from 'node:crypto';

/** Characters of an error's own words that are shown: what it was given may stand among them. */
const MOST = 300;

/** The first words of an error, in one line, without what it was given. */
function wordsOf(error: unknown): string {
  if (!(error instanceof Error)) return 'something that is no error';
  const { name, message } = error;
  const code = (error as { code?: unknown }).code;
  const line = message.split('\n')[0]!.replace(/\s+/g, ' ').slice(0, MOST);
  return `${name}${typeof code === 'string' ? ` ${code}` : ''}: ${line}`;
}

/** Where in our own code an error arose, as `file:line`; empty where it can't be told. */
function placeOf(error: unknown): string {
  const own = (error as Error | null)?.stack?.split('\n').find((line) => /src\/|\.next\//.test(line));
  // Its last part is `file.ts:line:column)`.
  const last = own?.split(/[/\\(\s]/).at(-1) ?? '';
  return /^([\w.[\]-]+:\d+):\d+\)?$/.exec(last)?.[1] ?? '';
}

/** Writes one line about an error on the terminal; answers with the id that stands in it, by which it can be asked after. */
export function logError(what: string, error: unknown): string {
  const id = randomUUID().slice(0, 8);
  const place = placeOf(error);
  console.error(`[${id}] ${what}: ${wordsOf(error)}${place && ` (${place})`}`);
  return id;
}

/** Ends the process on an error that nothing caught, with one line; whoever started it starts it again. */
export function endOnFaults(what: string): void {
  const end = (error: unknown): void => {
    logError(`the ${what} ends`, error);
    process.exit(1);
  };
  process.on('uncaughtException', end);
  process.on('unhandledRejection', end);
}
