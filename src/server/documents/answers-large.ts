import type { z } from 'zod';
import type { Endpoint } from '@/contract';
import { readLargeJson, route, type Given, type Handler } from '../http';
import { bodyOf } from './aside';
import type { BodyName, BodyOf } from './bodies';

/** The handler of an endpoint whose body holds a document or parts of one: it may be large, and is read where nobody waits for it. */
export const answersLarge = <P extends z.ZodType, N extends BodyName>(
  { params }: Pick<Endpoint<P>, 'params'>,
  name: N,
  handle: (given: Given<z.output<P>, BodyOf<N>>) => Promise<unknown>,
): Handler =>
  route<P, z.ZodType<BodyOf<N>>>(
    { params, read: async (request) => bodyOf(name, await readLargeJson(request)) },
    handle,
  );
