import { z } from 'zod';
import { idSchema, number, wholeNumber } from '../../properties';
import { circleIn } from './circle';

/**
 * A start (or arrival) tied to another stroke: the stroke begins (or has been written) `offset` frames after the head (or
 * tail) of `to` has reached a share of its length.
 */
export const cueSchema = z.strictObject({
  to: idSchema,
  part: z.enum(['head', 'tail']),
  at: number({ name: 'At its', unit: 'share', min: 0, max: 1 }),
  offset: wholeNumber({ name: 'Later by', unit: 'frames', min: -1e6, max: 1e6, typed: [-100_000, 100_000] }),
  /** Where given it is the arrival, not the start, that is tied. */
  ties: z.literal('arrival').exactOptional(),
});
export type Cue = z.infer<typeof cueSchema>;

/** The id of a stroke that would wait for itself through others; null where none does. */
export function cueCycle(strokes: readonly { readonly id: string; readonly cue?: Cue }[]): string | null {
  const leads = new Map(strokes.map((stroke) => [stroke.id, stroke.cue?.to]));
  return circleIn([...leads.keys()], (id) => leads.get(id));
}
