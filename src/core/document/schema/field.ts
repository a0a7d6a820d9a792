import { z } from 'zod';
import { idSchema } from '../../properties';
import { nameSchema } from './names';

/** What there is to fill: the text of lettering, the face it is set in, a colour, a counted number, the shapes of art. */
export const FIELD_KINDS = ['text', 'face', 'colour', 'number', 'image'] as const;

/** Something that is filled in anew each time a piece is used. */
export const fieldSchema = z.strictObject({
  name: nameSchema,
  kind: z.enum(FIELD_KINDS),
  /** Layers that take its value; the first of them says what it is. */
  of: z.array(idSchema).min(1).max(500).readonly(),
  /** The part of them that takes it, as `effects.0.is.colour`; where absent a colour is their own. */
  part: z.string().max(200).exactOptional(),
});
export type Field = z.infer<typeof fieldSchema>;
