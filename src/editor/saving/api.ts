import { addressOf, type AnswerOf, type Asking, type Endpoint } from '@/contract';

/** What the server refused, with its words; status 0 when it could not be reached at all. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly details: Record<string, unknown> = {},
  ) {
    super(message);
  }
}

/** Whether trying again later may help: the server is gone or in trouble, not refusing. */
export const isOutage = (error: unknown): boolean =>
  error instanceof ApiError && (error.status === 0 || error.status >= 500);

async function fetched(path: string, init: RequestInit): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ApiError(0, 'The server cannot be reached. Nothing was changed.');
  }
  const data = (await response.json().catch(() => ({}))) as {
    error?: { message?: string } & Record<string, unknown>;
  };
  if (response.ok) return data;
  const { message, ...details } = data.error ?? {};
  throw new ApiError(response.status, message ?? `The server answered with ${response.status}.`, details);
}

/** An answer that does not hold what was agreed on comes from a server of another version. */
function understood<E extends Endpoint>({ answer }: E, data: unknown): AnswerOf<E> {
  const read = answer.safeParse(data);
  if (read.success) return read.data as AnswerOf<E>;
  throw new ApiError(
    502,
    'The server answered something that this page does not understand. Load the page again; what you did is kept.',
  );
}

/** Asks the server; answers with what was agreed on, or throws an ApiError in words. */
export async function call<E extends Endpoint>(to: E, { params, body }: Asking<E>): Promise<AnswerOf<E>> {
  const json = body !== undefined && {
    body: JSON.stringify(body),
    headers: { 'Content-Type': 'application/json' },
  };
  const address = addressOf(to.path, params as Record<string, unknown>);
  return understood(to, await fetched(address, { method: to.method, ...json }));
}

/** Sends the bytes of a file; answers with what was agreed on, or throws an ApiError in words. */
export async function sendBytes<E extends Endpoint>(
  to: E,
  params: Readonly<Record<string, string>>,
  bytes: Blob,
  { name, signal }: { readonly name?: string; readonly signal?: AbortSignal } = {},
): Promise<AnswerOf<E>> {
  const query = name === undefined ? '' : `?name=${encodeURIComponent(name)}`;
  const init: RequestInit = {
    method: to.method,
    body: bytes,
    headers: { 'Content-Type': 'application/octet-stream' },
    ...(signal && { signal }),
  };
  return understood(to, await fetched(addressOf(to.path, params) + query, init));
}
