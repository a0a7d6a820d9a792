import { ENDPOINTS, patternOf } from '@/contract';

const KNOWN = ENDPOINTS.map(({ method, path }) => ({ method, pattern: patternOf(path) }));

/** What is refused before anything is done: its status, why in words, and for a wrong method those that are allowed. */
export interface AddressRefusal {
  readonly status: 404 | 405;
  readonly message: string;
  readonly allow?: readonly string[];
}

/**
 * Why something that is asked of the API is nothing it answers; null where it is, or is no matter of the API.
 * @param path of the address, decoded.
 */
export function refusedAddress(method: string, path: string): AddressRefusal | null {
  if (path !== '/api' && !path.startsWith('/api/')) return null;
  const found = KNOWN.filter(({ pattern }) => pattern.test(path)).map((one) => one.method);
  if (found.length === 0) {
    const message = `There is nothing at ${path}. /api/openapi.json describes what programs may ask.`;
    return { status: 404, message };
  }
  const allow = [...found, ...(found.includes('GET') ? ['HEAD'] : []), 'OPTIONS'];
  if (allow.includes(method)) return null;
  return { status: 405, message: `${path} does not take ${method}, but ${found.join(', ')}.`, allow };
}
