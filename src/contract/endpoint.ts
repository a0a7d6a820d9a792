import { z } from 'zod';
import type { Piece } from '@/core/document';

/** One thing that can be asked of the server: how it is asked, and what is answered. */
export interface Endpoint<
  Params extends z.ZodType = z.ZodType,
  Body extends z.ZodType = z.ZodType,
  Answer extends z.ZodType = z.ZodType,
> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Its address, with the names of its parameters as `:id`. */
  readonly path: string;
  readonly params: Params;
  readonly body: Body;
  readonly answer: Answer;
}

/** What has no parameters or no body is asked without. */
const NONE = z.undefined();
export type None = typeof NONE;

/** An answer that says no more than that it was done. */
const done = z.looseObject({});

/** Describes an endpoint; what is left out it does not have. */
export const endpoint = <
  Params extends z.ZodType = None,
  Body extends z.ZodType = None,
  Answer extends z.ZodType = typeof done,
>(
  method: Endpoint['method'],
  path: string,
  parts: { readonly params?: Params; readonly body?: Body; readonly answer?: Answer } = {},
): Endpoint<Params, Body, Answer> => ({
  method,
  path,
  params: parts.params ?? (NONE as unknown as Params),
  body: parts.body ?? (NONE as unknown as Body),
  answer: parts.answer ?? (done as unknown as Answer),
});

/** What must be given to ask something of an endpoint. */
export type Asking<E extends Endpoint> = (z.input<E['params']> extends undefined
  ? { readonly params?: undefined }
  : { readonly params: z.input<E['params']> }) &
  (z.input<E['body']> extends undefined
    ? { readonly body?: undefined }
    : { readonly body: z.input<E['body']> });

/** What an endpoint answers. */
export type AnswerOf<E extends Endpoint> = z.output<E['answer']>;

/** The address of an endpoint with its parameters filled in. */
export const addressOf = (path: string, params: Readonly<Record<string, unknown>> = {}): string =>
  path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(params[name])));

/** What addresses of an endpoint look like; its parameters are named groups. */
export const patternOf = (path: string): RegExp =>
  new RegExp(`^${path.replaceAll('.', '\\.').replace(/:(\w+)/g, '(?<$1>[^/]+)')}$`);

const id = z.uuid('is not the id of anything here');

/** Most endpoints name one thing by its id. */
export const idParams = z.strictObject({ id });

/** And some a revision of it. */
export const revisionParams = idParams.extend({
  revision: z.coerce
    .number<number | string>()
    .int()
    .min(1)
    .max(2 ** 31 - 1),
});

export const itemParams = idParams.extend({ item: id });

/** SHA-256 of a file, as files are named by. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/, 'is not the hash of a file');

/** A document that the server has checked: it is not checked again. */
export const checkedDocument = z.custom<Piece>((value) => typeof value === 'object' && value !== null);
