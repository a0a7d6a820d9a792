import { z } from 'zod';
import { idSchema } from '../../properties';
import { circleIn } from './circle';

/** What of a stroke can follow another stroke. */
export const TIED_PROPERTIES = ['width', 'colour', 'dashes', 'path'] as const;
export type TiedProperty = (typeof TIED_PROPERTIES)[number];

/**
 * A property that follows another stroke's: its value times `factor`, plus `offset`. For a width and for dashes the
 * offset is px (of the phase); for a colour both are of its OKLab lightness; a path is scaled about its middle by the
 * factor and set aside by the offset, px to the right of travel.
 */
const tieSchema = z.strictObject({
  property: z.enum(TIED_PROPERTIES),
  to: idSchema,
  factor: z.number().min(-100).max(100),
  offset: z.number().min(-1e5).max(1e5),
});
export type Tie = z.infer<typeof tieSchema>;

export const tiesSchema = z
  .array(tieSchema)
  .max(TIED_PROPERTIES.length)
  .refine((ties) => new Set(ties.map((tie) => tie.property)).size === ties.length, {
    message: 'hold two ties of one property',
  })
  .readonly();

interface Tied {
  readonly id: string;
  readonly ties?: readonly Tie[];
}

/** The id of a stroke that would follow itself through others, by the same property; null where none does. */
export function tieCycle(strokes: readonly Tied[]): string | null {
  for (const property of TIED_PROPERTIES) {
    const next = new Map(
      strokes.map(({ id, ties }) => [id, ties?.find((tie) => tie.property === property)?.to]),
    );
    const circle = circleIn([...next.keys()], (id) => next.get(id));
    if (circle !== null) return circle;
  }
  return null;
}
