import type { z } from 'zod';
import { faultsOf } from '@/core/document';
import { HttpError } from './http-error';

/** What a schema makes of untrusted data. @throws HttpError with the place of every fault. */
export function parse<S extends z.ZodType>(
  schema: S,
  data: unknown,
  status: number,
  what: string,
): z.output<S> {
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

/** The body of a request, as its schema has it. */
export const parseBody = <S extends z.ZodType>(schema: S, data: unknown): z.output<S> =>
  parse(schema, data, 422, 'The request does not hold together');
