import { HttpError } from './http-error';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * Refuses requests that come by another name than loopback (a page elsewhere that resolves its own name to this
 * machine), and writes that a page of another origin sends.
 */
export function requireSameOrigin(request: Request): void {
  const host = request.headers.get('host') ?? '';
  const name = host.replace(/:\d+$/, '');
  if (!LOOPBACK.has(name)) throw new HttpError(403, 'Obelus answers only on this machine’s own address.');
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const foreign = origin !== null ? origin !== `http://${host}` : site !== null && site !== 'same-origin';
  if (foreign) throw new HttpError(403, 'This request came from another site. Nothing was changed.');
}
