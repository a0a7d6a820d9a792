import { z } from 'zod';
import { idSchema } from '../properties';
import { nameSchema } from './names';

/** What a field fills: the text of lettering, a colour, a counted number, or the shapes of art. */
export const fieldSchema = z.strictObject({
  name: nameSchema,
  kind: z.enum(['text', 'colour', 'number', 'image']),
  /** Layers that take its value; the first of them says what it is. */
  of: z.array(idSchema).min(1).max(500).readonly(),
  /** The part of them that takes it, as `effects.0.is.colour`; where absent a colour is their own. */
  part: z.string().max(200).exactOptional(),
});
export type Field = z.infer<typeof fieldSchema>;
