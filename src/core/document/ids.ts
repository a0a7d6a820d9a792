import { z } from 'zod';

/** What layers, underlays and styles are known by within a piece. */
export const idSchema = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'must be 1 to 40 letters, digits, - or _');
