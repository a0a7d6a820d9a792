import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import sharp from 'sharp';
import {
  EXPORTS,
  FACES,
  LAYOUT_LIST,
  LETTERING,
  LINE_FACES,
  PIECES,
  PROJECT_FILES,
  PROJECTS,
  SHELF,
  STRIP_MOMENTS,
  type Endpoint,
  type ExportSettings,
} from '@/contract';
import {
  type NewShelfItem,
  type TextSetting,
  addLayers,
  cutName,
  DEFAULT_INK,
  hashOf,
  mannerOf,
  newLettering,
  patchOf,
  readPiece,
  sameValue,
  strokesOf,
} from '@/core/document';
import { landingEasing } from '@/core/timing';
import { closeConnection, migrate, models } from '@/server/database';
import { dataFolder } from '@/server/data-folder';
import { closeQueue } from '@/server/exports';
import { route } from '@/server/http';
import { savePiece } from '@/server/pieces';
import { seed } from '@/server/seed';
import { checkedDocument, openOwnDatabase, freshPiece, freshProject, smallPiece } from '@/server/testing';
import { SAMPLE_PROJECT } from '../../../demo';
import * as letteringRoute from './lettering/route';
import * as linesRoute from './lettering/lines/route';
import * as revisionNowRoute from './pieces/[id]/revision/route';
import * as pictureRoute from './pictures/[hash]/route';
import * as picturesRoute from './pictures/route';
import * as openRoute from './projects/open/route';
import * as projectFileRoute from './projects/[id]/file/route';
import * as facesRoute from './projects/[id]/faces/route';
import * as projectsRoute from './projects/route';
import * as projectRoute from './projects/[id]/route';
import * as undeleteProjectRoute from './projects/[id]/undelete/route';
import * as piecesRoute from './projects/[id]/pieces/route';
import * as layoutsRoute from './layouts/route';
import * as shelfRoute from './projects/[id]/shelf/route';
import * as shelfItemRoute from './projects/[id]/shelf/[item]/route';
import * as pieceRoute from './pieces/[id]/route';
import * as binRoute from './bin/route';
import * as binItemRoute from './bin/[id]/route';
import * as movePieceRoute from './pieces/[id]/move/route';
import * as stripRoute from './pieces/[id]/strip/route';
import * as duplicateRoute from './pieces/[id]/duplicate/route';
import * as undeletePieceRoute from './pieces/[id]/undelete/route';
import * as revisionsRoute from './pieces/[id]/revisions/route';
import * as revisionRoute from './pieces/[id]/revisions/[revision]/route';
import * as restoreRoute from './pieces/[id]/revisions/[revision]/restore/route';
import * as thumbnailRoute from './pieces/[id]/thumbnail/route';
import * as allExportsRoute from './exports/route';
import * as exportRoute from './exports/[id]/route';
import * as exportDocumentRoute from './exports/[id]/document/route';
import * as exportsRoute from './pieces/[id]/exports/route';

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;

/** Calls a route handler as the web server would; the body is sent as it is when it is a string. */
async function ask(
  handler: Handler,
  params: Record<string, string>,
  body?: unknown,
  headers: Record<string, string> = {},
) {
  const request = new Request('http://127.0.0.1:4610/api', {
    method: body === undefined ? 'GET' : 'POST',
    headers: { host: '127.0.0.1:4610', 'content-type': 'application/json', ...headers },
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });
  const response = await handler(request, { params: Promise.resolve(params) });
  const type = response.headers.get('content-type') ?? '';
  return {
    status: response.status,
    body: type.includes('json') ? await response.json() : await response.arrayBuffer(),
  };
}

const save = (id: string, baseRevision: unknown, document: unknown, session = 'one') =>
  ask(pieceRoute.PUT, { id }, { baseRevision, session, document });

beforeAll(async () => {
  await openOwnDatabase();
  await migrate();
});
afterAll(async () => {
  await closeQueue();
  await closeConnection();
});

test('the sample world is put into an empty database once, complete and valid', async () => {
  const { database, projects } = models();
  await database.query('TRUNCATE projects CASCADE');
  expect(await seed(SAMPLE_PROJECT)).toBe(true);
  expect(await seed(SAMPLE_PROJECT)).toBe(false);
  const list = await ask(projectsRoute.GET, {});
  expect(list.body.projects[0].pieces.map((p: { name: string }) => p.name)).toEqual([
    'Opening title',
    'Lower third',
    'Name strip',
    'Tide ring',
    'Narrator’s signature',
    'Chapter card',
    'Eel route',
    'High water',
    'Programme ident',
  ]);
  await projects.destroy({ where: {} });
  // A deleted sample stays deleted.
  expect(await seed(SAMPLE_PROJECT)).toBe(false);
});

