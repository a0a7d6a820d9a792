// What anybody may send, made by code: each route that takes a body refuses or takes it in words, and meanwhile the thread that
// answers everybody is never at it for long.
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { Readable } from 'node:stream';
import { createDeflateRaw } from 'node:zlib';
import { hashOf, newPiece, newStroke, patchOf, addLayers, type Piece } from '@/core/document';
import { smooth } from '@/core/geometry';
import { times } from '@/core/testing/cases';
import { closeConnection, migrate, models } from '@/server/database';
import { closeQueue } from '@/server/exports';
import { endHeavy } from '@/server/heavy';
import { checkedDocument, freshPiece, openOwnDatabase, smallPiece } from '@/server/testing';
import { createPiece } from '@/server/pieces';

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
type Method = 'POST' | 'PUT' | 'PATCH';

const MB = 1024 * 1024;
const WIRE = 65_536;
/** Processor time that one request may hold the thread for at a time, ms. A health check that comes in the middle waits for so long. */
const MOST_MS = 400;

beforeAll(async () => {
  await openOwnDatabase();
  await migrate();
});
afterAll(async () => {
  endHeavy();
  await closeQueue();
  await closeConnection();
});

/** Every handler that takes a body, by method and address. */
const ROUTES: ReadonlyMap<string, { readonly name: string; readonly method: Method }> = new Map(
  readdirSync(__dirname, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('route.ts'))
    .flatMap((name) => {
      const address = `/${relative('.', name).replace(/\/?route\.ts$/, '')}`;
      const source = readFileSync(join(__dirname, name), 'utf8');
      return [...source.matchAll(/export const (POST|PUT|PATCH) = (\w+)/g)].map(
        ([, method]) => [`${method} ${address}`, { name, method: method as Method }] as const,
      );
    }),
);

/** Processor time of this thread so far, ms (proc(5), schedstat). */
const threadTime = (): number => Number(readFileSync('/proc/self/schedstat', 'utf8').split(' ')[0]) / 1e6;

/** The longest that this thread was at something without a break while work is done, ms of processor time. */
async function longestHold(work: () => Promise<void>): Promise<number> {
  let [longest, before, running] = [0, threadTime(), true];
  const look = (): void => {
    const now = threadTime();
    longest = Math.max(longest, now - before);
    before = now;
    if (running) setTimeout(look, 1);
  };
  setTimeout(look, 1);
  await work();
  running = false;
  await new Promise((done) => setTimeout(done, 3));
  look();
  return longest;
}

/** What an address is of, by its names: a piece, a project, a thing. */
const paramsOf = (route: string, id: string): Record<string, string> =>
  Object.fromEntries(
    [...route.matchAll(/\[(\w+)\]/g)].map(([, name]) => [
      name!,
      name === 'id' ? id : name === 'revision' ? '1' : randomUUID(),
    ]),
  );

/** Bytes as they come over a wire. */
function* chunks(bytes: Buffer): Generator<Buffer> {
  for (let at = 0; at < bytes.length; at += WIRE) yield bytes.subarray(at, at + WIRE);
}

async function send(
  route: string,
  id: string,
  body: Uint8Array | string,
  type = 'application/json',
): Promise<{ status: number; text: string }> {
  const { name, method } = ROUTES.get(route)!;
  const handler = ((await import(join(__dirname, name))) as Record<Method, Handler>)[method];
  const request = new Request(`http://127.0.0.1:4610/api${route.slice(route.indexOf('/'))}`, {
    method,
    headers: { host: '127.0.0.1:4610', 'content-type': type },
    body: Readable.toWeb(Readable.from(chunks(Buffer.from(body)))) as ReadableStream,
    duplex: 'half',
  } as RequestInit);
  const response = await handler(request, { params: Promise.resolve(paramsOf(route, id)) });
  return { status: response.status, text: (await response.text()).slice(0, 400) };
}

