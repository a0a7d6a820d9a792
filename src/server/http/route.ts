import { ConnectionError } from 'sequelize';
import { z } from 'zod';
import { faultsOf } from '@/core/document';
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

/** Most routes name one thing by its id. */
export const idParams = z.strictObject({ id: z.uuid('is not the id of anything here') });

/** And some a revision of it. */
export const revisionParams = idParams.extend({
  revision: z.coerce
    .number()
    .int()
    .min(1)
    .max(2 ** 31 - 1),
});

const answer = (status: number, body: unknown): Response =>
  Response.json(body, { status, headers: { 'Cache-Control': 'no-store' } });

function refusal(error: unknown): Response {
  if (error instanceof HttpError) {
    return answer(error.status, { error: { message: error.message, ...error.details } });
  }
  if (error instanceof ConnectionError) {
    return answer(503, {
      error: {
        message: 'The database cannot be reached. What you did is kept in this browser until it is back.',
      },
    });
  }
  console.error(error);
  return answer(500, {
    error: { message: 'Obelus failed to do this. Nothing was changed; the server log says why.' },
  });
}

/**
 * A route handler with its checks in one place: origin, parameters and body by Zod, errors in words.
 * The handler answers with a Response, or with a value that is sent as JSON.
 */
export function route<Params extends z.ZodType = z.ZodUnknown, Body extends z.ZodType = z.ZodUnknown>(
  parts: Partial<Parts<Params, Body>>,
  handle: (input: {
    params: z.infer<Params>;
    body: z.infer<Body>;
    bytes: Buffer;
    request: Request;
  }) => Promise<unknown>,
): (request: Request, context: Context) => Promise<Response> {
  const parse = <S extends z.ZodType>(
    schema: S | undefined,
    data: unknown,
    status: number,
    what: string,
  ): z.infer<S> => {
    if (!schema) return undefined as z.infer<S>;
    const result = schema.safeParse(data);
    if (result.success) return result.data;
    const faults = faultsOf(result.error);
    const first = faults[0]!;
    throw new HttpError(
      status,
      `${what}: ${first.path ? `${first.path}: ` : ''}${first.message}. Nothing was changed.`,
      {
        faults,
      },
    );
  };
  return async (request, context) => {
    try {
      requireSameOrigin(request);
      const params = parse(parts.params, await context.params, 404, 'There is no such thing');
      const body = parts.body
        ? parse(parts.body, await readJson(request), 422, 'The request does not hold together')
        : (undefined as z.infer<Body>);
      const bytes = parts.bytes ? await readBytes(request, parts.bytes) : NO_BYTES;
      const result = await handle({ params, body, bytes, request });
      return result instanceof Response ? result : answer(200, result ?? {});
    } catch (error) {
      return refusal(error);
    }
  };
}