test('projects are made, renamed, deleted and brought back with their pieces', async () => {
  const made = await ask(projectsRoute.POST, {}, { name: '  Mudflats ' });
  const { id } = made.body;
  expect(made.body.name).toBe('Mudflats');
  const piece = await ask(piecesRoute.POST, { id }, { document: smallPiece() });
  const listed = async () =>
    (await ask(projectsRoute.GET, {})).body.projects.find((p: { id: string }) => p.id === id);
  await ask(projectRoute.PATCH, { id }, { name: 'Saltings' });
  expect(await listed()).toMatchObject({
    name: 'Saltings',
    pieces: [{ id: piece.body.id, strokes: 2, length: 12 }],
  });
  await ask(projectRoute.DELETE, { id }, {});
  expect(await listed()).toBeUndefined();
  await ask(undeleteProjectRoute.POST, { id }, {});
  expect(await listed()).toMatchObject({ pieces: [{ id: piece.body.id }] });
});

test('a save counts the revision up; a stale one gets 409 and neither side is lost', async () => {
  const { id } = await freshPiece();
  const mine = smallPiece('Mine');
  const theirs = smallPiece('Theirs');
  expect(await save(id, 1, theirs, 'two')).toMatchObject({ status: 200, body: { revision: 2 } });
  const stale = await save(id, 1, mine);
  expect(stale).toMatchObject({ status: 409, body: { error: { revision: 2 } } });
  expect((await ask(pieceRoute.GET, { id })).body).toMatchObject({ revision: 2, document: theirs });
  expect((await save(id, 2, mine)).body).toEqual({ revision: 3, hash: hashOf(mine) });
});

test('of many saves at once on one revision exactly one wins', async () => {
  const { id } = await freshPiece();
  const results = await Promise.all(
    Array.from({ length: 8 }, (_, i) => save(id, 1, smallPiece(`Writer ${i}`), `w${i}`)),
  );
  expect(results.map((r) => r.status).sort()).toEqual([200, ...Array(7).fill(409)]);
  const winner = results.findIndex((r) => r.status === 200);
  expect((await ask(pieceRoute.GET, { id })).body.document.name).toBe(`Writer ${winner}`);
});

test('the history lists revisions, thins quick saves of one session, and restores an older one as the newest', async () => {
  const { id } = await freshPiece(smallPiece('First'));
  for (let i = 1; i <= 6; i++) await save(id, i, smallPiece(`Draft ${i}`));
  await save(id, 7, smallPiece('By another'), 'two');
  const history = async () =>
    (await ask(revisionsRoute.GET, { id })).body.revisions.map((r: { revision: number }) => r.revision);
  expect(await history()).toEqual([8, 7, 2, 1]);
  const restored = await ask(restoreRoute.POST, { id, revision: '1' }, {});
  expect(restored.body).toEqual({ revision: 9 });
  expect((await ask(pieceRoute.GET, { id })).body.document.name).toBe('First');
  expect(await history()).toEqual([9, 8, 7, 2, 1]);
  expect((await ask(restoreRoute.POST, { id, revision: '77' }, {})).status).toBe(404);
});

test('a piece is moved and copied into another project with the faces it is set in', async () => {
  const { id, project: projectId } = await freshPiece();
  const hash = 'ab'.repeat(32);
  await models().assets.create({ hash, size: 1, mediaType: 'font/sfnt' });
  await models().faces.create({ projectId, assetHash: hash, name: 'Own', weightMin: null, weightMax: null });
  const face = { id: `own:${hash}`, weight: 400 };
  const set = { outlines: {}, glyphs: [], scale: 1, missing: [] };
  const setting = { text: 'A', face, size: 10, tracking: 0, leading: 1, align: 'left' as const };
  const text = newLettering('t', 'T', setting, set, { x: 0, y: 0 });
  const document = await checkedDocument(addLayers(smallPiece('Set'), [text]));
  await savePiece(id, { baseRevision: 1, session: 's', document });
  const { id: project } = (await ask(projectsRoute.POST, {}, { name: 'Elsewhere' })).body;
  const inside = async (of: string) =>
    (await ask(projectsRoute.GET, {})).body.projects
      .find((one: { id: string }) => one.id === of)
      .pieces.map((piece: { name: string }) => piece.name);
  const facesOf = (of: string) => models().faces.count({ where: { projectId: of, assetHash: hash } });
  await ask(duplicateRoute.POST, { id }, { project });
  expect([await inside(project), await inside(projectId), await facesOf(project)]).toEqual([
    ['Set'],
    ['Set'],
    1,
  ]);
  await ask(movePieceRoute.POST, { id }, { project });
  expect([await inside(project), await inside(projectId), await facesOf(projectId)]).toEqual([
    ['Set', 'Set'],
    [],
    1,
  ]);
  const nowhere = await ask(movePieceRoute.POST, { id }, { project: randomUUID() });
  expect(nowhere).toMatchObject({ status: 404, body: { error: { message: /Nothing was changed/ } } });
});

