import { NextResponse, type NextRequest } from 'next/server';

/**
 * What a page may load and do (Content Security Policy Level 3): scripts only of our own that bear this answer's nonce, and
 * what those load; nothing from elsewhere, no frame around it. Styles are written into the page by styled-components and
 * React, so they are let in; they run nothing.
 */
const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    // Hot reload evaluates code; what is built does not.
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "media-src 'self' blob:",
    `connect-src 'self'${process.env.NODE_ENV === 'development' ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** Gives every page a policy with a nonce of its own; Next puts the nonce on its scripts. */
export function proxy(request: NextRequest): NextResponse {
  const csp = policy(btoa(crypto.randomUUID()));
  const headers = new Headers(request.headers);
  headers.set('Content-Security-Policy', csp);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', csp);
  return response;
}

export const config = {
  // Pages alone: the API answers with data, and built files are named by their hash.
  matcher: [{ source: '/((?!api/|_next/|icon\\.svg).*)' }],
};
