import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ENDPOINTS } from '@/contract';
import { refusedAddress } from '@/server/http';

/** What the route handlers answer, as the contract writes it: methods and addresses. */
const routes = (): string[] =>
  readdirSync(__dirname, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('route.ts'))
    .flatMap((name) => {
      const path = `/api/${name.replace(/\/?route\.ts$/, '').replace(/\[(\w+)\]/g, ':$1')}`;
      const source = readFileSync(join(__dirname, name), 'utf8');
      return [...source.matchAll(/^export const ([A-Z]+) =/gm)].map(([, method]) => `${method} ${path}`);
    });

test('each handler stands in the contract under its address and method, and the contract tells of nothing else', () => {
  expect(routes().sort()).toEqual(ENDPOINTS.map(({ method, path }) => `${method} ${path}`).sort());
});

test('what nobody answers is refused in words, a wrong method with those that are allowed (RFC 9110, 15.5.6)', () => {
  expect(refusedAddress('GET', '/api/projects')).toBeNull();
  expect(refusedAddress('HEAD', '/api/pieces/x/thumbnail')).toBeNull();
  expect(refusedAddress('OPTIONS', '/api/bay')).toBeNull();
  expect(refusedAddress('POST', '/pieces/x')).toBeNull();
  for (const path of [
    '/api',
    '/api/',
    '/api/piece',
    '/api/pieces/a/b/c',
    '/api/openapiXjson',
    '/api/projects/',
  ])
    expect([path, refusedAddress('GET', path)]).toEqual([
      path,
      { status: 404, message: expect.stringContaining(path) },
    ]);
  expect(refusedAddress('DELETE', '/api/projects')).toEqual({
    status: 405,
    message: '/api/projects does not take DELETE, but GET, POST.',
    allow: ['GET', 'POST', 'HEAD', 'OPTIONS'],
  });
});
