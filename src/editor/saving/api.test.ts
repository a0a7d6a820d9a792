import { PIECES, PROJECTS, STORE_PICTURE } from '@/contract';
import type { ApiError } from './api';
import { call, isOutage, sendBytes } from './api';

const asked: { url: string; init: RequestInit }[] = [];
const server: { answer: () => Response | Promise<Response> } = { answer: () => Response.json({}) };
globalThis.fetch = (async (url: string, init: RequestInit) => {
  asked.push({ url, init });
  return server.answer();
}) as typeof fetch;

const ID = '7d444840-9dc0-41d1-8a3b-000000000000';
const fault = (promise: Promise<unknown>): Promise<ApiError> =>
  promise.then(
    () => {
      throw new Error('It went through.');
    },
    (error: unknown) => error as ApiError,
  );

test('an endpoint is asked at its address, its parameters made safe, its body as JSON', async () => {
  server.answer = () => Response.json({ revision: 3 });
  await expect(call(PIECES.restore, { params: { id: ID, revision: 2 } })).resolves.toEqual({ revision: 3 });
  expect(asked.at(-1)!.url).toBe(`/api/pieces/${ID}/revisions/2/restore`);
  expect(asked.at(-1)!.init).toMatchObject({ method: 'POST' });
  const body = { baseRevision: 1, session: 's', document: { name: 'A/B' } };
  server.answer = () => Response.json({ revision: 3, hash: 'a'.repeat(64) });
  await call(PIECES.save, { params: { id: '../x' }, body });
  expect(asked.at(-1)!.url).toBe('/api/pieces/..%2Fx');
  expect(JSON.parse(asked.at(-1)!.init.body as string)).toEqual(body);
  server.answer = () => Response.json({ hash: 'a'.repeat(64), width: 2, height: 3, more: true });
  await sendBytes(STORE_PICTURE, {}, new Blob(['x']), { name: 'Tide & reed.png' });
  expect(asked.at(-1)!.url).toBe('/api/pictures?name=Tide%20%26%20reed.png');
});

test('a refusal comes in the server’s words, with its details; what a proxy says in its place is said plainly', async () => {
  server.answer = () =>
    Response.json({ error: { message: 'It was changed elsewhere.', revision: 7 } }, { status: 409 });
  const stale = await fault(call(PIECES.revision, { params: { id: ID } }));
  expect(stale).toMatchObject({
    status: 409,
    message: 'It was changed elsewhere.',
    details: { revision: 7 },
  });
  expect(isOutage(stale)).toBe(false);
  server.answer = () => new Response('<html>Bad gateway</html>', { status: 502 });
  const broken = await fault(call(PROJECTS.list, {}));
  expect(broken).toMatchObject({ status: 502, message: 'The server answered with 502.' });
  expect(isOutage(broken)).toBe(true);
});

test('a server that is not there, and one that speaks of other things, are told apart from a refusal', async () => {
  server.answer = () => Promise.reject(new TypeError('network'));
  const away = await fault(call(PROJECTS.list, {}));
  expect(away.status).toBe(0);
  expect(isOutage(away)).toBe(true);
  server.answer = () => Response.json({ projects: [{ id: 'not an id' }] });
  const other = await fault(call(PROJECTS.list, {}));
  expect(other.message).toMatch(/does not understand\. Load the page again; what you did is kept/);
  server.answer = () => new Response('not JSON at all', { status: 200 });
  expect((await fault(call(PIECES.revision, { params: { id: ID } }))).message).toMatch(/does not understand/);
});

test('a request that makes something carries a key: the same while nobody knows whether it was done, another afterwards', async () => {
  const keyOf = () => (asked.at(-1)!.init.headers as Record<string, string>)['Idempotency-Key'];
  const make = () => call(PROJECTS.create, { body: { name: 'Once' } });
  const lost = () => Promise.reject(new TypeError('network'));
  server.answer = lost;
  await fault(make());
  const first = keyOf();
  expect(first).toMatch(/^[\w-]{8,100}$/);
  // What else is asked for meanwhile is something else.
  await fault(call(PROJECTS.create, { body: { name: 'Other' } }));
  expect(keyOf()).not.toBe(first);
  server.answer = () => Response.json({ id: ID, name: 'Once' });
  await make();
  expect(keyOf()).toBe(first);
  await make();
  expect(keyOf()).not.toBe(first);
  const second = keyOf();
  server.answer = () => Response.json({ error: { message: 'No.' } }, { status: 422 });
  await fault(make());
  const refused = keyOf();
  await fault(make());
  expect([refused === second, keyOf() === refused]).toEqual([false, false]);
  // Two presses on one button, the second before the first is answered.
  let answer = () => {};
  server.answer = () => new Promise((done) => (answer = () => done(Response.json({ id: ID, name: 'Once' }))));
  const both = [make(), make()];
  expect(
    new Set(asked.slice(-2).map(({ init }) => (init.headers as Record<string, string>)['Idempotency-Key']))
      .size,
  ).toBe(1);
  answer();
  void both;
});
