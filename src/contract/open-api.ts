import { z } from 'zod';
import type { Endpoint } from './endpoint';
import { EXPORTS } from './exports';
import { READ_FIELDS } from './fields';
import { FILES } from './files';
import { PROJECTS } from './projects';

/** Endpoints that programs are told of, with what each is for. What pages ask besides may change from day to day. */
const FOR_PROGRAMS: readonly (readonly [name: string, does: string, endpoint: Endpoint])[] = [
  ['listProjects', 'All projects with their pieces.', PROJECTS.list],
  ['readFields', 'A piece with its fields and what they hold.', READ_FIELDS],
  [
    'requestExport',
    'Starts an export of the piece as it is saved now. With `fields` they are filled first, by their names: texts are set anew and strokes that write them follow.',
    EXPORTS.request,
  ],
  ['listExports', 'The exports of a piece, newest first.', EXPORTS.list],
  [
    'readExport',
    'How far an export is. It is over when its status is done, failed or cancelled.',
    EXPORTS.read,
  ],
  ['cancelExport', 'Stops an export.', EXPORTS.cancel],
  ['retryExport', 'Runs one that failed or was stopped again.', EXPORTS.retry],
  ['deleteExport', 'Takes an ended export away, with its file.', EXPORTS.remove],
];

const errorSchema = z.object({
  error: z.looseObject({
    /** What happened, and what is safe. */
    message: z.string(),
    /** Where the faults lie, where there are several. */
    faults: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  }),
});

const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): object => {
  const { $schema: _, ...plain } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  return plain;
};
const isGiven = (schema: z.ZodType): boolean => !schema.safeParse(undefined).success;
const json = (schema: object) => ({ 'application/json': { schema } });

/** An address as OpenAPI writes its parameters. */
const templateOf = (path: string): string => path.replace(/:(\w+)/g, '{$1}');

/** Parameters of an address, all of them needed. */
function parametersOf({ path, params }: Endpoint): object[] {
  const { properties = {} } = schemaOf(params, 'input') as { properties?: Record<string, object> };
  return [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: properties[name!] ?? { type: 'string' },
  }));
}

const REFUSED = {
  description: 'Refused, with words. Nothing was changed.',
  content: json({ $ref: '#/components/schemas/Error' }),
};

const operationOf = (operationId: string, description: string, endpoint: Endpoint): object => ({
  operationId,
  description,
  ...(endpoint.path.includes(':') && { parameters: parametersOf(endpoint) }),
  ...(isGiven(endpoint.body) && {
    requestBody: { required: true, content: json(schemaOf(endpoint.body, 'input')) },
  }),
  responses: {
    200: { description: 'Done.', content: json(schemaOf(endpoint.answer, 'output')) },
    default: REFUSED,
  },
});

const FETCH_FILE = {
  operationId: 'fetchFile',
  description: 'The file of an export that is done.',
  parameters: [{ name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } }],
  responses: {
    200: {
      description: 'The file, under the name that it is saved by.',
      content: { '*/*': { schema: { type: 'string', format: 'binary' } } },
    },
    default: REFUSED,
  },
};

/**
 * The interface for programs, as OpenAPI 3.1 has it, made from the schemas that requests are checked by.
 * @param server the address that it is reached by.
 */
export function openApi(server: string): Record<string, unknown> {
  const paths: Record<string, Record<string, object>> = {};
  for (const [name, does, endpoint] of FOR_PROGRAMS) {
    const path = templateOf(endpoint.path);
    (paths[path] ??= {})[endpoint.method.toLowerCase()] = operationOf(name, does, endpoint);
  }
  paths[templateOf(FILES.export.path)] = { get: FETCH_FILE };
  return {
    openapi: '3.1.0',
    info: {
      title: 'Obelus',
      version: '1',
      description:
        'Lists pieces, reads their fields, starts exports with fields filled, follows and fetches them. It answers only on this machine.',
    },
    servers: [{ url: server }],
    paths,
    components: { schemas: { Error: schemaOf(errorSchema, 'output') } },
  };
}
