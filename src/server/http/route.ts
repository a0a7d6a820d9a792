import type { z } from 'zod';
import type { Endpoint } from '@/contract';
import { faultsOf } from '@/core/document';
import { isDatabaseAway } from '../database';
import { asDiskFull, DiskFull } from '../disk';
import { logError } from '../log';
import { HttpError } from './http-error';
import { readBytes } from './read-bytes';
import { readJson } from './read-json';
import { requireSameOrigin } from './same-origin';

interface Context {
  params: Promise<Record<string, string>>;
}

interface Parts<Params extends z.ZodType, Body extends z.ZodType> {
  readonly params: Params;
  readonly body: Body;
  /** Takes the body as bytes instead, up to this many. */
  readonly bytes: number;
}

const NO_BYTES = Buffer.alloc(0);

const answer = (status: number, body: unknown): Response =>
  Response.json(body, {
    status,
    headers: { 'Cache-Control': 'no-store', 'X-Content-Type-Options': 'nosniff' },
  });

function refusal(error: unknown): Response {
  if (error instanceof HttpError) {
    return answer(error.status, { error: { message: error.message, ...error.details } });
  }
  const full = asDiskFull(error);
  if (full instanceof DiskFull) return answer(507, { error: { message: full.message } });
  if (isDatabaseAway(error)) {
    return answer(503, {
      error: {
        message: 'The database cannot be reached. What you did is kept in this browser until it is back.',
      },
    });
  }
  const id = logError('request failed', error);
  return answer(500, {
    error: {
      message: `Obelus failed to do this. Nothing was changed; its terminal says more under ${id}.`,
      id,
    },
  });
}

/** What a handler is given of a request, checked. */
interface Given<Params, Body> {
  readonly params: Params;
  readonly body: Body;
  readonly bytes: Buffer;
  readonly request: Request;
}

function parse<S extends z.ZodType>(schema: S, data: unknown, status: number, what: string): z.output<S> {
  const result = schema.safeParse(data);
  if (result.success) return result.data;
  const faults = faultsOf(result.error);
  const first = faults[0]!;
  throw new HttpError(
    status,
    `${what}: ${first.path ? `${first.path}: ` : ''}${first.message}. Nothing was changed.`,
    { faults },
  );
}

type Handler = (request: Request, context: Context) => Promise<Response>;

/**
 * A route handler with its checks in one place: origin, parameters and body by Zod, errors in words.
 * The handler answers with a Response, or with a value that is sent as JSON.
 */
export const route =
  <Params extends z.ZodType = z.ZodUndefined, Body extends z.ZodType = z.ZodUndefined>(
    parts: Partial<Parts<Params, Body>>,
    handle: (given: Given<z.output<Params>, z.output<Body>>) => Promise<unknown>,
  ): Handler =>
  async (request, context) => {
    try {
      requireSameOrigin(request);
      const { params, body } = parts;
      const given = {
        params: params && parse(params, await context.params, 404, 'There is no such thing'),
        body: body && parse(body, await readJson(request), 422, 'The request does not hold together'),
        bytes: parts.bytes ? await readBytes(request, parts.bytes) : NO_BYTES,
        request,
      } as Given<z.output<Params>, z.output<Body>>;
      const result = await handle(given);
      return result instanceof Response ? result : answer(200, result ?? {});
    } catch (error) {
      return refusal(error);
    }
  };

const has = (schema: z.ZodType): boolean => !schema.safeParse(undefined).success;

/** The handler of an endpoint that page and server agree on: it takes what the endpoint takes and answers what it answers. */
export const answers = <P extends z.ZodType, B extends z.ZodType, A extends z.ZodType>(
  { params, body }: Endpoint<P, B, A>,
  handle: (given: Given<z.output<P>, z.output<B>>) => Promise<z.input<A> | Response | void>,
): Handler =>
  route({ ...(has(params) && { params }), ...(has(body) && { body }) } as Partial<Parts<P, B>>, handle);