/** A zip archive of one deflated entry a part, made from repeated chunks, so that hundreds of megabytes are never in memory. */
async function zipOf(
  parts: readonly { name: string; chunk: Uint8Array; times: number; saysSize?: number }[],
): Promise<Buffer> {
  const [bodies, directory]: [Buffer[], Buffer[]] = [[], []];
  let at = 0;
  for (const { name, chunk, times, saysSize } of parts) {
    const packed: Buffer[] = [];
    const deflate = createDeflateRaw({ level: 1 });
    const source = Readable.from(
      (function* () {
        for (let i = 0; i < times; i++) yield chunk;
      })(),
    );
    for await (const some of source.pipe(deflate)) packed.push(some as Buffer);
    const data = Buffer.concat(packed);
    // Its checksum stays 0: the size alone is what readers of archives check.
    const facts = Buffer.alloc(16);
    facts.writeUInt32LE(data.length, 8);
    facts.writeUInt32LE(saysSize ?? chunk.length * times, 12);
    const head = Buffer.from('PK\x03\x04\x14\0\0\0\x08\0', 'latin1');
    const label = Buffer.from(name);
    const lengths = Buffer.from([label.length, 0, 0, 0]);
    const local = Buffer.concat([head, facts, lengths, label, data]);
    const central = Buffer.concat([
      Buffer.from('PK\x01\x02\x14\0\x14\0\0\0\x08\0', 'latin1'),
      ...[facts, lengths, Buffer.alloc(10), Buffer.alloc(4), label],
    ]);
    central.writeUInt32LE(at, 42);
    bodies.push(local);
    directory.push(central);
    at += local.length;
  }
  const all = Buffer.concat(directory);
  const end = Buffer.alloc(22);
  end.write('PK\x05\x06', 'latin1');
  end.writeUInt16LE(parts.length, 8);
  end.writeUInt16LE(parts.length, 10);
  end.writeUInt32LE(all.length, 12);
  end.writeUInt32LE(at, 16);
  return Buffer.concat([...bodies, all, end]);
}

const manifest = (pieces: readonly string[]) =>
  Buffer.from(
    JSON.stringify({ obelus: 'project file', version: 1, name: 'P', pieces, shelf: [], files: [] }),
  );
/** A project file whose one piece is this text, repeated. */
const projectFile = (chunk: string, times: number, saysSize?: number) =>
  zipOf([
    { name: 'project.json', chunk: manifest([randomUUID()]), times: 1 },
    { name: 'pieces/1.json', chunk: Buffer.from(chunk), times, ...(saysSize !== undefined && { saysSize }) },
  ]);
const zeros = Buffer.alloc(MB);

/** A piece of many strokes: some four megabytes of JSON, seven in the long run. */
function large(strokes = times(1100, 2000)): Piece {
  const layers = Array.from({ length: strokes }, (_, i) =>
    newStroke(`s${i}`, `Stroke ${i}`, {
      closed: false,
      points: Array.from({ length: 22 }, (_, k) =>
        smooth(k * 10 + i / 3, (Math.sin(k) * 100) / 3, { x: 4.1, y: 1 / 3 }),
      ),
    }),
  );
  return addLayers(newPiece('Large'), layers);
}

const deep = (levels: number) => `{"a":${'['.repeat(levels)}`;
/** Bodies that any route of JSON refuses. */
const REFUSED_JSON: readonly [string, string][] = [
  ['not JSON', 'a letter to the tide keeper'],
  ['half of JSON', '{"name": "'],
  ['nothing', ''],
  ['deep', deep(60_000)],
  ['a list of everything', `[${'{},'.repeat(85_000)}{}]`],
  ['keys without end', `{${Array.from({ length: 9000 }, (_, i) => `"k${i}":${i}`).join(',')}}`],
  ['a long text', JSON.stringify({ name: 'x'.repeat(120_000) })],
  ['half a character', '{"name":"\\ud83d"}'],
  ['more than is taken', JSON.stringify({ name: 'x'.repeat(9 * MB) })],
];
/** What the route of a number is sent of it: all read JSON the same way, so that each has a third of it, the next another. */
const refusedBy = (route: number) => REFUSED_JSON.filter((_, i) => (i - route) % times(3, 1) === 0);
const setting = (text: string, more = {}) =>
  JSON.stringify({
    ...{ text, face: { id: 'nunito', weight: 400 }, size: 100, tracking: 0, leading: 1.2, align: 'left' },
    ...more,
  });

interface Case {
  readonly route: string;
  readonly what: string;
  readonly body: () => Promise<Uint8Array | string> | Uint8Array | string;
  /** Answers that are right. */
  readonly status: readonly number[];
}

