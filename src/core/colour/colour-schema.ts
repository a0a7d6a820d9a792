import { z } from 'zod';

/** A colour as six hexadecimal digits, #rrggbb. */
export const colourSchema = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'must be a colour such as #ff6b3d');