test('the bin lists what was deleted, the last first, and takes it away for good', async () => {
  await models().database.query('DELETE FROM pieces WHERE deleted_at IS NOT NULL');
  await models().database.query('DELETE FROM projects WHERE deleted_at IS NOT NULL');
  const [first, second] = [await freshPiece(), await freshPiece()];
  const { id: project } = (await ask(projectsRoute.POST, {}, { name: 'Whole' })).body;
  await ask(piecesRoute.POST, { id: project }, { document: smallPiece() });
  await ask(pieceRoute.DELETE, { id: first.id }, {});
  await ask(pieceRoute.DELETE, { id: second.id }, {});
  await ask(projectRoute.DELETE, { id: project }, {});
  const listed = async () =>
    (await ask(binRoute.GET, {})).body.items.map((one: { id: string; kind: string; facts: string }) => one);
  expect((await listed()).map((one: { id: string }) => one.id)).toEqual([project, second.id, first.id]);
  expect((await listed())[0]).toMatchObject({ kind: 'project', name: 'Whole', facts: '1 piece' });
  await ask(undeletePieceRoute.POST, { id: first.id }, {});
  await ask(binItemRoute.DELETE, { id: second.id }, {});
  expect((await listed()).map((one: { id: string }) => one.id)).toEqual([project]);
  expect((await ask(binItemRoute.DELETE, { id: second.id }, {})).status).toBe(404);
  // What is not in the bin can't be taken out of it for good.
  expect((await ask(binItemRoute.DELETE, { id: first.id }, {})).status).toBe(404);
  await ask(binRoute.DELETE, {}, {});
  expect(await listed()).toEqual([]);
  expect(await models().projects.count({ where: { id: project }, paranoid: false })).toBe(0);
  expect(await models().pieces.count({ where: { id: first.id } })).toBe(1);
  // All of them gone, also the first one is in the bin no more, and a start puts no sample in its place.
  await models().projects.destroy({ where: {} });
  await ask(binRoute.DELETE, {}, {});
  expect(await listed()).toEqual([]);
  expect(await models().pieces.count({ paranoid: false })).toBe(0);
  expect(await seed(SAMPLE_PROJECT)).toBe(false);
});

test('moments of a piece come as one strip, kept by its revision', async () => {
  const { id } = await freshPiece();
  const sent = await stripRoute.GET(
    new Request('http://127.0.0.1:4610/api?revision=1', { headers: { host: '127.0.0.1:4610' } }),
    { params: Promise.resolve({ id }) },
  );
  expect(sent.headers.get('cache-control')).toContain('immutable');
  const { width, height, format } = await sharp(Buffer.from(await sent.arrayBuffer())).metadata();
  const { size } = smallPiece();
  const wide = Math.round((size.width * 320) / Math.max(size.width, size.height));
  expect({ width, format }).toEqual({ width: wide * STRIP_MOMENTS, format: 'webp' });
  expect(height).toBe(Math.round((size.height * 320) / Math.max(size.width, size.height)));
});

test('a piece is duplicated under a free name, deleted, and brought back', async () => {
  const { id, project } = await freshPiece(smallPiece('Wave'));
  await ask(duplicateRoute.POST, { id }, {});
  await ask(duplicateRoute.POST, { id }, {});
  const names = async () =>
    (await ask(projectsRoute.GET, {})).body.projects
      .find((p: { id: string }) => p.id === project)
      .pieces.map((p: { name: string }) => p.name);
  expect(await names()).toEqual(['Wave', 'Wave 2', 'Wave 3']);
  await ask(pieceRoute.DELETE, { id }, {});
  expect(await names()).toEqual(['Wave 2', 'Wave 3']);
  expect((await ask(pieceRoute.GET, { id })).status).toBe(404);
  await ask(undeletePieceRoute.POST, { id }, {});
  expect(await names()).toEqual(['Wave', 'Wave 2', 'Wave 3']);
});

