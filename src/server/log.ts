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

/** What Node says where the other end of a connection has gone: no fault of ours, and nothing is in a bad state by it. */
const GONE = [
  'ECONNRESET',
  'EPIPE',
  'ECONNABORTED',
  'ERR_STREAM_PREMATURE_CLOSE',
  'ERR_STREAM_DESTROYED',
  'ABORT_ERR',
];

/** Ends the process on an error that nothing caught, with one line; whoever started it starts it again. One of a connection that is gone ends nothing. */
export function endOnFaults(what: string): void {
  const end = (error: unknown): void => {
    const { code, name } = (error ?? {}) as { code?: unknown; name?: unknown };
    if (GONE.includes(String(code)) || name === 'AbortError') {
      logError('a connection ended', error);
      return;
    }
    logError(`the ${what} ends`, error);
    process.exit(1);
  };
  process.on('uncaughtException', end);
  process.on('unhandledRejection', end);
}
