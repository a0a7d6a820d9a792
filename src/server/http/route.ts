import type { z } from 'zod';
import type { Endpoint } from '@/contract';
import { isDatabaseAway } from '../database';
import { asDiskFull, DiskFull } from '../disk';
import { logError } from '../log';
import { HttpError } from './http-error';
import { parse, parseBody } from './parse';
import { readJson } from './read-json';
import { requireSameOrigin } from './same-origin';
import { withBody, type Upload } from './upload';

interface Context {
  params: Promise<Record<string, string>>;
}

interface Parts<Params extends z.ZodType, Body extends z.ZodType> {
  readonly params: Params;
  readonly body: Body;
  /** Reads the body instead of its schema, where that may take long. */
  readonly read: (request: Request) => Promise<z.output<Body>>;
  /** Takes the body as a file instead, of up to so many bytes. */
  readonly file: number;
}

const ANSWERED = { 'Cache-Control': 'no-store', 'X-Content-Type-Options': 'nosniff' };

const answer = (status: number, body: unknown): Response =>
  Response.json(body, { status, headers: ANSWERED });

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
export interface Given<Params, Body> {
  readonly params: Params;
  readonly body: Body;
  readonly file: Upload;
  readonly request: Request;
  /** The key of a request that makes something; null where it has none. */
  readonly key: string | null;
}

/** Keys as whoever asks makes them: a UUID, say. */
const KEY = /^[\w-]{8,100}$/;

/** The key of a request, for its address alone (the Idempotency-Key header, draft-ietf-httpapi-idempotency-key-header). */
function keyOf(request: Request): string | null {
  const key = request.headers.get('idempotency-key');
  if (key === null) return null;
  if (!KEY.test(key))
    throw new HttpError(
      400,
      'An Idempotency-Key is 8 to 100 letters, digits and hyphens. Nothing was changed.',
    );
  return `${request.method} ${new URL(request.url).pathname} ${key}`;
}

export type Handler = (request: Request, context: Context) => Promise<Response>;

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
      const { params, body, read, file } = parts;
      const given = {
        params: params && parse(params, await context.params, 404, 'There is no such thing'),
        body: read ? await read(request) : body && parseBody(body, await readJson(request)),
        request,
        key: keyOf(request),
      };
      const handled = (upload?: Upload) =>
        handle({ ...given, file: upload } as Given<z.output<Params>, z.output<Body>>);
      const result = await (file ? withBody(request, file, handled) : handled());
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
): Handler => route({ ...(has(params) && { params }), ...(has(body) && { body }) }, handle);

/** An answer that is JSON already. */
export const answerText = (json: string): Response =>
  new Response(json, { headers: { 'Content-Type': 'application/json', ...ANSWERED } });