/** What only one route is sent. */
const OWN: readonly Case[] = [
  ['a piece of 20 million empty objects', () => projectFile('{},'.repeat(MB), 20)],
  ['200 MB of zeros', () => zipOf([{ name: 'project.json', chunk: zeros, times: 200 }])],
  [
    '200 MB that the manifest does not name',
    () =>
      zipOf([
        { name: 'project.json', chunk: manifest([]), times: 1 },
        { name: `files/${'a'.repeat(64)}`, chunk: zeros, times: 200 },
      ]),
  ],
  ['a false size in its header', () => projectFile('{},'.repeat(MB), 20, 10)],
  ['JSON five million deep', () => projectFile('['.repeat(MB), 5)],
  ['no archive', () => Buffer.alloc(30 * MB, 'PK')],
]
  .map(([what, body]): Case => ({
    ...{
      route: 'POST /projects/open',
      what: what as string,
      status: what === '200 MB that the manifest does not name' ? [200] : [422],
    },
    body: body as Case['body'],
  }))
  .concat([
    {
      ...{ route: 'POST /bay', what: '16 MB of JSON', status: [422] },
      body: () => Buffer.from(`{"layers":[${'{"a":1},'.repeat(2 * MB)}{}]}`),
    },
    {
      ...{ route: 'POST /bay', what: 'a long list of animations in one style', status: [200, 422] },
      body: () =>
        `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><style>a{${'animation '.repeat(40_000)}}</style></svg>`,
    },
    {
      ...{ route: 'POST /bay', what: 'a tag without an end', status: [422] },
      body: () => `<svg ${'viewBox="0 0 '.repeat(100_000)}`,
    },
    {
      ...{ route: 'POST /bay', what: 'an archive of 200 MB of zeros', status: [422] },
      body: () => zipOf([{ name: 'a.mov', chunk: zeros, times: 200 }]),
    },
    {
      ...{ route: 'POST /bay', what: 'noise', status: [422] },
      body: () => Buffer.alloc(20 * MB, randomUUID()),
    },
    {
      ...{ route: 'POST /pictures', what: 'an SVG of groups without end', status: [422] },
      body: () => `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">${'<g>'.repeat(400_000)}`,
    },
    {
      ...{ route: 'POST /pictures', what: 'entities within entities', status: [422] },
      body: () =>
        `<!DOCTYPE svg [<!ENTITY a "${'x'.repeat(1000)}">${Array.from({ length: 20 }, (_, i) => `<!ENTITY a${i} "&a${i - 1};&a${i - 1};">`).join('')}]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><text>&a19;</text></svg>`,
    },
    {
      ...{ route: 'POST /projects/[id]/faces', what: 'a font of nothing', status: [422] },
      body: () => Buffer.concat([Buffer.from('\0\x01\0\0', 'latin1'), Buffer.alloc(10 * MB, 7)]),
    },
    {
      ...{ route: 'POST /projects/[id]/faces', what: 'a font that says it unfolds to little', status: [422] },
      body: () => Buffer.concat([Buffer.from('wOF2\0\x01\0\0', 'latin1'), Buffer.alloc(5 * MB, 1)]),
    },
    {
      ...{ route: 'PUT /pieces/[id]', what: 'a sound piece of many strokes', status: [200] },
      body: () => JSON.stringify({ baseRevision: 1, session: 's', document: large() }),
    },
    {
      ...{ route: 'PUT /pieces/[id]', what: 'millions of empty objects', status: [400, 422] },
      body: () => `{"baseRevision":1,"session":"s","document":[${'{},'.repeat(2.6 * MB)}{}]}`,
    },
    {
      ...{ route: 'PUT /pieces/[id]', what: 'deep', status: [400] },
      body: () => `{"baseRevision":1,"session":"s","document":${deep(7 * MB)}`,
    },
    {
      ...{ route: 'POST /projects/[id]/pieces', what: 'a sound piece of many strokes', status: [200] },
      body: () => JSON.stringify({ document: large() }),
    },
    {
      ...{ route: 'PATCH /pieces/[id]', what: 'twenty thousand steps', status: [422] },
      body: () =>
        JSON.stringify({
          ...{ baseRevision: 1, session: 's', from: hashOf(smallPiece()), makes: 'f'.repeat(64) },
          patch: Array.from({ length: 20_000 }, (_, i) => ({
            op: 'add',
            path: '/layers/0',
            value: { id: `n${i}` },
          })),
        }),
    },
    {
      ...{ route: 'POST /projects/[id]/shelf', what: 'a large thing', status: [200, 422] },
      body: () => JSON.stringify({ kind: 'layout', name: 'Large', content: large() }),
    },
    {
      ...{ route: 'POST /lettering', what: 'as long a text as is taken', status: [200] },
      body: () => setting('Wg\u0301ſ '.repeat(400)),
    },
    {
      ...{ route: 'POST /lettering', what: 'as long a text as is taken, in marks upon marks', status: [200] },
      body: () => setting(`a${'\u0301\u0323'.repeat(990)}`),
    },
    {
      ...{ route: 'POST /lettering/features', what: 'as long a text as is taken', status: [200] },
      body: () => setting('Wg\u0301ſ '.repeat(400)),
    },
    {
      ...{ route: 'POST /lettering/lines', what: 'as long a text as is taken', status: [200] },
      body: () =>
        JSON.stringify({
          text: 'Wgi '.repeat(500),
          face: 'HersheyScript1',
          size: 10,
          tracking: 0,
          leading: 1,
        }),
    },
  ] as Case[]);