test('the same save sent again by the same session is answered as the first was; by another it is stale', async () => {
  const { id } = await freshPiece();
  expect((await save(id, 1, smallPiece('Once'))).body).toMatchObject({ revision: 2 });
  // The answer was lost on its way.
  expect(await save(id, 1, smallPiece('Once'))).toMatchObject({ status: 200, body: { revision: 2 } });
  expect((await save(id, 1, smallPiece('Once'), 'two')).status).toBe(409);
  expect((await save(id, 1, smallPiece('Other'))).status).toBe(409);
  expect((await ask(pieceRoute.GET, { id })).body).toMatchObject({ revision: 2, savedBy: 'one' });
});

test('half characters, NUL, and names nobody can see are refused with their place, never a fault of the server', async () => {
  const { id, project } = await freshPiece();
  const named = (name: string) => ({ ...smallPiece(), name });
  const half = '\ud83d';
  for (const [document, place] of [
    [named(`Reed ${half}`), 'name'],
    [named('Reed\u0000'), 'name'],
    [named('\u200b\u2060\u2800'), 'name'],
    [
      { ...smallPiece(), layers: smallPiece().layers.map((l) => ({ ...l, name: `x${half}` })) },
      'layers.0.name',
    ],
  ] as const) {
    const refused = await save(id, 1, document);
    expect([refused.status, refused.body.error.faults[0].path]).toEqual([422, place]);
  }
  for (const name of [`a${half}`, '\u200d\u200d', '\u0000']) {
    expect((await ask(projectsRoute.POST, {}, { name })).status).toBe(422);
    expect((await ask(projectRoute.PATCH, { id: project }, { name })).status).toBe(422);
  }
  // What a cut leaves is whole: 59 letters and a family of one hundred and twenty units.
  const cut = cutName(`${'m'.repeat(119)}👩‍👩‍👧‍👦`);
  expect(cut).toBe('m'.repeat(119));
  expect((await save(id, 1, named(cut))).status).toBe(200);
  expect((await save(id, 2, named(cutName(`${'m'.repeat(59)}👍🏽${'é'.repeat(90)}`)))).status).toBe(200);
});

test('deep and huge JSON is refused at once', async () => {
  for (const body of ['['.repeat(100_000), `{"name":${'{"a":'.repeat(300)}1${'}'.repeat(300)}}`]) {
    const refused = await ask(projectsRoute.POST, {}, body);
    expect(refused.status).toBe(400);
  }
  // Brackets within a text are no depth.
  expect((await ask(projectsRoute.POST, {}, { name: '['.repeat(100) })).status).toBe(200);
});

test('a thumbnail is made once a revision, kept as a file, and not sent to whoever has it', async () => {
  const { id } = await freshPiece();
  const get = (revision: number, headers: Record<string, string> = {}) =>
    thumbnailRoute.GET(
      new Request(`http://127.0.0.1:4610/api/pieces/${id}/thumbnail?revision=${revision}`, {
        headers: { host: '127.0.0.1:4610', ...headers },
      }),
      { params: Promise.resolve({ id }) },
    );
  const many = await Promise.all(Array.from({ length: 6 }, () => get(1)));
  const [first] = many;
  expect(many.map((one) => one.status)).toEqual(Array(6).fill(200));
  expect(first!.headers.get('cache-control')).toContain('immutable');
  const tag = first!.headers.get('etag')!;
  expect((await get(1, { 'if-none-match': tag })).status).toBe(304);
  await save(id, 1, smallPiece('Next'));
  // Whoever asks for an older one gets today's, and may not keep it under that address.
  const next = await get(2);
  expect(next.headers.get('etag')).not.toBe(tag);
  const old = await get(1);
  expect([old.headers.get('etag'), old.headers.get('cache-control')]).toEqual([
    next.headers.get('etag'),
    'private, no-cache',
  ]);
  expect(readdirSync(dataFolder('thumbnails')).filter((name) => name.startsWith(id))).toEqual([
    `${id}-2.png`,
  ]);
});

test('an error of ours is one line on the terminal, without what it was about, and its id is given to whoever asked', async () => {
  const said: string[] = [];
  const spy = jest.spyOn(console, 'error').mockImplementation((...words) => void said.push(words.join(' ')));
  const broken = route({}, async () => {
    throw new Error(`cannot write\n${JSON.stringify(smallPiece('Secret'))}`);
  });
  const { status, body } = await ask(broken, {});
  spy.mockRestore();
  expect(status).toBe(500);
  expect(said).toHaveLength(1);
  expect(said[0]).toContain(body.error.id);
  expect(said[0]).toContain('cannot write');
  expect(said[0]).not.toMatch(/Secret|\n/);
});

