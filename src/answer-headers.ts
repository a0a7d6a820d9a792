/** Headers of every answer; pages have a policy of their own besides (src/proxy.ts). */
export const ANSWER_HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Referrer-Policy': 'same-origin',
} as const;

/** Data that is opened as a page by itself may do nothing at all. */
export const DATA_POLICY = "default-src 'none'; frame-ancestors 'none'";
