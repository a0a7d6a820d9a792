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

/** Calls the server; answers with its JSON or throws an ApiError in words. */
export async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      ...(body !== undefined && {
        body: JSON.stringify(body),
        headers: { 'Content-Type': 'application/json' },
      }),
    });
  } catch {
    throw new ApiError(0, 'The server cannot be reached.');
  }
  const data = (await response.json().catch(() => ({}))) as {
    error?: { message?: string } & Record<string, unknown>;
  };
  if (response.ok) return data as T;
  const { message, ...details } = data.error ?? {};
  throw new ApiError(response.status, message ?? `The server answered with ${response.status}.`, details);
}