test('a thumbnail is a picture of the piece', async () => {
  const { id } = await freshPiece();
  const { status, body } = await ask(thumbnailRoute.GET, { id });
  expect(status).toBe(200);
  expect(Buffer.from(body).subarray(1, 4).toString()).toBe('PNG');
});

test('bad input gets a clear 4xx that names the place, and changes nothing', async () => {
  const { id } = await freshPiece();
  const good = smallPiece();
  const with_ = (change: (copy: never) => void) => {
    const copy = JSON.parse(JSON.stringify(good));
    change(copy as never);
    return { baseRevision: 1, session: 'one', document: copy };
  };
  const point = strokesOf(good)[0]!.path.points[0];
  type Doc = {
    rate: { numerator: number };
    length: number;
    name: string;
    layers: { id: string; path: { points: unknown[] } }[];
  };
  const cases: [what: string, body: unknown, status: number, place: string][] = [
    ['not JSON', '{"baseRevision": 1,', 400, ''],
    ['NaN', `{"baseRevision": 1, "session": "one", "document": {"length": NaN}}`, 400, ''],
    ['wrong types', [], 422, ''],
    ['no document', { baseRevision: 1, session: 'one', document: null }, 422, ''],
    ['a base that is no number', { ...with_(() => {}), baseRevision: '1' }, 422, 'baseRevision'],
    ['unknown field', { ...with_(() => {}), admin: true }, 422, ''],
    ['a rate of 0', with_((d: Doc) => (d.rate.numerator = 0)), 422, 'rate.numerator'],
    ['a negative length', with_((d: Doc) => (d.length = -3)), 422, 'length'],
    [
      'infinity',
      JSON.stringify(with_(() => {})).replace('"x":40', '"x":1e999'),
      422,
      'layers.0.path.points.0.x',
    ],
    [
      '10 000 points',
      with_((d: Doc) => (d.layers[0]!.path.points = Array(10_000).fill(point))),
      422,
      'layers.0.path.points',
    ],
    ['a path as an id', with_((d: Doc) => (d.layers[1]!.id = '../../../etc/passwd')), 422, 'layers.1.id'],
    ['control characters in a name', with_((d: Doc) => (d.name = 'a\u0000/../b')), 422, 'name'],
    ['10 MB', `{"baseRevision":1,"session":"one","document":"${'x'.repeat(10_000_000)}"}`, 413, ''],
  ];
  for (const [what, body, status, place] of cases) {
    const result = await ask(pieceRoute.PUT, { id }, body);
    const places = (result.body.error.faults ?? []).map((f: { path: string }) => f.path);
    expect([what, result.status]).toEqual([what, status]);
    expect(result.body.error.message.length).toBeGreaterThan(20);
    if (place) expect([what, places]).toEqual([what, expect.arrayContaining([place])]);
  }
  const other = (headers: Record<string, string>) =>
    ask(
      pieceRoute.PUT,
      { id },
      with_(() => {}),
      headers,
    );
  expect((await other({ origin: 'http://elsewhere.example' })).status).toBe(403);
  expect((await other({ origin: 'null' })).status).toBe(403);
  expect((await other({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
  expect((await other({ host: 'rebound.example' })).status).toBe(403);
  expect((await other({ 'content-type': 'text/plain' })).status).toBe(415);
  expect((await ask(pieceRoute.GET, { id }, undefined, { host: 'rebound.example' })).status).toBe(403);
  for (const unknown of ['not-an-id', '../pieces', '00000000-0000-4000-8000-000000000000']) {
    expect((await ask(pieceRoute.GET, { id: unknown })).status).toBe(404);
    expect((await ask(piecesRoute.POST, { id: unknown }, { document: good })).status).toBe(404);
  }
  for (const name of ['', '   ', 'x'.repeat(121), 5, 'a\nb']) {
    expect((await ask(projectsRoute.POST, {}, { name })).status).toBe(422);
  }
  for (const settings of [
    { format: 'avi', scale: 1, first: 0, last: 3 },
    { format: 'mp4', scale: 1, first: 0, last: 3, transparency: 'straight' },
    { format: 'webm', scale: 3, first: 0, last: 3 },
    { format: 'webm', scale: 1, first: 5, last: 3 },
    { format: 'webm', scale: 1, first: 0, last: 12 },
    { format: 'webm', scale: 1, first: -1, last: 3 },
  ]) {
    expect((await ask(exportsRoute.POST, { id }, { settings })).status).toBe(422);
  }
  expect((await ask(pieceRoute.GET, { id })).body).toMatchObject({ revision: 1, document: good });
});

test('layouts ship as valid pieces, and own ones are kept on the shelf; a layout with a fault is refused', async () => {
  const { body } = await ask(layoutsRoute.GET, {});
  expect(body.layouts.length).toBeGreaterThanOrEqual(8);
  for (const { piece } of body.layouts) expect(readPiece(piece).ok).toBe(true);
  const { id } = (await ask(projectsRoute.POST, {}, { name: 'Layouts' })).body;
  const item = { kind: 'layout', name: 'Own strip', content: body.layouts[1].piece };
  const kept = await ask(shelfRoute.POST, { id }, item);
  expect(kept.body).toMatchObject({ kind: 'layout', name: 'Own strip' });
  const shelf = await ask(shelfRoute.GET, { id });
  // A database keeps no order of parts, but all of them.
  expect(sameValue(shelf.body.items[0].content, item.content)).toBe(true);
  const broken = { ...item, content: { ...item.content, layers: [{ type: 'stroke' }] } };
  expect((await ask(shelfRoute.POST, { id }, broken)).status).toBe(422);
});

test('the shelf keeps inks for a project, and knows the colours of its pieces', async () => {
  const id = await freshProject();
  await ask(piecesRoute.POST, { id }, { document: smallPiece() });
  const style = { kind: 'style', name: 'Broad', content: { ...DEFAULT_INK, width: 40 } };
  const made = await ask(shelfRoute.POST, { id }, style);
  expect(made.status).toBe(200);
  const item = made.body.id as string;
  await ask(
    shelfItemRoute.PUT,
    { id, item },
    { ...style, name: 'Broader', content: { ...DEFAULT_INK, width: 50 } },
  );
  const { body } = await ask(shelfRoute.GET, { id });
  expect(body.items).toMatchObject([{ id: item, name: 'Broader', content: { width: 50 } }]);
  expect(body.colours).toContain(DEFAULT_INK.colour);
  // Another project has a shelf of its own, and may not touch this one.
  const other = await freshProject();
  expect((await ask(shelfRoute.GET, { id: other })).body.items).toEqual([]);
  expect((await ask(shelfItemRoute.DELETE, { id: other, item })).status).toBe(404);
  expect((await ask(shelfRoute.POST, { id }, { ...style, content: { width: -1 } })).status).toBe(422);
  expect((await ask(shelfRoute.POST, { id }, style, { origin: 'http://elsewhere.example' })).status).toBe(
    403,
  );
  await ask(shelfItemRoute.DELETE, { id, item });
  expect((await ask(shelfRoute.GET, { id })).body.items).toEqual([]);
  // Manners and easings lie beside inks, each checked for what it is.
  const manner = { kind: 'manner', name: 'Slow', content: mannerOf({ kind: 'both', onFrames: 50 }) };
  const easing = { kind: 'easing', name: 'Soft', content: landingEasing(0.8) };
  const kept = [await ask(shelfRoute.POST, { id }, manner), await ask(shelfRoute.POST, { id }, easing)];
  expect(kept.map(({ status }) => status)).toEqual([200, 200]);
  expect((await ask(shelfRoute.GET, { id })).body.items).toMatchObject([manner, easing]);
  expect((await ask(shelfRoute.POST, { id }, { ...manner, kind: 'easing' })).status).toBe(422);
  const changed = await ask(shelfItemRoute.PUT, { id, item: kept[0]!.body.id }, easing);
  expect(changed.status).toBe(404);
});

test('any revision of the history can be looked at', async () => {
  const id = await freshProject();
  const made = await ask(piecesRoute.POST, { id }, { document: smallPiece() });
  const piece = made.body.id as string;
  await save(piece, 1, { ...smallPiece(), name: 'Later' });
  const first = await ask(revisionRoute.GET, { id: piece, revision: '1' });
  expect(first.body).toMatchObject({ revision: 1, document: { name: smallPiece().name } });
  expect((await ask(revisionRoute.GET, { id: piece, revision: '9' })).status).toBe(404);
  expect((await ask(revisionRoute.GET, { id: piece, revision: 'x' })).status).toBe(404);
});

test('the same origin may write, as may programs that send none', async () => {
  const id = await freshProject();
  for (const headers of [{ origin: 'http://127.0.0.1:4610', 'sec-fetch-site': 'same-origin' }, {}] as Record<
    string,
    string
  >[]) {
    expect((await ask(projectRoute.PATCH, { id }, { name: 'Named' }, headers)).status).toBe(200);
  }
});

test('the database itself refuses what the code should never write', async () => {
  const { id } = await freshPiece();
  const { database } = models();
  const bad = [
    `UPDATE pieces SET revision = 0 WHERE id = '${id}'`,
    `UPDATE pieces SET document = '[]' WHERE id = '${id}'`,
    `INSERT INTO piece_revisions (piece_id, revision, document, session) VALUES ('00000000-0000-4000-8000-000000000000', 1, '{}', 's')`,
    `INSERT INTO assets (hash, size, media_type) VALUES ('../../etc', 1, 'video/webm')`,
    `INSERT INTO projects (id, name) VALUES ('00000000-0000-4000-8000-000000000001', '')`,
  ];
  for (const sql of bad) await expect(database.query(sql)).rejects.toThrow();
});

test('pictures, faces and lettering: bounded, from this origin alone, given out as what they are', async () => {
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><circle r="4"/></svg>';
  const foreign = await ask(picturesRoute.POST, {}, svg, { origin: 'http://elsewhere.example' });
  expect(foreign.status).toBe(403);
  const large = await ask(picturesRoute.POST, {}, svg, { 'content-length': String(60 * 1024 * 1024) });
  expect(large.status).toBe(413);
  expect((await ask(picturesRoute.POST, {}, 'x'.repeat(51 * 1024 * 1024))).status).toBe(413);
  const { status, body } = await ask(picturesRoute.POST, {}, svg);
  expect(status).toBe(200);
  const { hash } = body as { hash: string };
  expect((await ask(pictureRoute.GET, { hash })).status).toBe(200);
  expect((await ask(pictureRoute.GET, { hash: '0'.repeat(64) })).status).toBe(404);
  expect((await ask(pictureRoute.GET, { hash: '../../etc/passwd' })).status).toBe(404);

  const id = await freshProject();
  const font = readFileSync('node_modules/@expo-google-fonts/lora/400Regular/Lora_400Regular.ttf');
  const made = await facesRoute.POST(
    new Request('http://127.0.0.1:4610/api?name=..%2F..%2Fx', {
      method: 'POST',
      headers: { host: '127.0.0.1:4610' },
      body: new Uint8Array(font),
    }),
    { params: Promise.resolve({ id }) },
  );
  const face = (await made.json()) as { id: string; name: string };
  expect(face).toMatchObject({ name: 'Lora', kind: 'own' });
  // A font is not given out as a picture.
  expect((await ask(pictureRoute.GET, { hash: face.id.slice(4) })).status).toBe(404);
  const setting = {
    text: 'Tide',
    face: { id: face.id, weight: 400 },
    size: 90,
    tracking: 0,
    leading: 1.2,
    align: 'left',
  };
  expect((await ask(letteringRoute.POST, {}, setting)).body).toMatchObject({ missing: [] });
  for (const [part, place] of [
    [{ size: 0 }, 'size'],
    [{ face: { id: '../x', weight: 400 } }, 'face.id'],
    [{ text: 'x'.repeat(2001) }, 'text'],
  ] as const) {
    const refused = await ask(letteringRoute.POST, {}, { ...setting, ...part });
    expect(refused).toMatchObject({ status: 422, body: { error: { faults: [{ path: place }] } } });
  }
});

test('every endpoint answers just what page and server agreed on', async () => {
  /** What is answered where a project's own file is opened. */
  const opened = async (handler: Handler, params: Record<string, string>) => {
    const { body } = await ask(projectFileRoute.GET, { id: project });
    const request = new Request('http://127.0.0.1:4610/api', {
      method: 'POST',
      headers: { host: '127.0.0.1:4610' },
      body: body as ArrayBuffer,
    });
    const response = await handler(request, { params: Promise.resolve(params) });
    return { status: response.status, body: await response.json() };
  };
  const { id, project } = await freshPiece();
  const layout: NewShelfItem = { kind: 'layout', name: 'Own', content: smallPiece() };
  const shelved = await ask(shelfRoute.POST, { id: project }, layout);
  await save(id, 1, smallPiece('Second'));
  const exported = await ask(
    exportsRoute.POST,
    { id },
    {
      settings: { format: 'webm', scale: 1, first: 0, last: 3 } satisfies ExportSettings,
    },
  );
  const setting: TextSetting = {
    text: 'Reed',
    face: { id: 'sacramento', weight: 400 },
    size: 80,
    tracking: 0,
    leading: 1.2,
    align: 'left',
  };
  const line = { text: 'Reed', face: LINE_FACES[0].id, size: 80, tracking: 0, leading: 1.2 };
  const cases: [Endpoint, { status: number; body: unknown }][] = [
    [PROJECTS.list, await ask(projectsRoute.GET, {})],
    [PIECES.open, await ask(pieceRoute.GET, { id })],
    [PIECES.revision, await ask(revisionNowRoute.GET, { id })],
    [PIECES.revisions, await ask(revisionsRoute.GET, { id })],
    [PIECES.readRevision, await ask(revisionRoute.GET, { id, revision: '1' })],
    [PIECES.restore, await ask(restoreRoute.POST, { id, revision: '1' }, {})],
    [PIECES.duplicate, await ask(duplicateRoute.POST, { id }, {})],
    [SHELF.add, shelved],
    [SHELF.read, await ask(shelfRoute.GET, { id: project })],
    [EXPORTS.request, exported],
    [EXPORTS.list, await ask(exportsRoute.GET, { id })],
    [EXPORTS.all, await ask(allExportsRoute.GET, {})],
    [EXPORTS.keep, await ask(exportRoute.PATCH, { id: exported.body.id }, { kept: true })],
    [EXPORTS.document, await ask(exportDocumentRoute.GET, { id: exported.body.id })],
    [PROJECT_FILES.open, await opened(openRoute.POST, {})],
    [PROJECT_FILES.openInto, await opened(projectFileRoute.POST, { id: project })],
    [FACES.list, await ask(facesRoute.GET, { id: project })],
    [LAYOUT_LIST, await ask(layoutsRoute.GET, {})],
    [LETTERING.set, await ask(letteringRoute.POST, {}, setting)],
    [LETTERING.lines, await ask(linesRoute.POST, {}, line)],
  ];
  for (const [{ path, answer }, { status, body }] of cases) {
    const read = answer.safeParse(body);
    expect({ path, status, fault: read.error?.issues }).toEqual({ path, status: 200, fault: undefined });
  }
});

test('a piece is saved by what changed: under the rule of stale saves, checked, and refused where it fits nothing', async () => {
  const { id } = await freshPiece(smallPiece('Patched'));
  const hashes = { from: '', makes: 'f'.repeat(64) };
  const patch = (baseRevision: number, steps: readonly unknown[], session = 'one', headers = {}) =>
    ask(pieceRoute.PATCH, { id }, { baseRevision, session, ...hashes, patch: steps }, headers);
  const now = async () => (await ask(pieceRoute.GET, { id })).body;
  const before = (await now()).document;
  const after = { ...before, name: 'Patched twice', layers: before.layers.slice(1) };
  const steps = patchOf(before, after);
  // What it makes, or was made against, is another document than its author's: it is not put together with that.
  for (const [from, makes] of [
    [hashOf(before), hashOf(before)],
    [hashOf(after), hashOf(after)],
  ] as const) {
    Object.assign(hashes, { from, makes });
    expect(await patch(1, steps)).toMatchObject({ status: 422, body: { error: { unfit: true } } });
    expect(await now()).toMatchObject({ revision: 1, document: before });
  }
  Object.assign(hashes, { from: hashOf(before), makes: hashOf(after) });
  expect((await patch(1, steps)).body).toEqual({ revision: 2, hash: hashOf(after) });
  expect((await now()).document).toEqual(after);
  // The answer was lost: the same again is answered alike. Anybody else is behind.
  expect((await patch(1, steps)).body).toMatchObject({ revision: 2 });
  hashes.makes = hashOf({ ...before, name: 'Late' });
  const stale = await patch(1, [{ op: 'replace', path: '/name', value: 'Late' }], 'two');
  expect([stale.status, stale.body.error.revision]).toEqual([409, 2]);
  hashes.from = hashOf(after);
  for (const [what, bad, status] of [
    ['no such layer', [{ op: 'replace', path: '/layers/99/name', value: 'x' }], 422],
    ['no such revision', steps, 422],
    ['a prototype', [{ op: 'add', path: '/__proto__/polluted', value: true }], 422],
    ['a fault', [{ op: 'replace', path: '/length', value: -4 }], 422],
    ['a part nobody knows', [{ op: 'add', path: '/colour', value: 'red' }], 422],
    ['no pointer', [{ op: 'remove', path: 'name' }], 422],
    ['another step', [{ op: 'copy', from: '/name', path: '/length' }], 422],
  ] as const) {
    const { status: got, body } = await patch(what === 'no such revision' ? 77 : 2, bad);
    expect([what, got, body.error.message.length > 20]).toEqual([what, status, true]);
    expect([what, body.error.unfit ?? false]).toEqual([what, /no such/.test(what)]);
  }
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  expect((await patch(2, [], 'one', { origin: 'http://elsewhere.example' })).status).toBe(403);
  expect(await now()).toMatchObject({ revision: 2, document: after });
});
