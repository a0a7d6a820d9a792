import { randomUUID } from 'node:crypto';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import next from 'next';
import { ANSWER_HEADERS, DATA_POLICY } from './answer-headers';
import * as health from './app/api/health/route';
import * as piece from './app/api/pieces/[id]/route';
import * as revision from './app/api/pieces/[id]/revision/route';
import * as thumbnail from './app/api/pieces/[id]/thumbnail/route';
import * as picture from './app/api/pictures/[hash]/route';
import * as projects from './app/api/projects/route';
import { FILES, patternOf, PIECES, PROJECTS } from './contract';
import { refusedAddress } from './server/http';
import { endOnFaults, logError } from './server/log';

/** The built web application as a process of its own, on loopback alone. */
const port = Number(process.env.PORT);

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;

/**
 * What many readers ask for all the time is answered by its route handler at once: on the way through the framework a
 * request costs eight times as much. All else goes that way.
 */
const DIRECT: readonly { readonly pattern: RegExp; readonly handler: Handler }[] = (
  [
    [FILES.health, health.GET],
    [PROJECTS.list, projects.GET],
    [PIECES.open, piece.GET],
    [PIECES.revision, revision.GET],
    [FILES.thumbnail, thumbnail.GET],
    [FILES.picture, picture.GET],
  ] as const
).map(([{ path }, handler]) => ({ pattern: patternOf(path), handler }));

const DATA_HEADERS = { ...ANSWER_HEADERS, 'Content-Security-Policy': DATA_POLICY };

async function give(answer: Response, response: ServerResponse): Promise<void> {
  // All of it is in memory already: streamed, it would cost several times as much.
  const body = Buffer.from(await answer.arrayBuffer());
  const headers = new Headers(DATA_HEADERS);
  answer.headers.forEach((value, name) => headers.set(name, value));
  response.writeHead(answer.status, Object.fromEntries(headers));
  response.end(body);
}

/** So many readers are answered at a time; the others stand in a line, so that saves and the health check never wait for it. */
const AT_ONCE = 6;
/** One that takes longer waits for something else (a thumbnail that is made): it gives its place away, ms. */
const LONG = 100;
const line = { running: 0, waiting: [] as (() => void)[] };

async function inLine<T>(work: () => Promise<T>): Promise<T> {
  if (line.running >= AT_ONCE) await new Promise<void>((go) => line.waiting.push(go));
  else line.running++;
  let holds = true;
  const leave = (): void => {
    if (!holds) return;
    holds = false;
    // The next one takes this one's place.
    const next = line.waiting.shift();
    if (next) setImmediate(next);
    else line.running--;
  };
  const limit = setTimeout(leave, LONG);
  try {
    return await work();
  } finally {
    clearTimeout(limit);
    leave();
  }
}

/** Answers a request by its handler alone; false where the framework is to do it. */
async function direct(path: string, request: IncomingMessage, response: ServerResponse): Promise<boolean> {
  if (request.method !== 'GET') return false;
  for (const { pattern, handler } of DIRECT) {
    const found = pattern.exec(path);
    if (!found) continue;
    const headers = new Headers();
    for (const [name, value] of Object.entries(request.headers))
      if (typeof value === 'string') headers.set(name, value);
    const url = `http://127.0.0.1:${port}${request.url}`;
    const params = Promise.resolve({ ...found.groups });
    const work = async () => give(await handler(new Request(url, { headers }), { params }), response);
    await (handler === health.GET ? work() : inLine(work));
    return true;
  }
  return false;
}

endOnFaults('web server');
const app = next({ dev: false, hostname: '127.0.0.1', port });
await app.prepare();
const handle = app.getRequestHandler();

/** What anybody may ask for; the framework has no word for others, and some it answers after whoever asked has gone. */
const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
  if (!METHODS.includes(request.method ?? '')) {
    const words = { error: { message: `${request.method} is nothing that Obelus does.` } };
    return give(Response.json(words, { status: 405, headers: { Allow: METHODS.join(', ') } }), response);
  }
  let path: string;
  try {
    path = decodeURIComponent((request.url ?? '/').split('?', 1)[0]!);
  } catch {
    const words = { error: { message: 'This address can’t be read.' } };
    return give(Response.json(words, { status: 400 }), response);
  }
  const refused = refusedAddress(request.method ?? '', path);
  if (refused) {
    const { status, message, allow } = refused;
    const headers = allow ? { Allow: allow.join(', ') } : {};
    return give(Response.json({ error: { message } }, { status, headers }), response);
  }
  if (!(await direct(path, request, response))) await handle(request, response);
}

/** Idle connections are held longer than anybody pauses who works: one that is closed just when it is used again loses a request. */
const IDLE = 65_000;
const server = createServer({ keepAliveTimeout: IDLE, headersTimeout: IDLE + 1000 }, (request, response) => {
  // Whoever asked may go at any moment: that ends their answer and nothing else.
  request.on('error', () => response.destroy());
  response.on('error', () => {});
  answer(request, response).catch((error: unknown) => {
    // Whoever asked has gone: that is no fault.
    if (!request.destroyed && !response.destroyed) logError('answer failed', error);
    response.destroy();
  });
});
server.on('clientError', (_, socket) => socket.destroy());
/** The first page that a process makes takes it half a second more than any other: it is made before anyone asks. */
const warm = async (): Promise<void> => {
  for (const path of ['/', `/pieces/${randomUUID()}`])
    await fetch(`http://127.0.0.1:${port}${path}`)
      .then((page) => page.arrayBuffer())
      .catch(() => {});
};
server.listen(port, '127.0.0.1', () => void warm());

const leave = (): void => {
  server.close(() => process.exit(0));
  // Answers that are under way have a moment to be given.
  setTimeout(() => process.exit(0), 2000).unref();
  server.closeIdleConnections();
};
process.on('SIGTERM', leave);
process.on('SIGINT', leave);
// Whoever started it holds its input open: when that ends, the starter is gone.
if (process.env.OBELUS_LEASH) process.stdin.on('end', leave).resume();
