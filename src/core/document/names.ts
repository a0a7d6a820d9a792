import { z } from 'zod';

export const NAME_LENGTH = 120;

/** A name people read: no control characters, not blank, never used as a file path. */
export const nameSchema = z
  .string()
  .trim()
  .min(1)
  .max(NAME_LENGTH)
  .refine((name) => !/[\u0000-\u001f\u007f]/.test(name), { message: 'must not hold control characters' });
