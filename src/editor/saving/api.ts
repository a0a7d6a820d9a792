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

/**
 * Keys of requests that make something, by what they ask for, while it is not known whether they were done. Asked for once more
 * meanwhile, or after an answer that was lost, a request carries the key it had: the server makes one thing of both.
 */
const keys = new Map<string, string>();
/** So many are remembered: of requests whose answer never came. */
const MOST_KEYS = 100;

async function keyed<T>(what: string, send: (headers: Record<string, string>) => Promise<T>): Promise<T> {
  const key = keys.get(what) ?? crypto.randomUUID();
  if (keys.size >= MOST_KEYS) keys.delete(keys.keys().next().value!);
  keys.set(what, key);
  try {
    const answer = await send({ 'Idempotency-Key': key });
    keys.delete(what);
    return answer;
  } catch (error) {
    if (!isOutage(error)) keys.delete(what);
    throw error;
  }
}

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
  if (to.method !== 'POST') return understood(to, await fetched(address, { method: to.method, ...json }));
  return keyed(`${address} ${json ? json.body : ''}`, async (key) => {
    const headers = { ...(json && json.headers), ...key };
    return understood(to, await fetched(address, { method: 'POST', ...json, headers }));
  });
}

/** Sends the bytes of a file; answers with what was agreed on, or throws an ApiError in words. */
export async function sendBytes<E extends Endpoint>(
  to: E,
  params: Readonly<Record<string, string>>,
  bytes: Blob,
  { name, signal }: { readonly name?: string; readonly signal?: AbortSignal } = {},
): Promise<AnswerOf<E>> {
  const query = name === undefined ? '' : `?name=${encodeURIComponent(name)}`;
  const address = addressOf(to.path, params) + query;
  const facts = [bytes.size, bytes.type, bytes instanceof File ? `${bytes.name} ${bytes.lastModified}` : ''];
  return keyed(`${address} ${facts.join(' ')}`, async (key) => {
    const init: RequestInit = {
      method: to.method,
      body: bytes,
      headers: { 'Content-Type': 'application/octet-stream', ...key },
      ...(signal && { signal }),
    };
    return understood(to, await fetched(address, init));
  });
}