/** Routes that take bytes of a file: what is no JSON is nothing special to them. */
const FILES = [
  'POST /bay',
  'POST /pictures',
  'POST /projects/open',
  'POST /projects/[id]/file',
  'POST /projects/[id]/faces',
];
/** Routes that are asked for something by their address alone. */
const WITHOUT_BODY = /\/(undelete|restore|cancel|retry)$/;

const CASES: readonly Case[] = [
  ...OWN,
  // What opens a file in a project is the same as what opens it as one.
  ...OWN.filter(({ route }) => route === 'POST /projects/open')
    .slice(0, 1)
    .map((one) => ({ ...one, route: 'POST /projects/[id]/file' })),
  ...[...ROUTES.keys()]
    .filter((route) => !FILES.includes(route) && !WITHOUT_BODY.test(route))
    .flatMap((route, i) =>
      refusedBy(i).map(([what, body]): Case => ({ route, what, body: () => body, status: [400, 413, 422] })),
    ),
];

test('every route that takes a body is among those that are tried', () => {
  const tried = new Set(CASES.map(({ route }) => route));
  expect([...ROUTES.keys()].filter((route) => !tried.has(route) && !WITHOUT_BODY.test(route))).toEqual([]);
  expect(ROUTES.size).toBeGreaterThan(20);
});

test('whatever is sent is answered in words, and holds up nobody', async () => {
  // Modules are read and compiled by the first request of each route, which a server has done when it starts.
  const refuses = await freshPiece();
  for (const route of ROUTES.keys()) await send(route, refuses.id, '{}');
  const held: [string, number][] = [];
  for (const { route, what, body, status } of CASES) {
    // What is refused changes nothing: one piece does for all of that.
    const { id: piece, project } = status.includes(200) ? await freshPiece() : refuses;
    const id = route.includes('/projects/') ? project : piece;
    const bytes = await body();
    let answer = { status: 0, text: '' };
    const ms = await longestHold(async () => {
      answer = await send(route, id, bytes);
    });
    held.push([`${route}: ${what}`, Math.round(ms)]);
    expect([route, what, answer.text, status.includes(answer.status)]).toEqual([
      route,
      what,
      answer.text,
      true,
    ]);
    if (answer.status !== 200) expect(answer.text).toMatch(/^\{"error":\{"message":"[^"]{15,}/);
  }
  const worst = held.sort((a, b) => b[1] - a[1]).slice(0, 12);
  if (process.env.SHOW) console.log(worst.map(([what, ms]) => `${ms} ms  ${what}`).join('\n'));
  expect(worst.filter(([, ms]) => ms > MOST_MS)).toEqual([]);
});

test('one number of a large piece is saved, opened and exported without holding anybody up', async () => {
  const { project } = await freshPiece();
  const before = large();
  const { id } = await createPiece(project, await checkedDocument(before));
  const after = { ...before, layers: before.layers.with(1000, { ...before.layers[1000]!, name: 'One' }) };
  const patch = JSON.stringify({
    ...{ baseRevision: 1, session: 's', from: hashOf(before), makes: hashOf(after) },
    patch: patchOf(before, after),
  });
  const ms = await longestHold(async () => {
    expect(await send('PATCH /pieces/[id]', id, patch)).toMatchObject({ status: 200 });
  });
  expect(ms).toBeLessThan(MOST_MS);
  expect((await models().pieces.findByPk(id))!.document.layers[1000]!.name).toBe('One');
  const settings = { format: 'webm', scale: 1, first: 0, last: 9 };
  for (const [route, body] of [
    ['POST /pieces/[id]/exports', JSON.stringify({ settings })],
    ['POST /pieces/[id]/duplicate', '{}'],
  ] as const) {
    const took = await longestHold(async () => {
      expect(await send(route, id, body)).toMatchObject({ status: 200 });
    });
    expect([route, took < MOST_MS]).toEqual([route, true]);
  }
});
